import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { diarySchema, newFeedSchema, recallSchema } from '@katharos/contract';
import type { SystemDesign } from '@katharos/core';
import request from 'supertest';
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

test('a recall finds every household in which the part still stands, by its name or its batch', async () => {
  const at = '2025-09-01T12:00:00.000Z';
  const put = (part: string, batch: string, when = at) => ({ part, batch, at: when, by: 'Wren' });
  const visit = (changed: Record<string, ReturnType<typeof put>>, when = at) => ({
    kind: 'change-out' as const,
    at: when,
    by: 'Wren',
    readings: {},
    changed,
    note: '',
  });
  await installed('2024-01-01', (document) => {
    document.customer.name = 'Has it';
    document.service = {
      since: '2024-01-01',
      visits: { a: visit({ 'prefilter-1': put('Pleated five', 'Q_7') }) },
    };
  });
  await installed('2024-01-01', (document) => {
    document.customer.name = 'Had it';
    const later = '2026-01-05T12:00:00.000Z';
    document.service = {
      since: '2024-01-01',
      visits: {
        a: visit({ 'prefilter-1': put('Pleated five', 'Q_7') }),
        b: visit({ 'prefilter-1': put('Pleated five', 'R1', later) }, later),
      },
    };
  });
  const asked = async (query: string, by = agent) =>
    recallSchema.parse((await by.get(`/api/diary/recall?${query}`).expect(200)).body).rows;
  expect(await asked('batch=q_7')).toMatchObject([
    { name: 'Has it', part: 'Pleated five', batch: 'Q_7', on: '2025-09-01' },
  ]);
  expect(await asked('batch=qx7')).toEqual([]);
  expect((await asked('part=pleated')).map(({ name }) => name)).toEqual(['Had it', 'Has it']);
  // What was fitted and never changed stands as it was fitted, without a batch.
  const { name } = (verifiedDocument().system!.design as SystemDesign).membrane;
  const membranes = await asked(`part=${encodeURIComponent(name)}`);
  expect(membranes.length).toBeGreaterThanOrEqual(5);
  expect(membranes.every(({ batch }) => batch === '')).toBe(true);
  expect(await asked('part=pleated', await server.signedIn('sluice'))).toEqual([]);
  expect(errorOf(await agent.get('/api/diary/recall')).path).toBe('part');
});

test('a person’s calendar is under a secret address that can be ended, and shows nothing of another firm', async () => {
  const { app } = server;
  expect((await agent.get('/api/diary/feed')).body).toEqual({ madeAt: null });
  const made = async () =>
    newFeedSchema.parse((await agent.post('/api/diary/feed').expect(201)).body).path;
  const first = await made();
  const { text, headers } = await request(app).get(first).expect(200);
  expect(headers['content-type']).toContain('text/calendar');
  expect(headers['set-cookie']).toBeUndefined();
  const today = new Date().toISOString().slice(0, 10);
  const unfolded = text.replace(/\r\n[ \t]/g, '');
  expect(unfolded).toContain('Service, diary');
  expect(unfolded).toMatch(/SUMMARY:.*Since 2025-06-01/);
  expect(unfolded).toMatch(/DTSTART;VALUE=DATE:\d{8}/);
  expect(unfolded).toContain('Sediment filter: ');
  expect(unfolded.match(/BEGIN:VEVENT/g)).toHaveLength((await diary(today, 365)).rows.length);
  const second = await made();
  await request(app).get(first).expect(404);
  await request(app).get(second).expect(200);
  await agent.delete('/api/diary/feed').expect(204);
  await request(app).get(second).expect(404);
  await request(app).get('/feeds/guess.ics').expect(404);
  expect(server.log.join()).not.toContain(second.slice(7, 30));
});

test('another firm’s diary is empty, and a day that is none is refused at its field', async () => {
  const stranger = await server.signedIn('weir');
  const { body } = await stranger.get('/api/diary?today=2030-01-01').expect(200);
  expect(body).toEqual({ rows: [], beyond: 0, waiting: 0 });
  expect(errorOf(await agent.get('/api/diary?today=2026-02-30'))).toMatchObject({
    code: 'invalid-input',
    path: 'today',
  });
});
