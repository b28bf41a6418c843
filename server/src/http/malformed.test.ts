import { afterAll, beforeAll, expect, test } from '@jest/globals';
import request from 'supertest';
import { startTestApp, type TestApp } from '../test/testApp.ts';

let server: TestApp;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;
let job: string;

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('weir');
  job = ((await agent.post('/api/jobs').send({ name: 'x' })).body as { id: string }).id;
});
afterAll(() => server.close());

/** Numbers out of a seed, so that what failed can be asked again. */
function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 1664525 + 1013904223) % 2 ** 32;
    return state / 2 ** 32;
  };
}

const places = () => [
  '/api/jobs',
  `/api/jobs/${job}`,
  '/api/jobs/file',
  `/api/jobs/${job}/papers`,
  `/api/jobs/${job}/person/forget`,
  `/api/jobs/${job}/versions/x`,
  `/api/jobs/${job}/history`,
  '/api/catalogue/parts',
  '/api/catalogue/parts/reed-50',
  '/api/catalogue/parts/reed-50/prices',
  '/api/audit',
  '/api/session',
  '/api/session/second-factor',
  '/api/session/second-factor/end',
  '/api/session/password',
  '/api/session/proof',
  '/api/session/proof/passkey',
  '/api/session/passkey',
  '/api/session/passkeys',
  '/api/reset',
  '/api/reset/abc',
  '/api/join/abc',
  '/api/people/invitations',
  '/api/firm/settings',
  '/api/van/stock/reed-50',
  `/api/van/takings/${job}`,
  '/api/stock/moves',
  '/api/stock/places',
  `/api/stock/places/${job}`,
  `/api/stock/${job}/parts/reed-50/minimum`,
  '/api/instruments/none',
  '/api/diary',
  '/api/diary/letters',
  '/api/diary/recall',
];
const methods = ['get', 'post', 'put', 'patch', 'delete'] as const;

/** Values that no form of the page sends. */
const oddities: readonly unknown[] = [
  null,
  0,
  -1,
  1e308,
  'x',
  '',
  '\u0000',
  '\ud800',
  [],
  {},
  [[[[]]]],
  { __proto__: { admin: true } },
  'a'.repeat(5000),
  true,
  '2026-13-45',
  { changes: [{ part: null, version: 0 }] },
  { changes: [{ part: { id: {}, kind: 'pump' }, version: null }] },
  { version: 1, document: { customer: [] } },
  { password: {}, email: [] },
  { retired: 'no' },
  { papers: 'burnt' },
];
const names = [
  'name',
  'version',
  'document',
  'changes',
  'quantity',
  'lines',
  'search',
  'limit',
  'before',
  'today',
  'code',
];

/** Many where somebody wants to be sure: `MALFORMED=4000`. */
const requests = Number(process.env.MALFORMED ?? 1000);

test('malformed requests at every address: none is answered by a fault of the server', async () => {
  const random = seeded(20261127);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const all = places();
  for (let i = 0; i < requests; i += 1) {
    const method = pick(methods);
    const query =
      random() < 0.4
        ? `?${pick(names)}=${encodeURIComponent(String(i % 7 ? random() * 1e9 : '%00'))}`
        : '';
    const path = `${pick(all)}${query}`;
    // Whoever signed out by chance would be asked nothing any more.
    if (method === 'delete' && path.startsWith('/api/session')) continue;
    const asked = (random() < 0.15 ? request(server.app) : agent)[method](path);
    const body =
      random() < 0.5
        ? pick(oddities)
        : { [pick(names)]: pick(oddities), [pick(names)]: pick(oddities) };
    const answer =
      method === 'get'
        ? await asked
        : random() < 0.15
          ? await asked.set('Content-Type', 'application/json').send('{"a":')
          : await asked.set('Content-Type', 'application/json').send(JSON.stringify(body));
    expect([i, method, path, body, answer.status < 500]).toEqual([i, method, path, body, true]);
  }
  await agent.get('/api/session').expect(200);
});
