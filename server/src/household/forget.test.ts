import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { auditReportSchema, type Job, jobSchema } from '@katharos/contract';
import sharp from 'sharp';
import { demoJobs } from '../seed/demoJobs.ts';
import { errorOf, startTestApp, type TestApp } from '../test/testApp.ts';

let server: TestApp;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('weir');
});
afterAll(() => server.close());

/** A household of which much is known, under a name that nothing else holds. */
async function known(name: string): Promise<Job> {
  const { document } = demoJobs(new Date('2026-03-01T09:00:00Z')).find(
    (one) => one.document.service && one.document.keep.issued,
  )!;
  const job = jobSchema.parse(
    (await agent.post('/api/jobs').set('Idempotency-Key', `begin-${name}`).send({ name })).body,
  );
  document.customer = {
    name,
    address: `${name} Lane 4`,
    phone: `0555 ${name}`,
    email: `${name}@home.example`,
    note: `Ask for ${name}`,
  };
  document.keep.remark = `${name} was there`;
  await agent.put(`/api/jobs/${job.id}`).send({ version: 1, document }).expect(200);
  await agent.post(`/api/jobs/${job.id}/household`).expect(201);
  const picture = await sharp(Buffer.alloc(300, 9), { raw: { width: 10, height: 10, channels: 3 } })
    .jpeg()
    .toBuffer();
  await agent
    .post(`/api/jobs/${job.id}/photographs?about=other&caption=${name}`)
    .set('Content-Type', 'image/jpeg')
    .send(picture)
    .expect(201);
  // What is due is reckoned when the diary is first opened.
  await agent.get('/api/diary?today=2029-03-01&days=3000').expect(200);
  const letters = await agent
    .post('/api/diary/letters')
    .send({ jobIds: [job.id], today: '2029-03-01' });
  expect(letters.body).toMatchObject({ written: 1 });
  return job;
}

/** Files of the outbox in which a word stands. */
const filesWith = (word: string): string[] =>
  readdirSync(server.outbox).filter((name) =>
    readFileSync(join(server.outbox, name), 'utf8').toLowerCase().includes(word),
  );

/** Every table in which a word stands anywhere. */
async function tablesWith(word: string): Promise<string[]> {
  const [tables] = (await server.sequelize.query(
    "select tablename as name from pg_tables where schemaname = 'public' order by 1",
  )) as [{ name: string }[], unknown];
  const found: string[] = [];
  for (const { name } of tables) {
    const [rows] = await server.sequelize.query(
      `select count(*)::int as count from "${name}" t where t::text ilike '%${word}%'`,
    );
    if ((rows as { count: number }[])[0]!.count > 0) found.push(name);
  }
  return found;
}

test('nothing of a household is found in any table after it was removed with its papers', async () => {
  const job = await known('Zephyrine');
  const issued = await agent.post(`/api/jobs/${job.id}/papers`).send({
    kind: 'proposal',
    units: 'metric',
    timeZone: 'UTC',
    at: '2026-03-01T10:00:00Z',
    reason: '',
  });
  expect(issued.status).toBe(201);
  expect((await tablesWith('zephyrine')).length).toBeGreaterThan(4);
  for (let tries = 0; tries < 60 && filesWith('zephyrine').length === 0; tries += 1)
    await new Promise((resolve) => setTimeout(resolve, 50));
  expect(filesWith('zephyrine')).toHaveLength(1);
  await agent.post(`/api/jobs/${job.id}/person/forget`).send({ papers: 'removed' }).expect(204);
  expect(await tablesWith('zephyrine')).toEqual([]);
  expect(filesWith('zephyrine')).toEqual([]);
  expect(errorOf(await agent.get(`/api/jobs/${job.id}`)).code).toBe('not-found');
  const report = auditReportSchema.parse((await agent.get('/api/audit/check')).body);
  expect(report.faults).toEqual([]);
  expect(report.emptied).toBeGreaterThan(3);
});

test('where papers are kept, they alone hold the name, and the system stays with its readings', async () => {
  const job = await known('Quorrible');
  await agent
    .post(`/api/jobs/${job.id}/papers`)
    .send({
      kind: 'proposal',
      units: 'metric',
      timeZone: 'UTC',
      at: '2026-03-01T10:00:00Z',
      reason: '',
    })
    .expect(201);
  await agent.post(`/api/jobs/${job.id}/person/forget`).send({ papers: 'kept' }).expect(204);
  expect(await tablesWith('quorrible')).toEqual(['papers']);
  const { document } = jobSchema.parse((await agent.get(`/api/jobs/${job.id}`)).body);
  expect(document.customer.name).toBe('Removed at their request');
  expect(Object.keys(document.survey.readings).length).toBeGreaterThan(2);
  expect(document.system).not.toBeNull();
});
