import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { issuedPaperSchema, paperListSchema, paperSchema } from '@katharos/contract';
import { pdfText } from '../test/pdfText.ts';
import { errorOf, startTestApp, type TestApp, verifiedDocument } from '../test/testApp.ts';

let server: TestApp;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('rill');
});
afterAll(() => server.close());

const order = {
  kind: 'service',
  units: 'us',
  timeZone: 'Europe/Paris',
  at: '2026-03-02T08:00:00.000Z',
};

test('a visit has a report of its own, as it stood on its day, and it stays what it was', async () => {
  const { id } = (await agent.post('/api/jobs').send({ name: 'x' })).body as { id: string };
  const document = verifiedDocument();
  const [visitId, visit] = Object.entries(document.service!.visits!).find(
    ([, { kind }]) => kind === 'change-out',
  )!;
  visit.seen = { 'pad-wet': { at: visit.at, by: visit.by } };
  visit.faults = ['carbon-spent'];
  await agent.put(`/api/jobs/${id}`).send({ version: 1, document }).expect(200);
  const papers = `/api/jobs/${id}/papers`;
  expect(errorOf(await agent.post(papers).send({ ...order, visit: 'none' })).code).toBe(
    'not-found',
  );
  const issued = paperSchema.parse(
    (
      await agent
        .post(papers)
        .send({ ...order, visit: visitId })
        .expect(201)
    ).body,
  );
  expect(issued).toMatchObject({ kind: 'service', version: 1, visit: visitId });
  const { body: draft } = await agent
    .get(`/api/jobs/${id}/service.pdf?visit=${visitId}&units=us`)
    .expect(200);
  const text = await pdfText(draft as Buffer);
  expect(text).toMatch(/Service report/);
  expect(text).toContain('4.4 bar');
  // It knows nothing of what came after.
  expect(text).not.toMatch(/2026;/);
  expect(text).toMatch(/Leak stop’s pad was wet/);
  const [put] = Object.values(visit.changed!).filter(({ batch }) => batch !== '');
  // The paper's font has one micro sign for both.
  expect(text.normalize('NFKC')).toContain(put!.part.normalize('NFKC'));
  expect(text).toContain(put!.batch);

  const before = issuedPaperSchema.parse((await agent.get(`${papers}/${issued.id}`)).body);
  const changed = structuredClone(document);
  changed.service!.visits![visitId]!.note = 'Somebody else was here.';
  await agent.put(`/api/jobs/${id}`).send({ version: 2, document: changed }).expect(200);
  expect(issuedPaperSchema.parse((await agent.get(`${papers}/${issued.id}`)).body)).toEqual(before);
  const again = await agent
    .post(papers)
    .send({ ...order, visit: visitId })
    .expect(201);
  expect(again.body).toMatchObject({ version: 2, visit: visitId });
  const { papers: all } = paperListSchema.parse((await agent.get(papers)).body);
  const reports = all.filter(({ kind }) => kind === 'service');
  expect(reports.map(({ version, visit: of }) => [version, of])).toEqual([
    [2, visitId],
    [1, visitId],
  ]);
  const stranger = await server.signedIn('beck');
  expect(errorOf(await stranger.get(`/api/jobs/${id}/service.pdf?visit=${visitId}`)).code).toBe(
    'not-found',
  );
});
