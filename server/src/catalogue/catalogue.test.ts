import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { auditPageSchema, pricesSchema, wholeCatalogueSchema } from '@katharos/contract';
import type { Part } from '@katharos/core';
import { heldIds, starterCatalogue } from '@katharos/job';
import { errorOf, startTestApp, type TestApp } from '../test/testApp.ts';

let server: TestApp;
type Agent = Awaited<ReturnType<TestApp['signedIn']>>;
let agent: Agent;
let stranger: Agent;

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('weir');
  stranger = await server.signedIn('tarn');
});
afterAll(() => server.close());

const all = async (who = agent) =>
  wholeCatalogueSchema.parse((await who.get('/api/catalogue/all')).body).entries;
const entry = async (id: string) => (await all()).find(({ part }) => part.id === id)!;
const put = (...changes: { part: unknown; version: number | null }[]) =>
  agent.put('/api/catalogue/parts').send({ changes });
const proposed = async () =>
  ((await agent.get('/api/catalogue')).body as { parts: Part[] }).parts.map(({ id }) => id);

describe('parts', () => {
  test('are changed from the version that was looked at, and by one of two at once', async () => {
    const { part, version } = await entry('reed-50');
    const answers = await Promise.all(
      [43, 44, 45].map((price) => put({ part: { ...part, price }, version })),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409]);
    expect(errorOf(answers.find(({ status }) => status === 409)!).code).toBe('part-changed');
    const after = await entry('reed-50');
    expect(after.version).toBe(version + 1);
    expect((await all(stranger)).find(({ part: { id } }) => id === 'reed-50')!.part.price).toBe(
      part.price,
    );
  });

  test('come in all or none, each held against the core', async () => {
    const before = await all();
    const element = {
      ...starterCatalogue.find(({ kind }) => kind === 'membrane')!,
      id: 'new-element',
      name: 'New element',
    };
    const rating = { ...(element as { rating: object }).rating, ratedTdsMgL: 20000 };
    const answer = await put(
      { part: element, version: null },
      { part: { ...element, id: 'bad', name: 'Bad element', rating }, version: null },
    );
    expect(errorOf(answer)).toMatchObject({
      code: 'invalid-input',
      path: 'changes.1.part.rating.ratedPressureBar',
      message: expect.stringMatching(/^Bad element: .*osmotic/),
    });
    expect(await all()).toEqual(before);
    await put({ part: element, version: null }).expect(200);
    expect(await proposed()).toContain('new-element');
    // An id is given once, and a part stays what it is.
    await put({ part: element, version: null }).expect(409);
    const pump = starterCatalogue.find(({ kind }) => kind === 'pump')!;
    await put({ part: { ...pump, id: 'new-element' }, version: 1 }).expect(409);
  });

  test('that are retired are proposed no more, unless another holds them, and come back', async () => {
    const retire = (id: string, retired: boolean) =>
      agent.patch(`/api/catalogue/parts/${id}`).send({ retired });
    await retire('reed-150', true).expect(204);
    expect(await proposed()).not.toContain('reed-150');
    expect((await entry('reed-150')).retiredAt).not.toBeNull();
    const held = errorOf(await retire('reed-75', true));
    expect(held).toMatchObject({ code: 'part-held' });
    expect(held.message).toMatch(/Acorn/);
    const holders = (await all()).filter(({ part }) => heldIds(part).includes('reed-75'));
    const held75 = holders.map(({ part }) => part.id);
    for (const id of held75) await retire(id, true).expect(204);
    await retire('reed-75', true).expect(204);
    expect(errorOf(await retire('willow-box-75', false)).message).toMatch(/Reed 75/);
    await retire('reed-75', false).expect(204);
    for (const id of held75) await retire(id, false).expect(204);
    await retire('reed-150', false).expect(204);
    expect(errorOf(await retire('none', true)).code).toBe('not-found');
  });

  test('sent twice after a lost answer are changed once', async () => {
    const { part, version } = await entry('reed-100');
    const send = () =>
      agent
        .put('/api/catalogue/parts')
        .set('Idempotency-Key', 'change-reed-100')
        .send({ changes: [{ part: { ...part, price: 51 }, version }] });
    expect((await send()).body).toEqual((await send()).body);
    expect((await entry('reed-100')).version).toBe(version + 1);
  });
});

test('prices of suppliers are noted by day, and taken out', async () => {
  const at = '/api/catalogue/parts/reed-50/prices';
  const prices = async () => pricesSchema.parse((await agent.get(at)).body).prices;
  await agent
    .post(at)
    .send({ supplier: 'Fen Supplies', since: '2026-01-01', price: 20 })
    .expect(204);
  await agent
    .post(at)
    .send({ supplier: 'Fen Supplies', since: '2026-06-01', price: 22 })
    .expect(204);
  expect((await prices()).map(({ price }) => price)).toEqual([22, 20]);
  expect(pricesSchema.parse((await stranger.get(at)).body).prices).toEqual([]);
  expect(
    errorOf(await agent.post(at).send({ supplier: ' ', since: '2026-01-01', price: 1 })).path,
  ).toBe('supplier');
  const { id } = (await prices())[0]!;
  expect((await stranger.delete(`${at}/${id}`)).status).toBe(404);
  await agent.delete(`${at}/${id}`).expect(204);
  expect((await prices()).map(({ price }) => price)).toEqual([20]);
});

test('the log holds what a part was and became, and by whom', async () => {
  const { part, version } = await entry('reed-50');
  await put({ part: { ...part, name: 'Reed 50, new make' }, version }).expect(200);
  const page = auditPageSchema.parse(
    (await agent.get('/api/audit').query({ kind: 'part', subject: 'reed-50' })).body,
  );
  expect(page.entries[0]).toMatchObject({
    code: 'part-changed',
    content: {
      by: 'Owner of weir',
      data: {
        before: { name: 'Reed 50 element' },
        after: { name: 'Reed 50, new make' },
        paths: ['name'],
      },
    },
  });
});
