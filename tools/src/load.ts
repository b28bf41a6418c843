import type { ChildProcess } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { demoSignIn } from '@katharos/server/demo';
import pg from 'pg';
import { startBuiltServer } from './builtServer.ts';
import { buildIfChanged } from './installation.ts';
import { scratchFolder, startPostgres } from './postgres.ts';
import { ended, freePort } from './processes.ts';

/** People at once, the time that each needs between two looks, and how long they work. */
const people = 50;
const thinkMs = 1000;
const seconds = Number(process.env.LOAD_SECONDS ?? 60);
/** Of them, so many do nothing but print sheets. */
const printers = 2;

interface Sample {
  kind: 'read' | 'write' | 'sheet';
  name: string;
  ms: number;
  ok: boolean;
}

interface Job {
  id: string;
  version: number;
  document: { survey: { readings: Record<string, unknown> } };
}

/**
 * `npm run load`: fifty people on ten thousand systems and a million readings, two of them printing. Prints how long they waited, what it
 * cost in processor time, and how that stands to bare indexed queries on the same database in the same run: machines differ, and so does
 * one machine from hour to hour.
 */
export async function run(): Promise<void> {
  await buildIfChanged();
  const scratch = scratchFolder('load');
  const postgres = await startPostgres({ folder: join(scratch, 'postgres'), lasting: true });
  const port = await freePort();
  const base = `http://127.0.0.1:${port}`;
  process.stdout.write('Making ten thousand systems and a million readings ...\n');
  const server = await startBuiltServer(postgres.url, port, { KATHAROS_DEMO: 'large' });
  try {
    await settle(postgres.url);
    await measure(base, server, postgres.url);
  } finally {
    server.kill('SIGTERM');
    await ended(server);
    await postgres.stop();
    rmSync(scratch, { recursive: true, force: true });
  }
}

/** A million rows that were written a moment ago are still being put away: nobody begins a day's work then. */
async function settle(url: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query('vacuum analyze');
  await client.query('checkpoint');
  await client.end();
}

/** Processor time of a process with its threads, s. */
const cpuSeconds = (pid: number): number => {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ');
  return (Number(fields[11]) + Number(fields[12])) / 100;
};

async function measure(base: string, server: ChildProcess, databaseUrl: string): Promise<void> {
  const owner = await signIn(base);
  const samples: Sample[] = [];
  const cookies = await accounts(base, owner);
  const asks = cookies.map((cookie) => asker(base, cookie, samples));
  const jobs = await allIds(databaseUrl);
  const until = Date.now() + seconds * 1000;
  const acknowledged = new Map<string, number>();
  const cpu = cpuSeconds(server.pid!);
  process.stdout.write(`${people} people work for ${seconds} s, ${printers} of them print ...\n`);
  await Promise.all([
    ...Array.from({ length: people - printers }, (_, i) =>
      work(asks[i]!, jobs, i, until, acknowledged),
    ),
    ...Array.from({ length: printers }, (_, i) => print(asks[people - 1 - i]!, jobs, i, until)),
  ]);
  const spent = cpuSeconds(server.pid!) - cpu;
  const bare = await bareQueries(databaseUrl, jobs);
  const lost = await lostOf(base, owner, acknowledged);
  report(samples, spent, bare, lost, acknowledged.size);
}

async function signIn(base: string): Promise<string> {
  const answer = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(demoSignIn),
  });
  return cookieOf(answer);
}

const cookieOf = (answer: Response): string => answer.headers.get('set-cookie')!.split(';')[0]!;

