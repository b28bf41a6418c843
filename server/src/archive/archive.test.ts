import { randomBytes } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PassThrough } from 'node:stream';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import pg from 'pg';
import sharp from 'sharp';
import { demoJobs } from '../seed/demoJobs.ts';
import { startTestApp, type TestApp } from '../test/testApp.ts';
import { firmTables, stateOf } from './firmTables.ts';
import { writeArchive } from './writeArchive.ts';
import { takeInArchive } from './index.ts';

let server: TestApp;
let folder: string;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'katharos-archive-'));
  server = await startTestApp();
  agent = await server.signedIn('weir');
  const stranger = await server.signedIn('tarn');
  await stranger.post('/api/jobs').send({ name: 'Of another firm' }).expect(201);
  for (const { document } of demoJobs(new Date('2026-03-01T09:00:00Z')).slice(0, 6)) {
    const { id } = (await agent.post('/api/jobs').send({ name: 'x' })).body as { id: string };
    await agent.put(`/api/jobs/${id}`).send({ version: 1, document }).expect(200);
    const { data } = { data: Buffer.alloc(60 * 40 * 3, 90) };
    const picture = await sharp(data, { raw: { width: 60, height: 40, channels: 3 } })
      .jpeg()
      .toBuffer();
    await agent
      .post(`/api/jobs/${id}/photographs?about=other`)
      .set('Content-Type', 'image/jpeg')
      .send(picture)
      .expect(201);
  }
  await agent.get('/api/diary?today=2026-03-01').expect(200);
});
afterAll(async () => {
  await server.close();
  rmSync(folder, { recursive: true, force: true });
});

async function elsewhere<T>(work: (url: string) => Promise<T>): Promise<T> {
  const admin = new pg.Client({ connectionString: process.env.DATABASE_URL! });
  await admin.connect();
  const name = `archive_${randomBytes(6).toString('hex')}`;
  await admin.query(`create database ${name}`);
  const url = new URL(process.env.DATABASE_URL!);
  url.pathname = `/${name}`;
  try {
    return await work(url.href);
  } finally {
    await admin.query(`drop database ${name} with (force)`);
    await admin.end();
  }
}

async function saved(): Promise<string> {
  const answer = await agent
    .get('/api/firm/archive.zip')
    .buffer()
    .parse((given, done) => {
      const chunks: Buffer[] = [];
      given.on('data', (chunk: Buffer) => chunks.push(chunk));
      given.on('end', () => done(null, Buffer.concat(chunks)));
    });
  const file = join(folder, `${randomBytes(4).toString('hex')}.zip`);
  writeFileSync(file, answer.body as Buffer);
  return file;
}

const isOfFirm = async (url: string, sql: string) => {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const { rows } = await client.query<{ count: string }>(sql);
  await client.end();
  return Number(rows[0]!.count);
};

test('whoever stops taking it ends it: nothing goes on for them, and nothing is held for them', async () => {
  const cut = new PassThrough();
  cut.once('data', () => cut.destroy());
  const { firm } = (await agent.get('/api/session')).body as { firm: { id: string } };
  await expect(writeArchive(server.sequelize, firm.id, new Date(), cut)).rejects.toThrow();
  const [open] = await server.sequelize.query(
    "select from pg_stat_activity where datname = current_database() and state = 'idle in transaction'",
  );
  expect(open).toEqual([]);
  // The next one gets it whole.
  expect(await saved()).toBeTruthy();
});

test('a whole firm goes out and comes into an empty installation identical, and nothing of another with it', async () => {
  const file = await saved();
  const { firm } = (await agent.get('/api/session')).body as { firm: { id: string } };
  const here = await server.sequelize.transaction(async (transaction) => {
    const state: Record<string, unknown> = {};
    for (const table of await firmTables(server.sequelize, transaction))
      state[table.name] = await stateOf(server.sequelize, table, firm.id, transaction);
    return state as Record<string, { rows: number }>;
  });
  expect(here.photographs!.rows).toBe(6);
  expect(here.audit!.rows).toBeGreaterThan(12);
  await elsewhere(async (url) => {
    // Each table is held to its hash on the way in.
    const count = await takeInArchive(url, file);
    expect(count).toBe(Object.values(here).reduce((sum, { rows }) => sum + rows, 0));
    expect(await isOfFirm(url, 'select count(*) from firms')).toBe(1);
    expect(await isOfFirm(url, "select count(*) from jobs where name = 'Of another firm'")).toBe(0);
    expect(await isOfFirm(url, 'select count(*) from sessions')).toBe(0);
    // What the database makes of a column is made again.
    expect(
      await isOfFirm(url, 'select count(*) from jobs where found_lower = lower(found_by)'),
    ).toBe(here.jobs!.rows);
    await expect(takeInArchive(url, file)).rejects.toThrow('has a firm already');
  });
});

test('what is no archive is refused, and leaves the installation empty', async () => {
  const file = join(folder, 'none.zip');
  writeFileSync(file, 'nothing of the kind');
  await elsewhere(async (url) => {
    await expect(takeInArchive(url, file)).rejects.toThrow('no archive');
    expect(await isOfFirm(url, 'select count(*) from firms')).toBe(0);
  });
});
