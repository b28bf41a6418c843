import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { setTimeout as pause } from 'node:timers/promises';
import { boardSchema, type Job, jobSchema } from '@katharos/contract';
import { type JobDocument, stampPersons } from '@katharos/job';
import type { Change } from '../events/changes.ts';
import { demoJobs } from '../seed/demoJobs.ts';
import { emptyDocument, startTestApp, type TestApp } from '../test/testApp.ts';

let server: TestApp;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;
let stranger: Awaited<ReturnType<TestApp['signedIn']>>;

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('beck');
  stranger = await server.signedIn('scar');
});
afterAll(() => server.close());

/** A sample job's document, which stands at that stage. */
const sampled = (name: string): JobDocument =>
  demoJobs(new Date()).find(({ document }) => document.customer.name.startsWith(name))!.document;

async function added(document: JobDocument): Promise<Job> {
  const { name } = document.customer;
  const job = jobSchema.parse((await agent.post('/api/jobs').send({ name }).expect(201)).body);
  const saved = await agent.put(`/api/jobs/${job.id}`).send({ version: job.version, document });
  expect(saved.status).toBe(200);
  return job;
}

const board = async (of = agent) => boardSchema.parse((await of.get('/api/board')).body).jobs;

test('holds what is flushed with its plan and telephone, from the plumbing to the verification, and nobody else’s', async () => {
  const flushing = sampled('Per');
  flushing.customer.phone = '0123 456';
  flushing.flush.lead = { device: 'd', by: 'Alder Rowe', at: new Date().toISOString() };
  const job = await added(flushing);
  await added(sampled('Tamsin'));
  await added(sampled('Dunstan'));
  const rows = await board();
  expect(rows.map(({ id }) => id)).toEqual([job.id]);
  expect(rows[0]).toMatchObject({ stage: 'flush', phone: '0123 456', who: 'Owner of beck' });
  expect(rows[0]!.plan).toEqual(flushing.flush.plan);
  const mine = stampPersons(flushing, emptyDocument(), 'Owner of beck');
  expect(rows[0]!.steps).toEqual(mine.flush.steps);
  expect(await board(stranger)).toEqual([]);
  await agent.patch(`/api/jobs/${job.id}`).send({ shelf: 'archived' }).expect(204);
  expect(await board()).toEqual([]);
});

test('is told of a job that comes to it, is on it and leaves it, and of no other', async () => {
  const heard: Change[] = [];
  const stop = server.changes.listen((change) => heard.push(change));
  let job: Job | undefined;
  /** Does something to the job and says whether the board was told of it. */
  const isToldOf = async (doing: () => Promise<void>): Promise<boolean | undefined> => {
    heard.length = 0;
    await doing();
    for (;;) {
      const told = heard.find((one) => one.of === 'job' && one.job === job?.id);
      if (told) return told.board;
      await pause(5);
    }
  };
  const [surveyed, flushing] = [sampled('Tamsin'), sampled('Per')];
  const save = async (document: JobDocument) => {
    const { id, version } = job!;
    const saved = await agent.put(`/api/jobs/${id}`).send({ version, document }).expect(200);
    job = { ...job!, version: (saved.body as Job).version };
  };
  const post = async () => {
    job = jobSchema.parse((await agent.post('/api/jobs').send({ name: 'Odo Marsh' })).body);
  };
  const remarked = (on: JobDocument, remark: string) => ({ ...on, keep: { ...on.keep, remark } });
  expect(await isToldOf(post)).toBe(false);
  expect(await isToldOf(() => save(surveyed))).toBe(false);
  expect(await isToldOf(() => save(flushing))).toBe(true);
  expect(await isToldOf(() => save(remarked(flushing, 'x')))).toBe(true);
  expect(await isToldOf(() => save(surveyed))).toBe(true);
  expect(await isToldOf(() => save(remarked(surveyed, 'y')))).toBe(false);
  stop();
});

test('is for nobody who is not signed in', async () => {
  const { default: request } = await import('supertest');
  await request(server.app).get('/api/board').expect(401);
});
