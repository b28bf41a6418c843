import { type ChildProcessWithoutNullStreams, spawn } from 'node:child_process';
import { chmodSync, cpSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { type AddressInfo, createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import {
  alterWorker,
  builtPage,
  expect,
  firstVisit,
  type Page,
  signedInState,
  startApp,
  test,
} from '../support/app.ts';
import { beginJob, enter, field, keptForOffline, saved, stage } from '../support/job.ts';

const root = join(import.meta.dirname, '../..');

test('work and sign-in survive a restart of the server, and what was typed meanwhile arrives', async ({
  browser,
}) => {
  let app = await startApp();
  const { port } = new URL(app.url);
  try {
    const context = await browser.newContext({
      baseURL: app.url,
      storageState: await signedInState(app.url),
    });
    const page = await context.newPage();
    await beginJob(page, 'Restart');
    await enter(page, 'Feed TDS', '333');
    await saved(page);
    await app.stop();
    await enter(page, 'Daily demand', '14');
    await expect(page.getByText('The server cannot be reached')).toBeVisible();
    app = await startApp({ databaseUrl: app.databaseUrl, port });
    await saved(page);
    await page.reload();
    await expect(await field(page, 'Feed TDS')).toHaveValue('333 mg/L');
    await expect(await field(page, 'Daily demand')).toHaveValue('14 L/day');
    await context.close();
  } finally {
    await app.stop();
  }
});

test('who has to sign in again still can after the server went away and came back, and what waited arrives', async ({
  browser,
}) => {
  let app = await startApp();
  const { port } = new URL(app.url);
  const context = await browser.newContext({
    baseURL: app.url,
    storageState: await signedInState(app.url),
  });
  try {
    const page = await context.newPage();
    await beginJob(page, 'Over and gone');
    await saved(page);
    const database = new pg.Client({ connectionString: app.databaseUrl });
    await database.connect();
    await database.query('delete from sessions');
    await database.end();
    await enter(page, 'Feed TDS', '333');
    const again = page.getByRole('dialog', { name: 'Sign in again' });
    // It knows by now that this is the demonstration, and has its password ready.
    await expect(again.getByText('Sample data')).toBeVisible();
    await app.kill();
    await again.getByRole('button', { name: 'Sign in' }).click();
    await expect(again.getByRole('alert')).toBeVisible();
    app = await startApp({ databaseUrl: app.databaseUrl, port });
    // Longer than the page takes to find the server again.
    await page.waitForTimeout(4000);
    await again.getByRole('button', { name: 'Sign in' }).click();
    await expect(again).toHaveCount(0);
    await saved(page);
  } finally {
    await context.close();
    await app.stop();
  }
});

test('a newer version is offered and gone over to when the person wants it; a page of before that finds a file gone says so', async ({
  browser,
}) => {
  const webRoot = mkdtempSync(join(tmpdir(), 'katharos-page-'));
  cpSync(builtPage, webRoot, { recursive: true });
  const app = await startApp({ webRoot });
  const offered = (page: Page) => page.getByText('A newer version is there');
  try {
    const storageState = await signedInState(app.url);
    const context = await browser.newContext({ baseURL: app.url, storageState });
    const page = await context.newPage();
    const old = await browser.newContext({
      baseURL: app.url,
      storageState,
      serviceWorkers: 'block',
    });
    const oldPage = await old.newPage();
    await beginJob(page, 'Updated');
    await oldPage.goto('/jobs');
    await expect(oldPage.getByRole('heading', { name: 'Jobs' })).toBeVisible();
    await enter(page, 'Feed TDS', '333');
    await keptForOffline(page);
    await page.reload();
    await expect(await field(page, 'Feed TDS')).toHaveValue('333 mg/L');
    // The newer version: another worker, and files under other names.
    alterWorker(webRoot, '// newer');
    for (const file of readdirSync(join(webRoot, 'assets'))) {
      if (/^(SizeStage|SurveyStage)/.test(file)) rmSync(join(webRoot, 'assets', file));
    }
    await page.evaluate(async () => (await navigator.serviceWorker.ready).update());
    await expect(offered(page)).toBeVisible();
    const reloaded = page.waitForEvent('load');
    await page.getByRole('button', { name: 'Go over now' }).click();
    await reloaded;
    await expect(await field(page, 'Feed TDS')).toHaveValue('333 mg/L');
    await expect(offered(page)).toHaveCount(0);
    await oldPage.getByRole('link', { name: /Tamsin/ }).click();
    await expect(oldPage.getByRole('heading', { name: 'A newer version is there' })).toBeVisible();
    await context.close();
    await old.close();
  } finally {
    await app.stop();
    rmSync(webRoot, { recursive: true, force: true });
  }
});

test('a part of the page that did not come is fetched anew without a word, once; where it stays away the page says so', async ({
  browser,
  app,
}) => {
  const context = await firstVisit(browser, app);
  const page = await context.newPage();
  const address = await beginJob(page, 'A weak line');
  let broken = 0;
  await page.route(/SizeStage/, async (route) => {
    broken += 1;
    await (broken === 1 ? route.abort() : route.continue());
  });
  await stage(page, 'Size').click();
  await expect.poll(() => broken).toBeGreaterThan(1);
  await expect(page.getByRole('heading', { level: 2 }).first()).not.toHaveText('Survey');
  expect(new URL(page.url()).pathname).toBe(`${address}/size`);
  await page.route(/PlumbStage/, (route) => route.abort());
  await stage(page, 'Plumb').click();
  const told = page.getByRole('heading', { name: 'This part of the page did not come' });
  await expect(told).toBeVisible();
  await context.close();
});

test('a newer version is gone over to also where the old one waits for an answer that never comes', async ({
  browser,
}) => {
  const webRoot = mkdtempSync(join(tmpdir(), 'katharos-page-'));
  cpSync(builtPage, webRoot, { recursive: true });
  alterWorker(
    webRoot,
    `addEventListener('fetch', (event) => {
       if (event.request.url.endsWith('/silent')) event.respondWith(new Promise(() => {}));
     });`,
  );
  const app = await startApp({ webRoot });
  try {
    const storageState = await signedInState(app.url);
    const context = await browser.newContext({ baseURL: app.url, storageState });
    const page = await context.newPage();
    await beginJob(page, 'Held up');
    await keptForOffline(page);
    await page.reload();
    await expect(await field(page, 'Feed TDS')).toBeVisible();
    await page.evaluate(() => void fetch('/silent'));
    alterWorker(webRoot, '// newer');
    await page.evaluate(async () => (await navigator.serviceWorker.ready).update());
    await enter(page, 'Feed TDS', '444');
    const reloaded = page.waitForEvent('load');
    await page.getByRole('button', { name: 'Go over now' }).click();
    await reloaded;
    await expect(await field(page, 'Feed TDS')).toHaveValue('444 mg/L');
    await saved(page);
    await expect(page.getByText('A newer version is there')).toHaveCount(0);
    await keptForOffline(page);
    await context.close();
  } finally {
    await app.stop();
    rmSync(webRoot, { recursive: true, force: true });
  }
});

test('a port in use is refused with a sentence; a launcher that is killed leaves nothing on it', async () => {
  const scratch = mkdtempSync(join(tmpdir(), 'katharos-launched-'));
  // The database's own account has to get in.
  chmodSync(scratch, 0o755);
  const port = String(await listened(0));
  const launch = () =>
    spawn(process.execPath, [join(root, 'tools/bootstrap.mjs'), 'start'], {
      env: { ...process.env, KATHAROS_DATA: scratch, PORT: port, DATABASE_URL: undefined },
    });
  const first = launch();
  try {
    await said(first, `ready at http://127.0.0.1:${port}`);
    const second = launch();
    await said(second, `Port ${port} is in use by another program`);
    first.kill('SIGKILL');
    await expect.poll(() => listened(Number(port)), { timeout: 15_000 }).toBe(Number(port));
    const pidFile = join(scratch, 'firm/data/postmaster.pid');
    await expect.poll(() => existsSync(pidFile), { timeout: 15_000 }).toBe(false);
  } finally {
    first.kill('SIGKILL');
    rmSync(scratch, { recursive: true, force: true });
  }
});

/** Waits until a process says something. */
const said = (child: ChildProcessWithoutNullStreams, words: string): Promise<void> =>
  new Promise((resolve, reject) => {
    let text = '';
    const hear = (more: Buffer) => {
      text += more.toString();
      if (text.includes(words)) resolve();
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.once('exit', () => reject(new Error(`it ended without saying so: ${text}`)));
  });

/** Listens for a moment; the port it got, or null where that is in use. */
const listened = (port: number): Promise<number | null> =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(null));
    probe.listen(port, '127.0.0.1', () => {
      const { port: got } = probe.address() as AddressInfo;
      probe.close(() => resolve(got));
    });
  });
