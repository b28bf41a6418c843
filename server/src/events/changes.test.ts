import { type AddressInfo, createServer } from 'node:net';
import { setTimeout as pause } from 'node:timers/promises';
import { expect, test } from '@jest/globals';
import pg from 'pg';
import { pino } from 'pino';
import { type Change, hearChanges } from './changes.ts';

const quiet = pino({ level: 'silent' });

test('a database that is down is asked again at a steady pace, however long it is down', async () => {
  let asked = 0;
  // Whoever comes is sent away at once.
  const down = createServer((socket) => {
    asked += 1;
    socket.destroy();
  });
  await new Promise<void>((resolve) => down.listen(0, '127.0.0.1', resolve));
  const { port } = down.address() as AddressInfo;
  const changes = hearChanges(`postgresql://x:x@127.0.0.1:${port}/x`, quiet, 25);
  await pause(1000);
  await changes.close();
  down.close();
  expect(asked).toBeGreaterThan(5);
  expect(asked).toBeLessThanOrEqual(41);
});

test('a listening connection that is cut is made again, once, and hears what comes then', async () => {
  const url = process.env.DATABASE_URL!;
  const admin = new pg.Client({ connectionString: url });
  await admin.connect();
  const listening = async () => {
    const { rows } = await admin.query<{ pid: number }>(
      "select pid from pg_stat_activity where application_name = 'katharos-listen' and datname = current_database() and state = 'idle'",
    );
    return rows.map(({ pid }) => pid);
  };
  const began = Date.now();
  const changes = hearChanges(url, quiet, 25);
  const heard: Change[] = [];
  changes.listen((change) => heard.push(change));
  const until = async (isSo: () => Promise<boolean>) => {
    for (let tries = 0; tries < 200 && !(await isSo()); tries += 1) await pause(25);
  };
  await until(async () => (await listening()).length === 1);
  const [first] = await listening();
  await admin.query('select pg_terminate_backend($1)', [first]);
  await until(async () => {
    const now = await listening();
    return now.length === 1 && now[0] !== first;
  });
  await pause(200);
  expect(await listening()).toHaveLength(1);
  const change = { firm: 'f', of: 'job', job: 'j' };
  const asked = Date.now();
  await admin.query('select pg_notify($1, $2)', ['katharos_changes', JSON.stringify(change)]);
  await until(() => Promise.resolve(heard.length > 0));
  expect(heard).toEqual([change]);
  // Who asks later is told of it; what was before the line was lost nobody knows.
  expect(changes.since(asked)).toEqual([change]);
  expect(changes.since(Date.now() + 1)).toEqual([]);
  expect(changes.since(began)).toBeUndefined();
  expect(changes.since(Number.NaN)).toBeUndefined();
  await changes.close();
  await admin.end();
});
