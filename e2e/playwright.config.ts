import { join } from 'node:path';
import { defineConfig } from '@playwright/test';

const root = join(import.meta.dirname, '..');
const { CHROMIUM_PATH = '/usr/bin/chromium' } = process.env;

/** The built application on a real database with the sample data, driven as a person does. */
export default defineConfig({
  testDir: 'tests',
  outputDir: join(root, 'test-results'),
  // Patience for a machine that does much else beside; how fast it is, the benchmarks say.
  timeout: 240_000,
  expect: { timeout: 45_000 },
  // Each worker has a server, a database and a firm of its own (support/app.ts).
  fullyParallel: true,
  workers: 2,
  forbidOnly: true,
  retries: 0,
  reporter: [['list'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // What fades and slides is waited for by nobody here; one test looks at what moves.
    contextOptions: { reducedMotion: 'reduce' },
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: CHROMIUM_PATH,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
