import { type ChildProcess, spawn } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import { appendFileSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { demoSignIn } from '@katharos/server/demo';
import {
  type Browser,
  type BrowserContext,
  type BrowserContextOptions,
  type Page,
  request,
  test as base,
} from '@playwright/test';
import pg from 'pg';

const root = join(import.meta.dirname, '../..');

/** A server with the sample firm on a database of its own. */
export interface App {
  url: string;
  databaseUrl: string;
  /** Folder into which letters are laid. */
  outbox: string;
  stop: () => Promise<void>;
  /** Ends it without a word, as a lost power line does. */
  kill: () => Promise<void>;
}

type State = Exclude<BrowserContextOptions['storageState'], string | undefined>;

/** The sample firm as this build makes it, by the first server that is started; copied for all others. */
const sample = `e2e_${createHash('sha256')
  .update(readFileSync(join(root, 'server/dist/server.mjs')))
  .digest('hex')
  .slice(0, 16)}`;
/** Whoever makes it holds this lock of the database server. */
const making = 8720;

/** A new database with the sample firm in it, on the server that `npm test` started. */
async function newDatabase(): Promise<string> {
  const { DATABASE_URL } = process.env;
  if (!DATABASE_URL) throw new Error('Browser tests need a database server: run them by npm test.');
  const addressOf = (name: string) => {
    const url = new URL(DATABASE_URL);
    url.pathname = `/${name}`;
    return url.href;
  };
  const name = `e2e_${randomBytes(6).toString('hex')}`;
  const admin = new pg.Client({ connectionString: DATABASE_URL });
  await admin.connect();
  await admin.query(`select pg_advisory_lock(${making})`);
  try {
    const found = await admin.query('select from pg_database where datname = $1', [sample]);
    if (found.rowCount === 0) {
      // Under its own name only once it is whole.
      const unfinished = `${name}_sample`;
      await admin.query(`create database ${unfinished}`);
      const server = await startApp({ databaseUrl: addressOf(unfinished) });
      await server.stop();
      await admin.query(`alter database ${unfinished} rename to ${sample}`);
    }
    await admin.query(`create database ${name} template ${sample}`);
  } finally {
    await admin.end();
  }
  return addressOf(name);
}

/** Changes what no page can: how long ago something was. */
export async function inDatabase({ databaseUrl }: App, sql: string): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  await client.query(sql);
  await client.end();
}

/** Makes another version of the page's worker. */
export function alterWorker(webRoot: string, code: string): void {
  appendFileSync(join(webRoot, 'serviceWorker.js'), `\n${code}\n`);
  for (const packed of ['br', 'gz']) {
    rmSync(join(webRoot, `serviceWorker.js.${packed}`), { force: true });
  }
}

interface Start {
  databaseUrl?: string;
  /** 0 for one that nobody uses. */
  port?: string;
  webRoot?: string;
}

/** The built page's folder. */
export const builtPage = join(root, 'web/dist');

