import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { householdSideSchema } from '@katharos/contract';
import request from 'supertest';
import { errorOf, startTestApp, type TestApp, verifiedDocument } from '../test/testApp.ts';

let server: TestApp;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;
let job: string;

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('home');
  job = ((await agent.post('/api/jobs').send({ name: 'x' })).body as { id: string }).id;
  const document = verifiedDocument();
  document.customer = {
    ...document.customer,
    name: 'Nobody <b>Else</b>',
    address: '9 Hidden Lane',
  };
  document.service = { since: '2024-05-01' };
  await agent.put(`/api/jobs/${job}`).send({ version: 1, document }).expect(200);
});
afterAll(() => server.close());

const made = async () =>
  ((await agent.post(`/api/jobs/${job}/household`).expect(201)).body as { path: string }).path;
const side = async () =>
  householdSideSchema.parse((await agent.get(`/api/jobs/${job}/household`).expect(200)).body);

test('the page is read without signing in, says what helps and not who lives there, and ends when it is made anew', async () => {
  expect(await side()).toEqual({ path: null, words: [] });
  const first = await made();
  expect((await side()).path).toBe(first);
  const { text, headers } = await request(server.app).get(first).expect(200);
  expect(headers['content-type']).toContain('text/html');
  expect(headers['set-cookie']).toBeUndefined();
  expect(text).toContain('How to shut it off');
  expect(text).toContain('In use since 1 May 2024');
  expect(text).toMatch(/It has been due since May 2025, for: sediment filter/);
  expect(text).not.toMatch(/Else|Hidden Lane|<script/);
  const second = await made();
  await request(server.app).get(first).expect(404);
  await request(server.app).get(second).expect(200);
  await agent.delete(`/api/jobs/${job}/household`).expect(204);
  await request(server.app).get(second).expect(404);
});

test('what a household says arrives at its firm alone, as it was said and never as code; a wrong form keeps the words', async () => {
  const path = await made();
  const post = (body: Record<string, string>) =>
    request(server.app).post(path).type('form').send(body);
  const wrong = await post({ complaint: 'gremlins', text: 'It <i>hums</i>' });
  expect(wrong.status).toBe(400);
  expect(wrong.text).toContain('It &lt;i&gt;hums&lt;/i&gt;');
  const told = await post({ complaint: 'slow', text: 'A glass takes <script>ages' });
  expect(told.status).toBe(303);
  expect(told.headers.location).toBe(`${path}?said=1`);
  expect((await side()).words).toMatchObject([
    { complaint: 'slow', text: 'A glass takes <script>ages' },
  ]);
  for (let i = 0; i < 6; i += 1) await post({ complaint: 'slow', text: 'again' });
  const often = await post({ complaint: 'slow', text: 'again' });
  expect(often.status).toBe(429);
  expect(often.text).toContain('Wait an hour');
  const stranger = await server.signedIn('weir');
  expect(errorOf(await stranger.get(`/api/jobs/${job}/household`)).code).toBe('not-found');
  expect(errorOf(await stranger.post(`/api/jobs/${job}/household`)).code).toBe('not-found');
  const nowhere = await request(server.app).get('/home/guess').expect(404);
  expect(nowhere.text).toContain('Ask the firm');
});
