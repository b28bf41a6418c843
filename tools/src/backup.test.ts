import { randomBytes } from 'node:crypto';
import { appendFileSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import pg from 'pg';
import { backUp, bringBack, tablesOf } from './backup.ts';

/** A drill on the database server that `npm test` started: written while it is backed up, brought back elsewhere, compared. */

const made: string[] = [];
let admin: pg.Client;
let folder: string;

async function emptyDatabase(): Promise<string> {
  const name = `drill_${randomBytes(6).toString('hex')}`;
  await admin.query(`create database ${name}`);
  made.push(name);
  const url = new URL(process.env.DATABASE_URL!);
  url.pathname = `/${name}`;
  return url.href;
}

async function open(url: string): Promise<pg.Client> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  return client;
}

beforeAll(async () => {
  if (!process.env.DATABASE_URL) throw new Error('The drill needs a database: run it by npm test.');
  admin = await open(process.env.DATABASE_URL);
  folder = mkdtempSync(join(tmpdir(), 'katharos-drill-'));
});
afterAll(async () => {
  for (const name of made) await admin.query(`drop database ${name} with (force)`);
  await admin.end();
  rmSync(folder, { recursive: true, force: true });
});

/** Some tables that refer to each other, with all sorts of values. */
async function filled(): Promise<{ url: string; client: pg.Client }> {
  const url = await emptyDatabase();
  const client = await open(url);
  await client.query(`
    create table firms (id int primary key, settings jsonb, at timestamptz default now());
    create table jobs (firm_id int references firms, id int, name text, bytes bytea, price float8, primary key (firm_id, id));
    insert into firms values (1, '{"units":"metric"}'), (2, null);
    insert into jobs select 1 + n % 2, n, 'Åse ' || chr(10) || n, decode(md5(n::text), 'hex'), n / 3.0 from generate_series(1, 5000) n`);
  return { url, client };
}

test.each([undefined, 'a long passphrase of the office'])(
  'what is backed up while it is written to comes back whole, as one moment showed it (%s)',
  async (passphrase) => {
    const { url, client } = await filled();
    let writing = true;
    let written = 0;
    const writer = (async () => {
      const other = await open(url);
      for (let id = 10_000; writing; id += 1, written += 1) {
        await other.query('insert into jobs values (1, $1, $2)', [id, 'while']);
        await other.query('update firms set settings = $1', [{ id }]);
      }
      await other.end();
    })();
    while (written < 20) await new Promise((resolve) => setTimeout(resolve, 5));
    const file = join(folder, `${randomBytes(4).toString('hex')}.dump`);
    const manifest = await backUp(url, file, passphrase);
    writing = false;
    await writer;
    await client.end();
    expect(manifest.tables.jobs!.rows).toBeGreaterThanOrEqual(5020);
    const elsewhere = await emptyDatabase();
    await bringBack(elsewhere, file, passphrase);
    const back = await open(elsewhere);
    expect(await tablesOf(back)).toEqual(manifest.tables);
    // One moment: what was written between two tables does not differ.
    const { rows } = await back.query<{ last: number; said: number }>(
      `select (select max(id) from jobs) as last, (select (settings->>'id')::int from firms where id = 1) as said`,
    );
    expect([0, 1]).toContain(rows[0]!.last - rows[0]!.said);
    await back.end();
    if (passphrase) {
      expect(readFileSync(file).includes('PGDMP')).toBe(false);
      await expect(bringBack(await emptyDatabase(), file, 'another')).rejects.toThrow(
        'passphrase is another',
      );
      await expect(bringBack(await emptyDatabase(), file, undefined)).rejects.toThrow('encrypted');
    }
  },
  60_000,
);

test('a spoilt file, a full database and a changed table are told', async () => {
  const { url, client } = await filled();
  const file = join(folder, 'spoilt.dump');
  await backUp(url, file, undefined);
  await expect(bringBack(url, file, undefined)).rejects.toThrow('not empty');
  const said = JSON.parse(readFileSync(`${file}.json`, 'utf8')) as {
    tables: Record<string, { rows: number }>;
  };
  said.tables.jobs!.rows += 1;
  writeFileSync(`${file}.json`, JSON.stringify(said));
  await expect(bringBack(await emptyDatabase(), file, undefined)).rejects.toThrow(
    'Not as it was: jobs',
  );
  appendFileSync(file, 'x');
  await expect(bringBack(await emptyDatabase(), file, undefined)).rejects.toThrow(
    'hash is another',
  );
  await client.end();
});

test('two rows that were exchanged are not taken for the same', async () => {
  const { client } = await filled();
  const before = await tablesOf(client);
  await client.query("update jobs set name = 'other' where id = 17");
  const after = await tablesOf(client);
  expect(after.jobs!.rows).toBe(before.jobs!.rows);
  expect(after.jobs!.hash).not.toBe(before.jobs!.hash);
  expect(after.firms).toEqual(before.firms);
  await client.end();
});
