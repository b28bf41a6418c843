import { createHook } from 'node:async_hooks';
import { gzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { type Job, jobListSchema, jobSchema, photographListSchema } from '@katharos/contract';
import request, { type Response } from 'supertest';
import sharp from 'sharp';
import { JobRow } from '../db/models.ts';
import { withoutValues } from '../db/database.ts';
import { dropRemovedJobs } from '../jobs/jobRepository.ts';
import { dropRemovedPhotographs } from '../photographs/photographRepository.ts';
import { emptyDocument, errorOf, startTestApp, type TestApp } from '../test/testApp.ts';

let server: TestApp;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('tarn');
});
afterAll(() => server.close());

const addJob = async (name = 'Someone'): Promise<Job> =>
  jobSchema.parse((await agent.post('/api/jobs').send({ name }).expect(201)).body);
const total = async () => jobListSchema.parse((await agent.get('/api/jobs')).body).total;

describe('who is not signed in', () => {
  test('costs no reading: not even broken JSON or a bomb of it is unpacked', async () => {
    const stranger = request(server.app);
    const bomb = gzipSync(Buffer.from(`{"name":"${'x'.repeat(40_000_000)}"}`));
    const send = (who: typeof agent) =>
      who
        .post('/api/jobs/file')
        .set('Content-Type', 'application/json')
        .set('Content-Encoding', 'gzip')
        .serialize((bytes) => bytes as never)
        .send(bomb);
    let unpacked = 0;
    const watch = createHook({
      init: (_id, type) => {
        if (type === 'ZLIB') unpacked += 1;
      },
    }).enable();
    expect(errorOf(await send(stranger)).code).toBe('not-signed-in');
    expect(unpacked).toBe(0);
    // What one of the firm sends is unpacked, and then found to be no job.
    expect(errorOf(await send(agent)).code).toBe('invalid-input');
    expect(unpacked).toBeGreaterThan(0);
    watch.disable();
    const broken = stranger.put('/api/jobs/1').set('Content-Type', 'application/json');
    expect(errorOf(await broken.send('{"')).code).toBe('not-signed-in');
    const signIn = stranger.post('/api/session').send({ email: 'x'.repeat(20_000) });
    expect(errorOf(await signIn).code).toBe('too-large');
  });
});

describe('what no schema speaks of', () => {
  const nested = (depth: number): object => {
    let inner: object = {};
    for (let i = 0; i < depth; i += 1) inner = { inner };
    return inner;
  };
  const json = (address: string, text: string) =>
    agent.post(address).set('Content-Type', 'application/json').send(text);

  test.each<[string, () => Promise<Response>, string]>([
    ['NUL in a name', () => json('/api/jobs', '{"name":"a\\u0000b"}'), 'invalid-input'],
    ['half a character in a name', () => json('/api/jobs', '{"name":"\\ud83d"}'), 'invalid-input'],
    ['half a character in a key', () => json('/api/jobs', '{"\\udc00":1}'), 'invalid-input'],
    ['NUL in a search', async () => agent.get('/api/jobs?search=%00'), 'invalid-input'],
    ['NUL in an address', async () => agent.put('/api/van/stock/%00').send({}), 'not-found'],
    ['a broken escape', async () => agent.get('/api/jobs/%E0%A4%A'), 'not-found'],
    [
      'an e-mail with NUL',
      () => json('/api/session', '{"email":"\\u0000@a.example","password":"x"}'),
      'invalid-input',
    ],
    ['a deep nest', () => json('/api/jobs', JSON.stringify(nested(3000))), 'invalid-input'],
    [
      'an unknown encoding',
      async () => agent.post('/api/jobs').set('Content-Encoding', 'snappy').send({ name: 'x' }),
      'malformed-request',
    ],
    [
      'an unknown alphabet',
      async () =>
        agent.post('/api/jobs').set('Content-Type', 'application/json; charset=klingon').send('{}'),
      'malformed-request',
    ],
    [
      'a host that is none',
      async () => agent.get('/api/jobs').set('Host', 'a"b<c'),
      'malformed-request',
    ],
    [
      'a place of no list',
      async () => agent.get('/api/jobs?after=2026-02-31T99:00:00.000Z~1'),
      'invalid-input',
    ],
  ])('%s is refused where it stands', async (_what, send, code) => {
    expect(errorOf(await send()).code).toBe(code);
  });

  test('a version beyond any is refused at its field', async () => {
    const { id } = await addJob();
    const body = { version: 2 ** 53, document: emptyDocument() };
    expect(errorOf(await agent.put(`/api/jobs/${id}`).send(body)).path).toBe('version');
  });

  test('text of any script comes back as it was', async () => {
    const name = '山田 · محمد · नमस्ते · 👩🏽‍🔧';
    expect((await addJob(name)).document.customer.name).toBe(name);
  });
});

