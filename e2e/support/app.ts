import { type ChildProcess, spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import { demoSignIn } from '@katharos/server/demo';
import { type BrowserContextOptions, request, test as base } from '@playwright/test';
import pg from 'pg';

const root = join(import.meta.dirname, '../..');

/** A server with the sample firm on a database of its own. */
export interface App {
  url: string;
  databaseUrl: string;
  stop: () => Promise<void>;
}

type State = Exclude<BrowserContextOptions['storageState'], string | undefined>;

/** A new database on the server that `npm test` started. */
async function newDatabase(): Promise<string> {
  const { DATABASE_URL } = process.env;
  if (!DATABASE_URL) throw new Error('Browser tests need a database server: run them by npm test.');
  const name = `e2e_${randomBytes(6).toString('hex')}`;
  const admin = new pg.Client({ connectionString: DATABASE_URL });
  await admin.connect();
  await admin.query(`create database ${name}`);
  await admin.end();
  const url = new URL(DATABASE_URL);
  url.pathname = `/${name}`;
  return url.href;
}

/** Starts the built application and waits for the address that it prints. @param port 0 for one that nobody uses */
export async function startApp(databaseUrl?: string, port = '0'): Promise<App> {
  const database = databaseUrl ?? (await newDatabase());
  const server = spawn(process.execPath, [join(root, 'server/dist/server.mjs')], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: database,
      PORT: port,
      WEB_ROOT: join(root, 'web/dist'),
      KATHAROS_DEMO: '1',
      LOG_LEVEL: 'error',
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
  return { url, databaseUrl: database, stop: () => stopped(server) };
}

const stopped = (server: ChildProcess): Promise<void> =>
  new Promise((resolve) => {
    if (server.exitCode !== null) resolve();
    server.once('exit', () => resolve());
    server.kill('SIGTERM');
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

/** Nobody is signed in. */
export const signedOut: State = { cookies: [], origins: [] };

/**
 * Every browser worker has a server, a database and so a firm of its own, signed in once: what one test does nobody else sees. Whoever
 * tests the signing in itself starts with `signedOut`.
 */
export const test = base.extend<object, { app: App; signedIn: State }>({
  app: [
    async ({}, use) => {
      const app = await startApp();
      await use(app);
      await app.stop();
    },
    { scope: 'worker' },
  ],
  signedIn: [async ({ app }, use) => use(await signedInState(app.url)), { scope: 'worker' }],
  baseURL: async ({ app }, use) => use(app.url),
  storageState: async ({ signedIn }, use) => use(signedIn),
});

export { expect, type Locator, type Page } from '@playwright/test';
