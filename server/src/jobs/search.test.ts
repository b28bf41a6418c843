import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { jobListSchema } from '@katharos/contract';
import { demoJobs } from '../seed/demoJobs.ts';
import { startTestApp, type TestApp } from '../test/testApp.ts';

let server: TestApp;
type Agent = Awaited<ReturnType<TestApp['signedIn']>>;
let agent: Agent;
let stranger: Agent;

beforeAll(async () => {
  server = await startTestApp();
  [agent, stranger] = [await server.signedIn('lode'), await server.signedIn('dyke')];
  for (const { document } of demoJobs(new Date('2026-03-01T09:00:00Z'))) {
    const { id } = (await agent.post('/api/jobs').send({ name: 'x' })).body as { id: string };
    await agent.put(`/api/jobs/${id}`).send({ version: 1, document }).expect(200);
  }
  // What is read at installed systems becomes rows as the diary is read.
  await agent.get('/api/diary?today=2026-03-01').expect(200);
});
afterAll(() => server.close());

const found = async (search: string, who = agent) =>
  jobListSchema.parse((await who.get('/api/jobs').query({ search, limit: 200 })).body).jobs;

test('finds by words of name and street in any order, and shows nothing that is seen already', async () => {
  const { name, address } = (await found('dunstan'))[0]!;
  const street = address.split(/[\s,]+/).find((word) => word.length > 4)!;
  const jobs = await found(`${street.toUpperCase()} dunst`);
  expect(jobs.map((job) => job.name)).toEqual([name]);
  expect(jobs[0]!.hit).toBeNull();
});

test('finds by what is fitted, by a reading of the survey, and says which line it was', async () => {
  const reeds = await found('reed 75');
  expect(reeds.length).toBeGreaterThan(0);
  for (const { hit } of reeds) expect(hit).toMatchObject({ kind: 'line' });
  const withPart = await found('reed');
  expect(withPart.length).toBeGreaterThanOrEqual(reeds.length);
  const tds = await found('feed tds');
  for (const { hit } of tds)
    expect(hit).toMatchObject({ text: expect.stringMatching(/^Feed TDS [\d.]+ /) });
});

test('finds by a reading of any visit, with its figure and day', async () => {
  const [row] = (
    await server.sequelize.query(
      "select jobs.name, value, figure from readings join jobs on jobs.id = job_id where figure = 'productTds' order by value desc limit 1",
    )
  )[0] as { name: string; value: number }[];
  const jobs = await found(String(Math.round(row!.value)));
  expect(jobs.map(({ name }) => name)).toContain(row!.name);
  const { hit } = jobs.find(({ name }) => name === row!.name)!;
  if (hit?.kind === 'reading') {
    expect(Math.abs(hit.value - row!.value)).toBeLessThanOrEqual(0.5);
    expect(hit.on).toMatch(/^\d{4}-\d\d-\d\d$/);
  } else expect(hit?.text).toContain(String(Math.round(row!.value)));
});

test('finds nothing of another firm, and takes signs for signs', async () => {
  expect(await found('dunstan', stranger)).toEqual([]);
  expect(await found('%')).toEqual([]);
  expect(await found("o'\\_")).toEqual([]);
});
