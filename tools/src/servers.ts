import { randomUUID } from 'node:crypto';
import type { ChildProcess } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { parseArgs } from 'node:util';
import pg from 'pg';
import { startBuiltServer } from './builtServer.ts';
import { buildIfChanged } from './installation.ts';
import { scratchFolder, startPostgres } from './postgres.ts';
import { ended, freePort } from './processes.ts';
import { type Client, signedIn } from './servers/client.ts';
import { selfSigned, startPooler, startProxy, startStandby } from './servers/programs.ts';

/** Ends behind the proxy; what it says while the database is away is no news here. */
const behindTls = { BEHIND_TLS: '1', LOG_LEVEL: 'silent' };

const writers = 8;
/** Between two writes of one writer, ms: people think. */
const thinkMs = 40;
/** What was killed stays away so long, ms. */
const downMs = 1500;

interface Job {
  id: string;
  version: number;
  document: { customer: { note: string } };
}

/**
 * `npm run servers`: two servers behind a proxy that ends TLS, through a pooler, on one database that a standby follows. People write
 * through the proxy while the servers are killed in turn without a word, and the database as well. Prints what was acknowledged, lost
 * and doubled, how long a change took to be heard, and whether the standby holds the same.
 * @param given `--writes N` (600), `--kills N` of servers (2), `--crashes N` of the database (0)
 */