describe('a request that is sent again', () => {
  const key = (n: number) => `test-key-${n}`;

  test('under its key does nothing twice, at once or later, and answers the same', async () => {
    const before = await total();
    const send = () =>
      agent.post('/api/jobs').set('Idempotency-Key', key(1)).send({ name: 'Once' });
    const answers = await Promise.all([send(), send(), send()]);
    const again = await send();
    const ids = new Set([...answers, again].map(({ body }) => (body as Job).id));
    expect(ids.size).toBe(1);
    expect([...answers, again].map(({ status }) => status)).toEqual([201, 201, 201, 201]);
    expect(await total()).toBe(before! + 1);
  });

  test('with something else under the same key is refused; another firm’s keys are its own', async () => {
    await agent.post('/api/jobs').set('Idempotency-Key', key(2)).send({ name: 'One' });
    const other = agent.post('/api/jobs').set('Idempotency-Key', key(2)).send({ name: 'Two' });
    expect(errorOf(await other).code).toBe('key-reused');
    const stranger = await server.signedIn('mere');
    await stranger
      .post('/api/jobs')
      .set('Idempotency-Key', key(2))
      .send({ name: 'Two' })
      .expect(201);
    const bad = agent.post('/api/jobs').set('Idempotency-Key', '!').send({ name: 'x' });
    expect(errorOf(await bad).path).toBe('Idempotency-Key');
  });

  test('that failed is done when it comes again', async () => {
    const send = (name: string) =>
      agent.post('/api/jobs').set('Idempotency-Key', key(3)).send({ name });
    expect(errorOf(await send('')).code).toBe('invalid-input');
    expect((await send('Now')).status).toBe(201);
  });
});

describe('photographs', () => {
  const small = () =>
    sharp({ create: { width: 9, height: 9, channels: 3, background: '#345' } })
      .png()
      .toBuffer();

  test('are never more than sixty, however many come at once', async () => {
    const { id } = await addJob();
    const file = await small();
    const send = () =>
      agent.post(`/api/jobs/${id}/photographs`).set('Content-Type', 'image/png').send(file);
    const answers = await Promise.all(Array.from({ length: 70 }, send));
    expect(answers.filter(({ status }) => status === 201)).toHaveLength(60);
    expect(answers.filter(({ status }) => status === 409)).toHaveLength(10);
  });

  test('that were taken away are gone after a day, with jobs that were deleted after a month', async () => {
    const { id } = await addJob();
    const address = `/api/jobs/${id}/photographs`;
    const sent = await agent
      .post(address)
      .set('Content-Type', 'image/png')
      .send(await small());
    const photograph = (sent.body as { id: string }).id;
    await agent.delete(`${address}/${photograph}`).expect(204);
    const inHours = (hours: number) => new Date(Date.now() + hours * 3600e3);
    await dropRemovedPhotographs(inHours(20));
    await agent.post(`${address}/${photograph}/restore`).expect(204);
    expect(photographListSchema.parse((await agent.get(address)).body).photographs).toHaveLength(1);
    await agent.delete(`${address}/${photograph}`).expect(204);
    await dropRemovedPhotographs(inHours(25));
    expect(errorOf(await agent.post(`${address}/${photograph}/restore`)).code).toBe('not-found');

    await agent.patch(`/api/jobs/${id}`).send({ shelf: 'removed' }).expect(204);
    await dropRemovedJobs(inHours(29 * 24));
    expect(await JobRow.count({ where: { id } })).toBe(1);
    await dropRemovedJobs(inHours(31 * 24));
    expect(await JobRow.count({ where: { id } })).toBe(0);
  });
});