/** An account for each, who joins by a link as people do. */
async function accounts(base: string, owner: string): Promise<string[]> {
  const post = (path: string, body: object, cookie?: string) =>
    fetch(`${base}/api${path}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', ...(cookie && { cookie }) },
      body: JSON.stringify(body),
    });
  const cookies: string[] = [];
  for (let i = 0; i < people; i += 1) {
    const name = `Person ${i}`;
    const invited = await post('/people/invitations', { name, role: 'installer' }, owner);
    const { path } = (await invited.json()) as { path: string };
    const email = `person-${i}@brackenfold.example`;
    const joined = await post(path, { name, email, password: `otter kettle ${i} upstream` });
    cookies.push(cookieOf(joined));
  }
  return cookies;
}

type Ask = (
  kind: Sample['kind'],
  name: string,
  path: string,
  init?: { method: string; body: unknown },
) => Promise<{ status: number; body: unknown }>;

const asker =
  (base: string, cookie: string, samples: Sample[]): Ask =>
  async (kind, name, path, init) => {
    const started = performance.now();
    const answer = await fetch(`${base}/api${path}`, {
      method: init?.method ?? 'GET',
      headers: { cookie, ...(init && { 'Content-Type': 'application/json' }) },
      ...(init && { body: JSON.stringify(init.body) }),
    });
    const content = Buffer.from(await answer.arrayBuffer());
    samples.push({ kind, name, ms: performance.now() - started, ok: answer.status < 400 });
    const isJson = answer.headers.get('content-type')?.includes('json');
    const body = isJson && content.length > 0 ? (JSON.parse(content.toString()) as unknown) : null;
    return { status: answer.status, body };
  };

async function allIds(url: string): Promise<string[]> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const { rows } = await client.query<{ id: string }>(
    'select id from jobs where finished order by number',
  );
  await client.end();
  return rows.map(({ id }) => id);
}

const words = ['ada', 'coombe', 'weir lane', 'reed 75', 'char block', 'imre', 'heron rise', 'tds'];

/** A person: looks through the list, finds somebody, opens the job, writes a reading, looks at the board, and thinks in between. */
async function work(
  ask: Ask,
  jobs: readonly string[],
  person: number,
  until: number,
  acknowledged: Map<string, number>,
): Promise<void> {
  // Not in step, as nobody is: each begins anywhere in the round, and thinks now longer, now shorter.
  await pause(Math.random() * 5 * thinkMs);
  for (let turn = 0; Date.now() < until; turn += 1) {
    const id = jobs[(person * 197 + turn * 31) % jobs.length]!;
    await ask('read', 'list', '/jobs');
    await pause(thinking());
    const word = words[(person + turn) % words.length]!;
    await ask('read', 'search', `/jobs?search=${encodeURIComponent(word)}`);
    await pause(thinking());
    const { body } = await ask('read', 'job', `/jobs/${id}`);
    const job = body as Job;
    await pause(thinking());
    const value = 300 + ((person * 7 + turn) % 200);
    job.document.survey.readings.feedTds = { value, unit: 'mg/L', takenAt: null, by: null };
    const sent = { version: job.version, document: job.document };
    const { status } = await ask('write', 'save', `/jobs/${id}`, { method: 'PUT', body: sent });
    if (status === 200) acknowledged.set(id, value);
    await pause(thinking());
    await ask('read', 'board', '/board');
    await pause(thinking());
  }
}

async function print(ask: Ask, jobs: readonly string[], printer: number, until: number) {
  for (let turn = 0; Date.now() < until; turn += 1) {
    await ask('sheet', 'sheet', `/jobs/${jobs[printer * 5000 + turn]!}/sheet.pdf`);
  }
}

const thinking = () => thinkMs * (0.5 + Math.random());

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** The same rows by the same index without a server between, one at a time, ms. */
async function bareQueries(url: string, jobs: readonly string[]): Promise<number[]> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const times: number[] = [];
  for (let i = 0; i < 300; i += 1) {
    const started = performance.now();
    await client.query('select * from jobs where id = $1', [jobs[(i * 37) % jobs.length]]);
    times.push(performance.now() - started);
  }
  await client.end();
  return times;
}

async function lostOf(
  base: string,
  cookie: string,
  acknowledged: ReadonlyMap<string, number>,
): Promise<number> {
  let lost = 0;
  for (const [id, value] of acknowledged) {
    const answer = await fetch(`${base}/api/jobs/${id}`, { headers: { cookie } });
    const { document } = (await answer.json()) as Job;
    if ((document.survey.readings.feedTds as { value: number }).value !== value) lost += 1;
  }
  return lost;
}

const share = (sorted: readonly number[], part: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(part * sorted.length))] ?? NaN;

function report(
  samples: readonly Sample[],
  spent: number,
  bare: number[],
  lost: number,
  written: number,
): void {
  const line = (title: string, times: number[]) => {
    const sorted = times.sort((a, b) => a - b);
    const figures = [0.5, 0.95, 0.99].map((part) => share(sorted, part).toFixed(0).padStart(7));
    process.stdout.write(
      `${title.padEnd(22)}${String(sorted.length).padStart(7)}${figures.join('')}\n`,
    );
  };
  const of = (wanted: (sample: Sample) => boolean) => samples.filter(wanted).map(({ ms }) => ms);
  process.stdout.write(`${' '.repeat(22)}  count    p50    p95    p99   ms\n`);
  line(
    'reads',
    of(({ kind }) => kind === 'read'),
  );
  for (const name of ['list', 'search', 'job', 'board'])
    line(
      `  ${name}`,
      of((one) => one.name === name),
    );
  line(
    'writes',
    of(({ kind }) => kind === 'write'),
  );
  line(
    'sheets',
    of(({ kind }) => kind === 'sheet'),
  );
  line('bare query, one by one', bare);
  const failed = samples.filter(({ ok }) => !ok).length;
  const reads = of(({ kind }) => kind === 'read').sort((a, b) => a - b);
  const ratio =
    share(reads, 0.5) /
    share(
      [...bare].sort((a, b) => a - b),
      0.5,
    );
  process.stdout.write(
    [
      `${((1000 * spent) / samples.length).toFixed(1)} ms of processor a request, sheets and their threads included`,
      `a read takes ${ratio.toFixed(1)} times a bare query of a job, by the medians`,
      `${failed} of ${samples.length} requests failed; ${lost} of ${written} acknowledged writes lost`,
    ].join('\n') + '\n',
  );
}
