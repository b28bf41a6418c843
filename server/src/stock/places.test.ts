import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import {
  firmStockSchema,
  type Job,
  jobSchema,
  neededListSchema,
  vanSchema,
} from '@katharos/contract';
import type { StockPlace } from '@katharos/core';
import request from 'supertest';
import { demoJobs } from '../seed/demoJobs.ts';
import { errorOf, startTestApp, type TestApp } from '../test/testApp.ts';

let server: TestApp;
type Agent = Awaited<ReturnType<TestApp['signedIn']>>;
let owner: Agent;
let helper: Agent;

beforeAll(async () => {
  server = await startTestApp();
  owner = await server.signedIn('ghyll');
  const { path } = (
    await owner.post('/api/people/invitations').send({ name: 'Odo', role: 'helper' }).expect(201)
  ).body as { path: string };
  helper = request.agent(server.app);
  const me = { name: 'Odo', email: 'odo@ghyll.example', password: 'three otters upstream' };
  await helper.post(`/api${path}`).send(me).expect(201);
});
afterAll(() => server.close());

const stock = async (who = owner) =>
  firmStockSchema.parse((await who.get('/api/stock').expect(200)).body);
const placeOf = async (kind: StockPlace['kind']) =>
  (await stock()).places.find((place) => place.kind === kind)!;
const count = (who: Agent, part: string, quantity: number, placeId?: string) =>
  who
    .put(`/api/van/stock/${part}`)
    .send({ quantity, ...(placeId && { placeId }) })
    .expect(204);
const at = async (placeId: string, part: string) =>
  (await stock()).lines.find((line) => line.placeId === placeId && line.partId === part);
const addVan = async (name: string) =>
  (await owner.post('/api/stock/places').send({ kind: 'van', name }).expect(201))
    .body as StockPlace;
const move = (from: string, to: string, quantity: number, partId = 'silt-5') =>
  owner.post('/api/stock/moves').send({ from, to, lines: [{ partId, quantity }] });

