import { spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { type Browser, chromium as browserType, type Page } from '@playwright/test';
import { buildIfChanged } from './installation.ts';
import { scratchFolder, startPostgres } from './postgres.ts';
import { ended, freePort } from './processes.ts';
import { findTestBrowser } from './systemPackages.ts';

const root = join(import.meta.dirname, '../..');

/** The built application with the sample data, and a browser to look at it. */
export interface ShownApplication {
  browser: Browser;
  base: string;
}

/** Starts the application on a throw-away database, hands it over, and leaves nothing behind. */
export async function withShownApplication(
  look: (shown: ShownApplication) => Promise<void>,
): Promise<void> {
  const executablePath = await findTestBrowser();
  await buildIfChanged();
  const scratch = scratchFolder('shown');
  const postgres = await startPostgres({ folder: join(scratch, 'postgres'), lasting: false });
  const port = await freePort();
  const base = `http://127.0.0.1:${port}`;
  const server = spawn(process.execPath, [join(root, 'server/dist/server.mjs')], {
    stdio: 'ignore',
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: postgres.url,
      PORT: String(port),
      WEB_ROOT: join(root, 'web/dist'),
      KATHAROS_DEMO: '1',
    },
  });
  const browser = await browserType.launch({
    executablePath,
    args: ['--no-sandbox', '--disable-gpu'],
  });
  try {
    await answering(base);
    await look({ browser, base });
  } finally {
    await browser.close();
    server.kill('SIGTERM');
    await ended(server);
    await postgres.stop();
    rmSync(scratch, { recursive: true, force: true });
  }
}

/** The server takes a moment to migrate and seed. */
async function answering(base: string): Promise<void> {
  for (let tries = 0; tries < 150; tries += 1) {
    if (await fetch(`${base}/api/meta`).catch(() => undefined)) return;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  throw new Error(`${base} did not answer.`);
}

/** Signs in as the sample firm's owner, whose address and password the page already holds. */
export async function signIn(page: Page, base: string): Promise<void> {
  await page.goto(`${base}/sign-in`);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.getByRole('heading', { name: 'Waiting for water', level: 1 }).waitFor();
}

/** Address of a sample job by a part of its customer's name, without its stage. */
export async function jobAddress(page: Page, base: string, customer: string): Promise<string> {
  await page.goto(`${base}/jobs`);
  const link = page.getByRole('link', { name: new RegExp(customer) });
  return (await link.getAttribute('href'))!.replace(/\/\w+$/, '');
}
