import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { spawn } from 'node:child_process';
import { expect, test } from '@jest/globals';
import pg from 'pg';
import { scratchFolder, startPostgres } from './postgres.ts';
import { supervise } from './processes.ts';

/** What a query answers, as soon as anything does. */
async function asked(url: string, sql: string): Promise<unknown[]> {
  for (let tries = 0; tries < 200; tries += 1) {
    const client = new pg.Client({ connectionString: url });
    client.on('error', () => undefined);
    try {
      await client.connect();
      return (await client.query(sql)).rows as unknown[];
    } catch {
      await pause(50);
    } finally {
      await client.end().catch(() => undefined);
    }
  }
  throw new Error('the database did not come back');
}

test('a database that is killed is started again at the same address, with what it held', async () => {
  const folder = scratchFolder('supervised');
  const postgres = await startPostgres({ folder, lasting: true });
  const pid = () =>
    Number(readFileSync(join(folder, 'data/postmaster.pid'), 'utf8').split('\n')[0]);
  try {
    await asked(postgres.url, 'create table kept as select 17 as one');
    for (let kill = 0; kill < 2; kill += 1) {
      const killed = pid();
      process.kill(killed, 'SIGKILL');
      expect(await asked(postgres.url, 'select one from kept')).toEqual([{ one: 17 }]);
      expect(pid()).not.toBe(killed);
    }
  } finally {
    await postgres.stop();
    rmSync(folder, { recursive: true, force: true });
  }
  expect(() => process.kill(pid(), 0)).toThrow();
});

test('what fails at its very first start is not tried again', async () => {
  let starts = 0;
  const { gaveUp } = supervise(() => {
    starts += 1;
    return spawn(process.execPath, ['-e', 'process.exit(3)']);
  }, 1);
  expect(await gaveUp).toBe(3);
  expect(starts).toBe(1);
});
