import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { type Job, jobSchema, takingSchema, vanSchema } from '@katharos/contract';
import type { VanLine } from '@katharos/core';
import { errorOf, startTestApp, type TestApp } from '../test/testApp.ts';

let server: TestApp;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;
let stranger: Awaited<ReturnType<TestApp['signedIn']>>;

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('beck');
  stranger = await server.signedIn('scar');
});
afterAll(() => server.close());

const newJob = async (): Promise<Job> =>
  jobSchema.parse((await agent.post('/api/jobs').send({ name: 'Loaded' }).expect(201)).body);
const count = (part: string, quantity: unknown) =>
  agent.put(`/api/van/stock/${part}`).send({ quantity });
const held = async (part: string): Promise<number | undefined> =>
  vanSchema
    .parse((await agent.get('/api/van').expect(200)).body)
    .stock.find(({ partId }) => partId === part)?.quantity;
const take = (job: Job, ...lines: VanLine[]) =>
  agent.post(`/api/van/takings/${job.id}`).send({ lines });

describe('the van', () => {
  test('is counted part by part, of the firm’s own catalogue, and by nobody else', async () => {
    await count('silt-5', 6).expect(204);
    expect(await held('silt-5')).toBe(6);
    await count('silt-5', 4).expect(204);
    expect(await held('silt-5')).toBe(4);
    expect(errorOf(await count('no-such-part', 1)).code).toBe('not-found');
    expect(errorOf(await count('silt-5', -1))).toMatchObject({
      code: 'invalid-input',
      path: 'quantity',
    });
    expect(vanSchema.parse((await stranger.get('/api/van')).body).stock).toEqual([]);
  });

  test('gives a job what it holds and no more, once, and takes it back', async () => {
    await count('silt-5', 4);
    await count('tube-14', 3.5);
    const job = await newJob();
    const answer = await take(
      job,
      { partId: 'silt-5', quantity: 3 },
      { partId: 'tube-14', quantity: 5.2 },
      { partId: 'char-block', quantity: 2 },
    );
    expect(answer.status).toBe(201);
    expect(takingSchema.parse(answer.body)).toMatchObject({
      jobId: job.id,
      takenBy: 'Owner of beck',
      lines: [
        { partId: 'silt-5', quantity: 3 },
        { partId: 'tube-14', quantity: 3.5 },
      ],
    });
    expect([await held('silt-5'), await held('tube-14')]).toEqual([1, 0]);
    const again = await take(job, { partId: 'silt-5', quantity: 1 });
    expect(errorOf(again).code).toBe('already-taken');
    await agent.delete(`/api/van/takings/${job.id}`).expect(204);
    expect([await held('silt-5'), await held('tube-14')]).toEqual([4, 3.5]);
    expect(errorOf(await agent.delete(`/api/van/takings/${job.id}`)).code).toBe('not-found');
  });

  test('that holds none of it says so, and another firm’s job is not found', async () => {
    const job = await newJob();
    expect(errorOf(await take(job, { partId: 'reed-50', quantity: 1 })).code).toBe(
      'nothing-in-the-van',
    );
    expect(errorOf(await take(job)).code).toBe('invalid-input');
    const foreign = await stranger
      .post(`/api/van/takings/${job.id}`)
      .send({ lines: [{ partId: 'silt-5', quantity: 1 }] });
    expect(errorOf(foreign).code).toBe('not-found');
  });

  test('loses nothing and gives nothing twice when many take at once', async () => {
    await count('clip-14', 10);
    const jobs = await Promise.all(Array.from({ length: 5 }, newJob));
    const answers = await Promise.all([
      ...jobs.map((job) => take(job, { partId: 'clip-14', quantity: 3 })),
      take(jobs[0]!, { partId: 'clip-14', quantity: 3 }),
    ]);
    const taken = answers
      .filter(({ status }) => status === 201)
      .flatMap(({ body }) => takingSchema.parse(body).lines)
      .reduce((sum, { quantity }) => sum + quantity, 0);
    expect(taken + (await held('clip-14'))!).toBe(10);
    // Three get three, one the last, the others find none; the job that asked twice got one answer.
    expect(answers.filter(({ status }) => status === 201)).toHaveLength(4);
  });
});