export async function run(given: string[]): Promise<void> {
  const { values } = parseArgs({
    args: given,
    options: {
      writes: { type: 'string', default: '600' },
      kills: { type: 'string', default: '2' },
      crashes: { type: 'string', default: '0' },
    },
  });
  const [writes, kills, crashes] = [values.writes, values.kills, values.crashes].map(Number) as [
    number,
    number,
    number,
  ];
  await buildIfChanged();
  const folder = scratchFolder('servers');
  // What is to outlive a crash is written down.
  const postgres = await startPostgres({ folder: join(folder, 'postgres'), lasting: crashes > 0 });
  const stops: (() => Promise<void>)[] = [];
  try {
    const pooler = await startPooler(folder, await freePort(), postgres.url);
    stops.push(pooler.stop);
    const ports = [await freePort(), await freePort()] as const;
    const servers: ChildProcess[] = [];
    const start = async (i: 0 | 1) => {
      servers[i] = await startBuiltServer(pooler.url, ports[i], behindTls);
    };
    // The first makes the sample firm, the second finds it.
    await start(0);
    await start(1);
    stops.push(...servers.map((_, i) => () => killed(servers[i]!, 'SIGTERM')));
    const standby = await startStandby(folder, await freePort(), postgres.url);
    stops.push(standby.stop);
    const tls = selfSigned(folder);
    const front = await freePort();
    const proxy = await startProxy(folder, front, ports, tls);
    stops.push(proxy.stop);

    const client = await signedIn(front, tls.certificate);
    const ear = await signedIn(front, tls.certificate);
    const began = Date.now();
    // Each comes again before the other goes.
    const faults = [
      ...Array.from({ length: kills }, (_, n) => ({
        at: (n + 0.5) / kills,
        strike: async () => {
          const i = (n % 2) as 0 | 1;
          await killed(servers[i]!, 'SIGKILL');
          await pause(downMs);
          await start(i);
        },
      })),
      ...Array.from({ length: crashes }, (_, n) => ({
        at: (n + 0.9) / crashes,
        strike: async () => {
          postgres.crash();
          await pause(downMs);
        },
      })),
    ].sort((a, b) => a.at - b.at);
    const done = await work(client, ear, writes, faults);
    const seconds = (Date.now() - began) / 1000;
    const lost = await lostOf(client, done.acknowledged);
    const doubled = await doubledIn(postgres.url);
    const behind = await standbyDiffers(postgres.url, standby.url);
    process.stdout.write(
      [
        `${done.writes} acknowledged writes by ${writers} people in ${seconds.toFixed(0)} s; servers killed ${kills} times, the database ${crashes} times`,
        `servers: ${lost} lost, ${doubled} doubled, ${done.refused} refused`,
        `the longest that anybody waited for an answer: ${done.longestMs.toFixed(0)} ms`,
        `a change was heard after ${done.heardMs.toFixed(0)} ms by the median, of ${done.heard} of ${done.writes}`,
        behind.length === 0
          ? 'the standby holds the same in every table'
          : `the standby differs in ${behind.join(', ')}`,
      ].join('\n') + '\n',
    );
    // While a line is opened anew nothing is told on it; a page asks for what it shows when it opens one.
    const isHeard = done.heard > done.writes / 2;
    if (lost + doubled + done.refused + behind.length > 0 || !isHeard) process.exitCode = 1;
  } finally {
    for (const stop of stops.reverse()) await stop().catch(() => undefined);
    await postgres.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

async function killed(server: ChildProcess, signal: NodeJS.Signals): Promise<void> {
  server.kill(signal);
  await ended(server);
}

/** What happens when so much of the work is done. */
interface Fault {
  /** Share of the writes. */
  at: number;
  strike: () => Promise<void>;
}

/** People begin jobs and write in them until so many writes were acknowledged; meanwhile one fault after the other strikes. */
async function work(client: Client, ear: Client, most: number, faults: readonly Fault[]) {
  const acknowledged = new Map<string, string>();
  const sentAt = new Map<string, number>();
  const heardAfter: number[] = [];
  let [writes, refused, longestMs] = [0, 0, 0];
  const stop = ear.listen((line) => {
    const { job } = JSON.parse(line) as { job: string | null };
    const at = job === null ? undefined : sentAt.get(job);
    if (job === null || at === undefined) return;
    heardAfter.push(Date.now() - at);
    sentAt.delete(job);
  });
  const insist = async (method: string, path: string, body: object) => {
    const started = Date.now();
    const answer = await client.insist(method, path, body, randomUUID());
    longestMs = Math.max(longestMs, Date.now() - started);
    if (answer.status >= 300) refused += 1;
    return answer;
  };
  const writer = async (who: number): Promise<void> => {
    const begun = await insist('POST', '/jobs', { name: `Written by ${who} ${randomUUID()}` });
    const { id, document, ...first } = begun.body as Job;
    let { version } = first;
    for (let turn = 0; writes < most; turn += 1) {
      document.customer.note = `turn ${turn} of ${who}`;
      sentAt.set(id, Date.now());
      const saved = await insist('PUT', `/jobs/${id}`, { version, document });
      if (saved.status === 200) {
        version = (saved.body as { version: number }).version;
        acknowledged.set(id, document.customer.note);
        writes += 1;
      }
      await pause(thinkMs);
    }
  };
  const striking = async () => {
    for (const { at, strike } of faults) {
      while (writes < at * most) await pause(20);
      await strike();
    }
  };
  await Promise.all([striking(), ...Array.from({ length: writers }, (_, i) => writer(i))]);
  await pause(500);
  stop();
  const sorted = heardAfter.sort((a, b) => a - b);
  const heardMs = sorted[Math.floor(sorted.length / 2)] ?? NaN;
  return { acknowledged, writes, refused, longestMs, heardMs, heard: heardAfter.length };
}

async function lostOf(client: Client, acknowledged: ReadonlyMap<string, string>): Promise<number> {
  let lost = 0;
  for (const [id, note] of acknowledged) {
    const { body } = await client.ask('GET', `/jobs/${id}`);
    if ((body as Job).document.customer.note !== note) lost += 1;
  }
  return lost;
}

/** Jobs that were begun twice for one wish. */
async function doubledIn(url: string): Promise<number> {
  const [row] = await asked<{ count: string }>(
    url,
    `select count(*) - count(distinct name) as count from jobs where name like 'Written by %'`,
  );
  return Number(row!.count);
}

/** A standby that was cut off asks again every five seconds, and then has some to read; longer it is not waited for, ms. */
const followsWithinMs = 60_000;

/** Waits until the standby has read what the database has written by now. */
async function follows(url: string, standby: string): Promise<void> {
  const [written] = await asked<{ at: string }>(url, 'select pg_current_wal_lsn()::text as at');
  const until = Date.now() + followsWithinMs;
  for (let isThere = false; !isThere && Date.now() < until; await pause(100)) {
    const [row] = await asked<{ there: boolean }>(
      standby,
      `select pg_last_wal_replay_lsn() >= '${written!.at}'::pg_lsn as there`,
    );
    isThere = row!.there;
  }
}

/** Tables in which the standby has other rows, once it has followed. */
async function standbyDiffers(url: string, standby: string): Promise<string[]> {
  await follows(url, standby);
  const tables = await asked<{ name: string }>(
    url,
    "select tablename as name from pg_tables where schemaname = 'public' order by 1",
  );
  const differs: string[] = [];
  for (const { name } of tables) {
    const hash = `select md5(coalesce(string_agg(t::text, ' ' order by t::text), '')) as hash from "${name}" t`;
    const [[here], [there]] = await Promise.all([
      asked<{ hash: string }>(url, hash),
      asked<{ hash: string }>(standby, hash),
    ]);
    if (here!.hash !== there!.hash) differs.push(name);
  }
  return differs;
}

async function asked<T extends pg.QueryResultRow>(url: string, sql: string): Promise<T[]> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return (await client.query<T>(sql)).rows;
  } finally {
    await client.end();
  }
}
