import { type ChildProcess, spawn } from 'node:child_process';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { beginJob, enter, saved, signIn } from '../support/job.ts';

const root = join(import.meta.dirname, '../..');
const port = String(Number(process.env.E2E_PORT ?? '8791') + 1);

/** A server of this test's own, beside the one that the other tests use, on the same database. */
async function startServer(): Promise<ChildProcess> {
  const server = spawn(process.execPath, [join(root, 'server/dist/server.mjs')], {
    env: {
      ...process.env,
      PORT: port,
      WEB_ROOT: join(root, 'web/dist'),
      KATHAROS_DEMO: '1',
      LOG_LEVEL: 'error',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((resolve, reject) => {
    server.stdout.on('data', (text: Buffer) => {
      if (text.toString().includes('ready')) resolve();
    });
    server.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
  });
  return server;
}

const stopServer = (server: ChildProcess): Promise<void> =>
  new Promise((resolve) => {
    server.once('exit', () => resolve());
    server.kill('SIGTERM');
  });

test.use({ baseURL: `http://127.0.0.1:${port}` });

test('work and sign-in survive a restart of the server, and what was typed meanwhile arrives', async ({
  page,
}) => {
  let server = await startServer();
  try {
    await signIn(page);
    await beginJob(page, 'Restart');
    await enter(page, 'Feed TDS', '333');
    await saved(page);
    await stopServer(server);
    await enter(page, 'Daily demand', '14');
    await expect(page.getByText('The server cannot be reached')).toBeVisible();
    server = await startServer();
    await saved(page);
    await page.reload();
    await expect(page.getByLabel('Feed TDS', { exact: true })).toHaveValue('333 mg/L');
    await expect(page.getByLabel('Daily demand')).toHaveValue('14 L/day');
  } finally {
    await stopServer(server);
  }
});
