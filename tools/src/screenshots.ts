import { mkdirSync, rmSync } from 'node:fs';
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { chromium as browserType, type Page } from '@playwright/test';
import { demoSignIn } from '@katharos/server/demo';
import { buildIfChanged } from './installation.ts';
import { scratchFolder, startPostgres } from './postgres.ts';
import { ended, freePort } from './processes.ts';
import { chromium, findOrInstall } from './systemPackages.ts';

const root = join(import.meta.dirname, '../..');
const folder = join(root, 'docs/screenshots');

interface View {
  file: string;
  /** Part of a sample customer's name, and the stage; or an address. */
  job?: string;
  path: string;
  phone?: boolean;
  dark?: boolean;
  /** The whole page rather than the window. */
  whole?: boolean;
  before?: (page: Page) => Promise<unknown>;
}

const views: View[] = [
  { file: 'jobs', path: '/jobs' },
  { file: 'survey', job: 'Tamsin', path: 'survey' },
  { file: 'survey-phone', job: 'Tamsin', path: 'survey', phone: true },
  { file: 'size', job: 'Tamsin', path: 'size', whole: true },
  { file: 'size-days', job: 'Hathersage', path: 'size?view=days', whole: true },
  { file: 'size-water', job: 'Ilario', path: 'size?view=water', whole: true },
  { file: 'size-weigh', job: 'Tamsin', path: 'size?view=weigh', whole: true },
  { file: 'proposal', job: 'Odalys', path: 'proposal', whole: true },
  { file: 'plumb-phone', job: 'Odalys', path: 'plumb', phone: true },
  { file: 'plumb-fit', job: 'Odalys', path: 'plumb?view=fit', whole: true },
  { file: 'plumb-tubes', job: 'Odalys', path: 'plumb?view=tubes', whole: true },
  { file: 'plumb-remote', job: 'Hathersage', path: 'plumb?view=fit', whole: true },
  { file: 'plumb-connections', job: 'Odalys', path: 'plumb?view=connections', whole: true },
  { file: 'plumb-parts', job: 'Odalys', path: 'plumb?view=parts', whole: true },
  { file: 'flush-phone', job: 'Hathersage', path: 'flush', phone: true },
  { file: 'verify', job: 'Senna', path: 'verify', whole: true },
  { file: 'keep', job: 'Dunstan', path: 'keep', whole: true },
  { file: 'firm', path: '/firm', whole: true },
  // Last: the waterline stays open once it was opened.
  {
    file: 'size-dark',
    job: 'Ilario',
    path: 'size',
    dark: true,
    before: (page) => page.getByRole('button', { name: /open the waterline/ }).click(),
  },
];

async function takeView(page: Page, base: string, view: View): Promise<void> {
  let address = view.path;
  if (view.job) {
    await page.goto(`${base}/jobs`);
    const href = await page.getByRole('link', { name: new RegExp(view.job) }).getAttribute('href');
    address = href!.replace(/\/\w+$/, `/${view.path}`);
  }
  await page.setViewportSize(
    view.phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
  );
  await page.emulateMedia({ colorScheme: view.dark ? 'dark' : 'light', reducedMotion: 'reduce' });
  await page.goto(base + address);
  await page.getByRole('heading').first().waitFor();
  await page.waitForFunction(() => !document.body.innerText.includes('Judging'));
  await page.waitForTimeout(1200);
  await view.before?.(page);
  await page.screenshot({ path: join(folder, `${view.file}.png`), fullPage: view.whole ?? false });
  process.stdout.write(`docs/screenshots/${view.file}.png\n`);
}

/** `npm run screenshots`: one picture of each main view, from the sample data. Options name the views to take; none takes all. */
export async function run(options: string[]): Promise<void> {
  const unknown = options.find((option) => !views.some(({ file }) => file === option));
  if (unknown) throw new Error(`There is no view ${unknown}.`);
  const executablePath = await findOrInstall(chromium);
  await buildIfChanged();
  const scratch = scratchFolder('pictures');
  const postgres = await startPostgres({ folder: join(scratch, 'postgres'), lasting: false });
  const port = await freePort();
  const base = `http://127.0.0.1:${port}`;
  const server = spawn(process.execPath, [join(root, 'server/dist/server.mjs')], {
    stdio: 'ignore',
    env: {
      ...process.env,
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
    mkdirSync(folder, { recursive: true });
    const page = await browser.newPage({ locale: 'en-GB' });
    await reach(page, `${base}/sign-in`);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByText(demoSignIn.email).waitFor({ state: 'detached' });
    await page.getByRole('heading', { name: 'Jobs' }).waitFor();
    for (const view of views) {
      if (options.length === 0 || options.includes(view.file)) await takeView(page, base, view);
    }
  } finally {
    await browser.close();
    server.kill('SIGTERM');
    await ended(server);
    await postgres.stop();
    rmSync(scratch, { recursive: true, force: true });
  }
}

/** The server takes a moment to migrate and seed. */
async function reach(page: Page, address: string): Promise<void> {
  for (let tries = 0; tries < 100; tries += 1) {
    try {
      await page.goto(address);
      return;
    } catch {
      await page.waitForTimeout(200);
    }
  }
  throw new Error(`${address} did not answer.`);
}