/** Starts the built application and waits for the address that it prints. */
export async function startApp({
  databaseUrl,
  port = '0',
  webRoot = builtPage,
}: Start = {}): Promise<App> {
  const database = databaseUrl ?? (await newDatabase());
  const outbox = mkdtempSync(join(tmpdir(), 'katharos-outbox-'));
  const server = spawn(process.execPath, [join(root, 'server/dist/server.mjs')], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: database,
      PORT: port,
      WEB_ROOT: webRoot,
      KATHAROS_DEMO: '1',
      LOG_LEVEL: 'error',
      MAIL_OUTBOX: outbox,
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const url = await new Promise<string>((resolve, reject) => {
    server.stdout.on('data', (text: Buffer) => {
      const ready = /ready at (http:\S+)/.exec(text.toString());
      if (ready) resolve(ready[1]!);
    });
    server.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
  });
  return {
    url,
    databaseUrl: database,
    outbox,
    stop: async () => {
      await stopped(server);
      rmSync(outbox, { recursive: true, force: true });
    },
    kill: () => stopped(server, 'SIGKILL'),
  };
}

const stopped = (server: ChildProcess, signal: NodeJS.Signals = 'SIGTERM'): Promise<void> =>
  new Promise((resolve) => {
    if (server.exitCode !== null || server.signalCode !== null) resolve();
    server.once('exit', () => resolve());
    server.kill(signal);
  });

/** What a browser holds after signing in. */
export async function signedInState(url: string): Promise<State> {
  const context = await request.newContext({ baseURL: url });
  const answer = await context.post('/api/session', { data: demoSignIn });
  if (!answer.ok()) throw new Error(`signing in was answered ${answer.status()}`);
  const state = await context.storageState();
  await context.dispose();
  return state;
}

/** A first visit, signed in: a browser in which no worker keeps anything of the application. */
export const firstVisit = async (browser: Browser, { url }: App): Promise<BrowserContext> =>
  browser.newContext({
    baseURL: url,
    storageState: await signedInState(url),
    serviceWorkers: 'block',
  });

/**
 * Every browser worker has a server, a database and so a firm of its own, and a browser that is signed in once: what one test does
 * nobody else sees. Whoever tests the signing in itself is `alone`.
 */
export const test = base.extend<
  { alone: boolean },
  { app: App; signedIn: State; shared: BrowserContext; ownFirm: string }
>({
  /** Named by whoever changes what the others of the worker reckon with, such as the catalogue: their tests have a worker of their own. */
  ownFirm: ['', { option: true, scope: 'worker' }],
  app: [
    async ({ ownFirm: _named }, use) => {
      const app = await startApp();
      await use(app);
      await app.stop();
    },
    { scope: 'worker' },
  ],
  signedIn: [async ({ app }, use) => use(await signedInState(app.url)), { scope: 'worker' }],
  baseURL: async ({ app }, use) => use(app.url),
  shared: [
    async ({ browser, app, signedIn }, use, { project }) => {
      const { viewport, locale, contextOptions } = project.use;
      const context = await browser.newContext({
        baseURL: app.url,
        storageState: signedIn,
        viewport: viewport!,
        locale: locale!,
        ...contextOptions,
      });
      await use(context);
      await context.close();
    },
    { scope: 'worker' },
  ],
  /** Whether a test has a browser of its own, with nobody signed in, rather than the worker's. */
  alone: [false, { option: true }],
  context: async ({ browser, app, shared, alone, viewport, locale, contextOptions }, use) => {
    if (alone) {
      const own = { baseURL: app.url, viewport, locale: locale!, ...contextOptions };
      const context = await browser.newContext(own);
      await use(context);
      await context.close();
      return;
    }
    await use(shared);
    await shared.setOffline(false);
  },
  /** The worker's page: the application stays open in it from one test to the next, as on a phone that nobody switches off. */
  page: async ({ context, alone, viewport, contextOptions }, use, test) => {
    const page = context.pages()[0] ?? (await context.newPage());
    await page.setViewportSize(viewport!);
    await page.emulateMedia({ media: null, colorScheme: null, ...contextOptions });
    await use(page);
    const others = context.pages().filter((one) => one !== page);
    await Promise.all(others.map((other) => other.close()));
    if (alone || page.isClosed()) return;
    page.removeAllListeners();
    await page.unrouteAll({ behavior: 'ignoreErrors' });
    if (test.status !== test.expectedStatus || !(await forgets(page))) return page.close();
    // The next test finds no page of this one standing, wherever it goes.
    await walkTo(page, '/nothing');
    await page.getByText('Nothing is kept under this address').waitFor();
  },
});

/** Forgets what was typed and counted in a page; whether the next test finds it as one in which nobody chose and nothing was told. */
const forgets = (page: Page): Promise<boolean> =>
  page
    .evaluate(() => {
      const choices = ['units', 'single-keys', 'waterline-open'];
      const chose = choices.some((key) => localStorage.getItem(`katharos:${key}`) !== null);
      localStorage.clear();
      // A notice that still stands would be taken for the next test's own.
      const told = document.querySelector('.mantine-Notification-root, [role=alert]') !== null;
      return !chose && !told && !('__pwClock' in globalThis);
    })
    .catch(() => false);

/** Goes to an address as a link of the application does, where the page has it open. */
export async function walkTo(page: Page, address: string): Promise<void> {
  const walks = await page.evaluate((to) => {
    if (!document.querySelector('main')) return false;
    history.pushState({}, '', to);
    return dispatchEvent(new PopStateEvent('popstate', { state: {} }));
  }, address);
  if (!walks) await page.goto(address);
}

export { expect, type Locator, type Page } from '@playwright/test';
