import { join } from 'node:path';
import { defineConfig } from '@playwright/test';

const root = join(import.meta.dirname, '..');
const { DATABASE_URL, CHROMIUM_PATH = '/usr/bin/chromium', E2E_PORT = '8791' } = process.env;
if (!DATABASE_URL) throw new Error('Browser tests need a database server: run them by npm test.');

/** The built application on a real database with the sample data, driven as a person does. */
export default defineConfig({
  testDir: 'tests',
  outputDir: join(root, 'test-results'),
  timeout: 60_000,
  expect: { timeout: 10_000 },
  // Each test works on jobs of its own and could run beside others; but a page and its workers take two cores by themselves.
  fullyParallel: true,
  workers: 1,
  forbidOnly: true,
  retries: 0,
  reporter: [['list'], ['json']],
  use: {
    baseURL: `http://127.0.0.1:${E2E_PORT}`,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
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
  webServer: {
    command: `node ${join(root, 'server/dist/server.mjs')}`,
    url: `http://127.0.0.1:${E2E_PORT}/api/meta`,
    env: {
      NODE_ENV: 'production',
      DATABASE_URL,
      PORT: E2E_PORT,
      WEB_ROOT: join(root, 'web/dist'),
      KATHAROS_DEMO: '1',
      LOG_LEVEL: 'error',
    },
    gracefulShutdown: { signal: 'SIGTERM', timeout: 10_000 },
  },
});
