import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { auditPageSchema, passkeysSchema, sessionSchema } from '@katharos/contract';
import request from 'supertest';
import { SoftKey } from '../test/softKey.ts';
import { errorOf, startTestApp, type TestApp } from '../test/testApp.ts';

const host = 'water.example';
const origin = `http://${host}`;
const at = '/api/session/passkeys';

let server: TestApp;
type Agent = Awaited<ReturnType<TestApp['signedIn']>>;
let agent: Agent;
let key: SoftKey;
let firms = 0;

beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

type Method = 'get' | 'post' | 'put' | 'delete';
type Question = { challenge: string; user: { id: string } };
/** Asks as a browser does that is at the server's name. */
const ask = (who: Pick<Agent, Method>, method: Method, path: string, body: object = {}) =>
  who[method](path).set('Host', host).send(body);
const stranger = () => request(server.app);

async function questionFor(who: Pick<Agent, Method>, path: string): Promise<Question> {
  return (await ask(who, 'post', `${path}/question`).expect(201)).body as Question;
}

async function makeBy(who: Agent, made: SoftKey, name = 'Telephone') {
  const question = await questionFor(who, at);
  return ask(who, 'post', at, { name, made: made.make(question) });
}

const signInBy = async (used: SoftKey) =>
  ask(stranger(), 'post', '/api/session/passkey', {
    used: used.use(await questionFor(stranger(), '/api/session/passkey')),
  });
const held = async (who = agent) => passkeysSchema.parse((await who.get(at)).body).passkeys;
const change = (sql: string) => server.sequelize.query(sql);

beforeEach(async () => {
  firms += 1;
  agent = await server.signedIn(`lock${firms}`);
  key = new SoftKey(origin);
});

test('a passkey is made by who is signed in, lets them in by itself, and is listed and logged', async () => {
  expect((await makeBy(agent, key)).status).toBe(204);
  expect(await held()).toEqual([expect.objectContaining({ name: 'Telephone', usedAt: null })]);
  const answer = await signInBy(key);
  expect(answer.status).toBe(201);
  expect(sessionSchema.parse(answer.body).user.email).toBe(`owner@lock${firms}.example`);
  expect(answer.headers['set-cookie']?.[0]).toMatch(/HttpOnly/);
  expect((await signInBy(key)).status).toBe(201);
  const { id, usedAt } = (await held())[0]!;
  expect(usedAt).not.toBeNull();
  // The same device makes no second one, and one that was removed lets nobody in.
  expect(errorOf(await makeBy(agent, key)).code).toBe('passkey-there');
  await ask(agent, 'delete', `${at}/${id}`).expect(204);
  expect(errorOf(await signInBy(key)).code).toBe('passkey-refused');
  const { entries } = auditPageSchema.parse((await agent.get('/api/audit')).body);
  expect(entries.map(({ code }) => code)).toEqual([
    'passkey-removed',
    'signed-in',
    'signed-in',
    'passkey-made',
    'signed-in',
  ]);
});

test('a second factor is not asked for beside it, and still is beside a password', async () => {
  await makeBy(agent, key);
  await change(
    `update users set second_factor = '{"secret":"JBSWY3DPEHPK3PXP","pending":false,"step":0,"recovery":[]}' where email = 'owner@lock${firms}.example'`,
  );
  expect((await signInBy(key)).status).toBe(201);
  const typed = { email: `owner@lock${firms}.example`, password: 'a test password' };
  expect(errorOf(await stranger().post('/api/session').send(typed)).code).toBe(
    'second-factor-needed',
  );
});

