import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { boardSchema, type Job, jobSchema } from '@katharos/contract';
import { type JobDocument, stampPersons } from '@katharos/job';
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

test('is for nobody who is not signed in', async () => {
  const { default: request } = await import('supertest');
  await request(server.app).get('/api/board').expect(401);
});
