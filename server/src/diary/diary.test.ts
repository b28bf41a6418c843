import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { diarySchema } from '@katharos/contract';
import type { JobDocument } from '@katharos/job';
import { errorOf, startTestApp, type TestApp, verifiedDocument } from '../test/testApp.ts';

let server: TestApp;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;
beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('diary');
});
afterAll(() => server.close());

async function installed(since: string, change: (document: JobDocument) => void = () => undefined) {
  const { id } = (await agent.post('/api/jobs').send({ name: 'x' })).body as { id: string };
  const document = verifiedDocument();
  document.customer.name = `Since ${since}`;
  document.service = { since };
  change(document);
  await agent.put(`/api/jobs/${id}`).send({ version: 1, document }).expect(200);
  return { id, document };
}
const diary = async (today: string, days = 120) =>
  diarySchema.parse((await agent.get(`/api/diary?today=${today}&days=${days}`).expect(200)).body);

test('the diary holds what is due, the earliest first, and follows what is done and how the firm keeps', async () => {
  await installed('2025-06-01');
  const { id, document } = await installed('2025-03-01');
  await installed('2026-02-20');
  const { rows, waiting } = await diary('2026-02-25');
  expect(waiting).toBe(0);
  expect(rows.map(({ name, on }) => [name, on])).toEqual([
    ['Since 2025-03-01', '2026-03-01'],
    ['Since 2025-06-01', '2026-06-01'],
  ]);
  expect(rows[0]!.dues.map(({ kind }) => kind)).toEqual(
    expect.arrayContaining(['sediment', 'carbon', 'tank-air', 'sanitising']),
  );
  // All of it is done: it is due in a year, beyond what is shown.
  const at = '2026-02-25T12:00:00.000Z';
  const changed = Object.fromEntries(
    rows[0]!.dues.map((due) => [due.id, { part: 'x', batch: '', at, by: 'Wren' }]),
  );
  document.service = {
    since: '2025-03-01',
    visits: { a: { kind: 'change-out', at, by: 'Wren', readings: {}, changed, note: '' } },
  };
  await agent.put(`/api/jobs/${id}`).send({ version: 2, document }).expect(200);
  expect((await diary('2026-02-26')).rows.map(({ name }) => name)).toEqual(['Since 2025-06-01']);
  // Put away: nobody goes there.
  const other = (await diary('2026-02-26', 3000)).rows;
  expect(other).toHaveLength(3);
  await agent.patch(`/api/jobs/${id}`).send({ shelf: 'archived' }).expect(204);
  expect((await diary('2026-02-26', 3000)).rows).toHaveLength(2);
});

test('another firm’s diary is empty, and a day that is none is refused at its field', async () => {
  const stranger = await server.signedIn('weir');
  const { body } = await stranger.get('/api/diary?today=2030-01-01').expect(200);
  expect(body).toEqual({ rows: [], waiting: 0 });
  expect(errorOf(await agent.get('/api/diary?today=2026-02-30'))).toMatchObject({
    code: 'invalid-input',
    path: 'today',
  });
});