describe('vans and stores', () => {
  test('a firm begins with one of each, which stay', async () => {
    const { places, mine } = await stock();
    expect(places.map(({ kind, name }) => [kind, name])).toEqual([
      ['van', 'The van'],
      ['store', 'The store'],
    ]);
    expect(mine).toBe(places[0]!.id);
    for (const { id } of places)
      expect(errorOf(await owner.delete(`/api/stock/places/${id}`)).code).toBe('place-in-use');
  });

  test('everybody counts and loads their own van, and nobody else’s changes', async () => {
    const van = await placeOf('van');
    const second = await addVan('Van 2');
    const odo = (await stock()).people.find(({ name }) => name === 'Odo')!;
    await owner
      .put(`/api/stock/places/${second.id}`)
      .send({ name: 'Odo’s van', userId: odo.id })
      .expect(204);
    expect((await stock(helper)).mine).toBe(second.id);
    expect((await stock()).mine).toBe(van.id);
    await count(owner, 'silt-5', 6);
    await count(helper, 'silt-5', 2);
    expect([
      (await at(van.id, 'silt-5'))?.quantity,
      (await at(second.id, 'silt-5'))?.quantity,
    ]).toEqual([6, 2]);
    const job = (await owner.post('/api/jobs').send({ name: 'Loaded' })).body as Job;
    const wanted = { lines: [{ partId: 'silt-5', quantity: 5 }] };
    const taken = await helper.post(`/api/van/takings/${job.id}`).send(wanted).expect(201);
    expect((taken.body as { lines: object[] }).lines).toEqual([{ partId: 'silt-5', quantity: 2 }]);
    // Whoever puts it back, it goes where it came from.
    await owner.delete(`/api/van/takings/${job.id}`).expect(204);
    expect((await at(second.id, 'silt-5'))?.quantity).toBe(2);
    expect((await at(van.id, 'silt-5'))?.quantity).toBe(6);
    // One person, one van.
    const third = await addVan('Van 3');
    await owner.put(`/api/stock/places/${third.id}`).send({ name: 'Van 3', userId: odo.id });
    expect((await stock()).places.filter(({ userId }) => userId === odo.id)).toHaveLength(1);
    await owner.delete(`/api/people/${odo.id}`).expect(204);
    expect((await stock()).places.filter(({ userId }) => userId !== null)).toEqual([]);
    await owner.delete(`/api/stock/places/${third.id}`).expect(204);
    expect(errorOf(await owner.delete(`/api/stock/places/${second.id}`)).code).toBe('place-in-use');
  });

  test('parts that move are nowhere twice and nowhere lost, however many move at once', async () => {
    const van = await placeOf('van');
    const store = await placeOf('store');
    await count(owner, 'char-block', 10, van.id);
    await count(owner, 'char-block', 10, store.id);
    const answers = await Promise.all(
      Array.from({ length: 12 }, (_, i) =>
        i % 2 ? move(van.id, store.id, 3, 'char-block') : move(store.id, van.id, 4, 'char-block'),
      ),
    );
    for (const answer of answers)
      expect(answer.status === 201 || errorOf(answer).code).toEqual(
        answer.status === 201 ? true : 'not-enough',
      );
    const left = [await at(van.id, 'char-block'), await at(store.id, 'char-block')];
    expect(left.reduce((sum, line) => sum + line!.quantity, 0)).toBe(20);
    expect(left.every((line) => line!.quantity >= 0)).toBe(true);
  });

  test('more than there is does not move, and says at which line', async () => {
    const van = await placeOf('van');
    const store = await placeOf('store');
    const answer = errorOf(await move(store.id, van.id, 99, 'reed-75'));
    expect(answer).toMatchObject({ code: 'not-enough', path: 'lines.0.quantity' });
    expect(errorOf(await move(van.id, van.id, 1))).toMatchObject({
      code: 'invalid-input',
      path: 'to',
    });
    const twice = { partId: 'silt-5', quantity: 1 };
    const again = await owner
      .post('/api/stock/moves')
      .send({ from: store.id, to: van.id, lines: [twice, twice] });
    expect(errorOf(again)).toMatchObject({ code: 'invalid-input', path: 'lines' });
  });

  test('a minimum is kept beside the count, and neither touches the other', async () => {
    const store = await placeOf('store');
    const minimum = (value: number) =>
      owner
        .put(`/api/stock/${store.id}/parts/hold-41/minimum`)
        .send({ minimum: value })
        .expect(204);
    await minimum(3);
    expect(await at(store.id, 'hold-41')).toMatchObject({ quantity: 0, minimum: 3 });
    await count(owner, 'hold-41', 7, store.id);
    await minimum(4);
    expect(await at(store.id, 'hold-41')).toMatchObject({ quantity: 7, minimum: 4 });
  });
});

test('the work ahead is what is agreed and took nothing yet, and what is due by then, with its parts', async () => {
  const jobs = demoJobs(new Date('2026-03-01T09:00:00Z'));
  const agreed = jobs.find(({ document }) => document.system?.agreed && !document.keep.issued)!;
  const kept = jobs.find(({ document }) => document.service && document.keep.issued)!;
  const ids: string[] = [];
  for (const { document } of [agreed, kept]) {
    const { id } = (await owner.post('/api/jobs').send({ name: 'x' })).body as Job;
    jobSchema.parse((await owner.get(`/api/jobs/${id}`)).body);
    await owner.put(`/api/jobs/${id}`).send({ version: 1, document }).expect(200);
    ids.push(id);
  }
  const needed = async (today: string) =>
    neededListSchema.parse((await owner.get(`/api/diary/needed?today=${today}&days=1`)).body)
      .needed;
  const far = await needed('2032-03-01');
  const installation = far.find(({ jobId }) => jobId === ids[0])!;
  expect(installation.on).toBeNull();
  expect(installation.lines.length).toBeGreaterThan(5);
  expect(installation.lines.every(({ quantity }) => quantity > 0)).toBe(true);
  const visit = far.find(({ jobId }) => jobId === ids[1])!;
  expect(visit.on! <= '2032-03-02').toBe(true);
  expect(visit.lines.length).toBeGreaterThan(0);
  expect((await needed('2020-01-01')).map(({ jobId }) => jobId)).toEqual([ids[0]]);
  const [first] = installation.lines.filter(({ partId }) => partId !== null);
  await count(owner, first!.partId!, 9);
  const lines = [{ partId: first!.partId!, quantity: 1 }];
  await owner.post(`/api/van/takings/${ids[0]!}`).send({ lines }).expect(201);
  expect(await needed('2020-01-01')).toEqual([]);
  vanSchema.parse((await owner.get('/api/van')).body);
});