describe('refused is', () => {
  const refusedBy = async (alter: (used: ReturnType<SoftKey['use']>) => void) => {
    const used = key.use(await questionFor(stranger(), '/api/session/passkey'));
    alter(used);
    return errorOf(await ask(stranger(), 'post', '/api/session/passkey', { used })).code;
  };

  beforeEach(async () => {
    expect((await makeBy(agent, key)).status).toBe(204);
  });

  test('an answer that is sent again, and one to no question', async () => {
    const used = key.use(await questionFor(stranger(), '/api/session/passkey'));
    const send = () => ask(stranger(), 'post', '/api/session/passkey', { used });
    const both = await Promise.all([send(), send()]);
    expect(both.map(({ status }) => status).sort()).toEqual([201, 403]);
    const invented = { used: key.use({ challenge: 'bm9ib2R5IGFza2VkIHRoaXM' }) };
    expect(errorOf(await ask(stranger(), 'post', '/api/session/passkey', invented)).code).toBe(
      'passkey-refused',
    );
  });

  test('one that comes too late', async () => {
    const used = key.use(await questionFor(stranger(), '/api/session/passkey'));
    await change("update passkey_questions set expires_at = now() - interval '1 second'");
    expect(errorOf(await ask(stranger(), 'post', '/api/session/passkey', { used })).code).toBe(
      'passkey-refused',
    );
  });

  test('what was signed at another address, by a locked device, by another key, or by a copy that counts from before', async () => {
    key.origin = 'http://vvater.example';
    expect(await refusedBy(() => undefined)).toBe('passkey-refused');
    key.origin = origin;
    key.flags = 0x01;
    expect(await refusedBy(() => undefined)).toBe('passkey-refused');
    key.flags = 0x05;
    const other = new SoftKey(origin).use({ challenge: 'x' });
    expect(await refusedBy((used) => (used.response.signature = other.response.signature))).toBe(
      'passkey-refused',
    );
    key.count = 40;
    expect((await signInBy(key)).status).toBe(201);
    key.count = 7;
    expect((await signInBy(key)).status).toBe(403);
  });

  test('a passkey under somebody else’s number, and one whose person is gone', async () => {
    const neighbour = await server.signedIn(`next${firms}`);
    const theirs = new SoftKey(origin);
    await makeBy(neighbour, theirs);
    const { userHandle } = theirs.use({ challenge: 'x' }).response;
    expect(await refusedBy((used) => (used.response.userHandle = userHandle))).toBe(
      'passkey-refused',
    );
    expect(await refusedBy((used) => (used.response.userHandle = 'c2hvcnQ'))).toBe(
      'passkey-refused',
    );
    await change(`update users set removed_at = now() where email = 'owner@lock${firms}.example'`);
    expect(await refusedBy(() => undefined)).toBe('passkey-refused');
  });
});

test('it stands for the password once more, but only its own person’s', async () => {
  await makeBy(agent, key);
  await change("update sessions set proved_at = now() - interval '11 minutes'");
  const proof = '/api/session/proof/passkey';
  expect(errorOf(await agent.get('/api/session/proof')).code).toBe('password-needed');
  // Nor is another made or one removed by who finds the page open.
  expect(errorOf(await ask(agent, 'post', `${at}/question`)).code).toBe('password-needed');
  const { id } = (await held())[0]!;
  expect(errorOf(await ask(agent, 'delete', `${at}/${id}`)).code).toBe('password-needed');

  const neighbour = await server.signedIn(`beside${firms}`);
  const theirs = new SoftKey(origin);
  await makeBy(neighbour, theirs);
  const prove = async (by: SoftKey) =>
    ask(agent, 'put', proof, { used: by.use(await questionFor(agent, proof)) });
  expect(errorOf(await prove(theirs)).code).toBe('passkey-refused');
  // A question for signing in is none for this.
  const elsewhere = key.use(await questionFor(stranger(), '/api/session/passkey'));
  expect(errorOf(await ask(agent, 'put', proof, { used: elsewhere })).code).toBe('passkey-refused');
  await agent.get('/api/session/proof').expect(403);
  expect((await prove(key)).status).toBe(204);
  await agent.get('/api/session/proof').expect(204);
});

test('an address that is a number is told so, and one has so many passkeys and no more', async () => {
  expect(errorOf(await agent.post(`${at}/question`).set('Host', '192.0.2.7:8717')).code).toBe(
    'passkeys-need-a-name',
  );
  expect(errorOf(await agent.post(`${at}/question`).set('Host', '[2001:db8::1]')).code).toBe(
    'passkeys-need-a-name',
  );
  for (let i = 0; i < 12; i += 1) await makeBy(agent, new SoftKey(origin), `Device ${i}`);
  expect(await held()).toHaveLength(12);
  expect(errorOf(await ask(agent, 'post', `${at}/question`)).code).toBe('too-many-passkeys');
});
