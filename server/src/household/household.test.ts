import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { householdSideSchema } from '@katharos/contract';
import sharp from 'sharp';
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
  expect(text).toMatch(/It has been due since May 2025, for: leak stop, sediment filter/);
  expect(text).not.toMatch(/Else|Hidden Lane|<script/);
  const second = await made();
  await request(server.app).get(first).expect(404);
  await request(server.app).get(second).expect(200);
  await agent.delete(`/api/jobs/${job}/household`).expect(204);
  await request(server.app).get(second).expect(404);
});

test('a photograph comes with the words, without what the telephone wrote into it; what is no picture is refused in words', async () => {
  const path = await made();
  const picture = await sharp({
    create: { width: 900, height: 600, channels: 3, background: '#3388aa' },
  })
    .withExif({ IFD0: { Copyright: 'whose telephone' } })
    .jpeg()
    .toBuffer();
  const send = (file: Buffer, name: string) =>
    request(server.app)
      .post(path)
      .field('complaint', 'leak')
      .field('text', 'It drips behind')
      .attach('photograph', file, name);
  expect((await send(picture, 'drip.jpg')).status).toBe(303);
  const [said] = (await side()).words;
  expect(said).toMatchObject({ complaint: 'leak', text: 'It drips behind' });
  const kept = await agent.get(`/api/jobs/${job}/photographs/${said!.photographId}`).expect(200);
  const { format, exif } = await sharp(kept.body as Buffer).metadata();
  expect({ format, exif }).toEqual({ format: 'jpeg', exif: undefined });
  const refused = await send(Buffer.from('<svg onload=alert(1)>'), 'drip.jpg');
  expect(refused.status).toBe(415);
  expect(refused.text).toContain('no picture');
  // A form without a file, as an old browser sends it.
  expect((await send(Buffer.alloc(0), '')).status).toBe(303);
  expect((await side()).words[0]!.photographId).toBeNull();
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
  expect((await side()).words[0]).toMatchObject({
    complaint: 'slow',
    text: 'A glass takes <script>ages',
  });
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
