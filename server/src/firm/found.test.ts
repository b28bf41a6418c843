import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { foundSchema } from '@katharos/contract';
import type { JobDocument } from '@katharos/job';
import { startTestApp, type TestApp, verifiedDocument } from '../test/testApp.ts';

let server: TestApp;
beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

const past = { readings: {}, mended: 'pushed home', at: '2026-02-27T09:00:00Z', by: 'Wren' };

test('what a firm found is counted over its certificates: not what is open, not practice, not another firm’s', async () => {
  const [ours, theirs] = [await server.signedIn('alder'), await server.signedIn('beck')];
  const file = async (agent: typeof ours, change: (document: JobDocument) => void) => {
    const { id } = (await agent.post('/api/jobs').send({ name: 'x' })).body as { id: string };
    const document = verifiedDocument();
    document.verify.earlier = {};
    change(document);
    await agent.put(`/api/jobs/${id}`).send({ version: 1, document }).expect(200);
  };
  const bypass = { ...past, cause: 'membrane-bypass' as const };
  await file(ours, () => undefined);
  await file(ours, ({ verify }) => (verify.earlier = { a: bypass }));
  await file(
    ours,
    ({ verify }) => (verify.earlier = { a: bypass, b: { ...bypass, also: 'carbon-spent' } }),
  );
  await file(ours, ({ keep, verify }) => {
    keep.issued = null;
    verify.earlier = { a: bypass };
  });
  await file(ours, ({ verify }) => {
    verify.earlier = { a: bypass };
    verify.shutoffSimulated = true;
  });
  await file(theirs, ({ verify }) => (verify.earlier = { a: { ...past, cause: 'pump-off' } }));
  const found = async (agent: typeof ours) =>
    foundSchema.parse((await agent.get('/api/firm/found').expect(200)).body).found;
  expect(await found(ours)).toEqual({ healthy: 1, 'membrane-bypass': 3, 'carbon-spent': 1 });
  expect(await found(theirs)).toEqual({ 'pump-off': 1 });
});