test('jobs are put away, deleted and brought back, each on its own list', async () => {
  const own = await server.signedIn('shelf');
  const { id } = jobSchema.parse((await own.post('/api/jobs').send({ name: 'Shelved' })).body);
  const on = async (shelf: string) =>
    jobListSchema.parse((await own.get('/api/jobs').query({ shelf })).body).jobs.length;
  const counts = async () => [await on('open'), await on('archived'), await on('removed')];
  expect(await counts()).toEqual([1, 0, 0]);
  for (const [shelf, found] of [
    ['archived', [0, 1, 0]],
    ['removed', [0, 0, 1]],
    ['open', [1, 0, 0]],
  ] as const) {
    await own.patch(`/api/jobs/${id}`).send({ shelf }).expect(204);
    expect(await counts()).toEqual(found);
  }
  expect(errorOf(await agent.patch(`/api/jobs/${id}`).send({ shelf: 'open' })).code).toBe(
    'not-found',
  );
});

describe('the server', () => {
  test('says that it lives and that it is ready', async () => {
    expect((await request(server.app).get('/healthz')).status).toBe(200);
    expect((await request(server.app).get('/readyz')).body).toEqual({ ready: true });
  });

  test('answers that it is busy while a row is held too long, and says when to come again', async () => {
    const { id } = await addJob();
    const holding = await JobRow.sequelize!.transaction();
    await JobRow.findOne({ where: { id }, transaction: holding, lock: true });
    const answer = await agent.patch(`/api/jobs/${id}`).send({ shelf: 'open' });
    await holding.rollback();
    expect(errorOf(answer).code).toBe('busy');
    expect(answer.headers['retry-after']).toBe('2');
  });

  test('writes no document, name or search into its log', async () => {
    await addJob('Secretive Person');
    await agent.get('/api/jobs?search=Hidden+Lane');
    await agent.post('/api/session').send({ email: 'who@where.example', password: 'wrong one' });
    const log = server.log.join('');
    expect(log).not.toMatch(/Secretive|Hidden|who@where|wrong one|katharos_session/);
    expect(log).toContain('"path":"/api/jobs"');
    expect(
      withoutValues("Executed (default): SELECT * FROM jobs WHERE name = 'O''Hara' AND x = 1"),
    ).toBe("SELECT * FROM jobs WHERE name = '…' AND x = 1");
  });
});

test('a document stands as it was stored, keeps what a newer program wrote, and is held to today’s ranges where it is changed', async () => {
  const job = await addJob();
  const odd = (value: number) => ({ value, unit: 'psi', takenAt: null, by: null });
  const { customer, survey } = job.document;
  const withPressure = (value: number, note: string) => ({
    ...job.document,
    customer: { ...customer, note },
    survey: { ...survey, readings: { pressure: odd(value) }, fromTomorrow: { kept: true } },
  });
  const old = withPressure(900, '');
  await JobRow.update({ document: old }, { where: { id: job.id } });
  const stored = async () =>
    jobSchema.parse((await agent.get(`/api/jobs/${job.id}`).expect(200)).body).document;
  expect(await stored()).toEqual(old);
  const changed = withPressure(900, 'A new word');
  await agent.put(`/api/jobs/${job.id}`).send({ version: 1, document: changed }).expect(200);
  expect(await stored()).toEqual(changed);
  const document = withPressure(901, 'A new word');
  const refused = await agent.put(`/api/jobs/${job.id}`).send({ version: 2, document });
  expect(errorOf(refused).path).toBe('document.survey.readings.pressure.value');
});
