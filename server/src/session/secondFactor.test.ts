import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import { begunFactorSchema, factorSchema, factorWordsSchema } from '@katharos/contract';
import { Secret, TOTP } from 'otpauth';
import request from 'supertest';
import { errorOf, password, startTestApp, type TestApp } from '../test/testApp.ts';

let server: TestApp;
let agent: Awaited<ReturnType<TestApp['signedIn']>>;

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('weir');
});
afterAll(() => server.close());

const email = 'owner@weir.example';
const signIn = (code?: string) =>
  request(server.app)
    .post('/api/session')
    .send({ email, password, ...(code === undefined ? {} : { code }) });

test('codes are those of RFC 6238 for its own secret', () => {
  // Appendix B, SHA-1, the last six of its eight digits.
  const secret = Secret.fromUTF8('12345678901234567890');
  const at = (seconds: number) => new TOTP({ secret }).generate({ timestamp: seconds * 1000 });
  expect([59, 1111111109, 2000000000].map(at)).toEqual(['287082', '081804', '279037']);
});

test('a second factor is set up with the password, proven once, and asked for from then on', async () => {
  const at = '/api/session/second-factor';
  expect(errorOf(await agent.post(at).send({ password: 'not this one' })).code).toBe(
    'wrong-password',
  );
  const { secret, address } = begunFactorSchema.parse(
    (await agent.post(at).send({ password }).expect(201)).body,
  );
  expect(address).toContain('otpauth://totp/Katharos');
  // Not proven: nobody is asked for it yet.
  await signIn().expect(201);
  const totp = new TOTP({ secret: Secret.fromBase32(secret) });
  expect(errorOf(await agent.put(at).send({ code: '000000' })).path).toBe('code');
  const { words } = factorWordsSchema.parse(
    (await agent.put(at).send({ code: totp.generate() }).expect(200)).body,
  );
  expect(new Set(words).size).toBe(8);
  expect(factorSchema.parse((await agent.get(at)).body)).toEqual({ on: true, words: 8 });

  expect(errorOf(await signIn()).code).toBe('second-factor-needed');
  // The code that proved it is used; the next one is not.
  expect(errorOf(await signIn(totp.generate())).code).toBe('wrong-code');
  const next = totp.generate({ timestamp: Date.now() + 30_000 });
  const both = await Promise.all([signIn(next), signIn(next)]);
  expect(both.map(({ status }) => status).sort()).toEqual([201, 403]);
  // A word stands in for the telephone, once.
  await signIn(words[0]!.toUpperCase()).expect(201);
  expect(errorOf(await signIn(words[0])).code).toBe('wrong-code');
  expect(errorOf(await agent.post(at).send({ password })).code).toBe('second-factor-there');

  // The database holds no word, and the log says that it was set up and nothing of it.
  const [rows] = await server.sequelize.query(
    `select count(*)::int as count from users where second_factor::text like '%${words[1]!}%'`,
  );
  expect((rows as { count: number }[])[0]!.count).toBe(0);
  await agent.post(`${at}/end`).send({ password: 'not this one' }).expect(403);
  await agent.post(`${at}/end`).send({ password }).expect(204);
  await signIn().expect(201);
});

test('a forgotten password is set by a mailed link, once, and ends what was open; nobody learns who has an account', async () => {
  const ask = (to: string) => request(server.app).post('/api/reset').send({ email: to });
  await ask('nobody@weir.example').expect(204);
  await ask(email).expect(204);
  let mails: string[] = [];
  for (let tries = 0; tries < 50 && mails.length === 0; tries += 1) {
    await new Promise((resolve) => setTimeout(resolve, 50));
    mails = readdirSync(server.outbox).filter((name) => name.endsWith('.eml'));
  }
  expect(mails).toHaveLength(1);
  const text = readFileSync(join(server.outbox, mails[0]!), 'utf8').replace(/=\r?\n/g, '');
  const token = /\/reset\/([\w-]{43})/.exec(text)![1]!;
  const path = `/api/reset/${token}`;
  expect((await request(server.app).get(path).expect(200)).body).toEqual({
    name: 'Owner of weir',
  });
  expect(errorOf(await request(server.app).put(path).send({ password: 'short' })).path).toBe(
    'password',
  );
  await request(server.app).put(path).send({ password: 'otter kettle upstream' }).expect(204);
  await request(server.app).put(path).send({ password: 'otter kettle again' }).expect(404);
  await agent.get('/api/session').expect(401);
  await signIn().expect(401);
  await request(server.app)
    .post('/api/session')
    .send({ email, password: 'otter kettle upstream' })
    .expect(201);
});

test('the owner hands over a link, and ends the second factor of a lost telephone', async () => {
  const owner = await server.signedIn('mere');
  const { body: invited } = await owner
    .post('/api/people/invitations')
    .send({ name: 'Wat', role: 'installer' });
  const wat = request.agent(server.app);
  const { body } = await wat
    .post(`/api${(invited as { path: string }).path}`)
    .send({ name: 'Wat', email: 'wat@mere.example', password: 'three otters upstream' });
  const { id } = (body as { user: { id: string } }).user;
  const made = await owner.post(`/api/people/${id}/reset`).expect(201);
  await request(server.app)
    .put(`/api${(made.body as { path: string }).path}`)
    .send({ password: 'four otters upstream' })
    .expect(204);
  await wat.get('/api/session').expect(401);
  await owner.delete(`/api/people/${id}/second-factor`).expect(204);
  expect((await wat.post(`/api/people/${id}/reset`)).status).toBe(401);
});
