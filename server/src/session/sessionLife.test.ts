import { afterAll, beforeAll, expect, test } from '@jest/globals';
import request from 'supertest';
import { errorOf, password, startTestApp, type TestApp } from '../test/testApp.ts';

let server: TestApp;
type Agent = Awaited<ReturnType<TestApp['signedIn']>>;
let agent: Agent;

beforeAll(async () => {
  server = await startTestApp();
  agent = await server.signedIn('weir');
});
afterAll(() => server.close());

/** Moves a session's life back by so many days, as a calendar would. */
const age = (column: 'opened_at' | 'expires_at' | 'seen_at', days: number) =>
  server.sequelize.query(`update sessions set ${column} = ${column} - interval '${days} days'`);
const status = async (who: Agent) => (await who.get('/api/session')).status;

test('a session in use is prolonged with its cookie, and its last use is known within minutes', async () => {
  await age('expires_at', 3);
  await age('seen_at', 1);
  const answer = await agent.get('/api/session').expect(200);
  expect(answer.headers['set-cookie']?.[0]).toMatch(/Max-Age=2592000/);
  const [rows] = await server.sequelize.query(
    'select expires_at - now() as left, now() - seen_at as since from sessions',
  );
  const [{ left, since }] = rows as [{ left: { days: number }; since: { days?: number } }];
  expect(left.days).toBeGreaterThanOrEqual(29);
  expect(since.days ?? 0).toBe(0);
  // Once a day is enough.
  const again = await agent.get('/api/session').expect(200);
  expect(again.headers['set-cookie']).toBeUndefined();
});

test('thirty days unused end it, and so do a hundred and eighty in use', async () => {
  await age('opened_at', 179);
  expect(await status(agent)).toBe(200);
  await age('opened_at', 2);
  expect(errorOf(await agent.get('/api/session')).code).toBe('not-signed-in');

  const other = await server.signedIn('mere');
  expect(await status(other)).toBe(200);
  await age('expires_at', 31);
  expect(errorOf(await other.get('/api/session')).code).toBe('not-signed-in');
});

test('whoever is let go is told so, whoever was never there is not, and a session that ended by itself is neither', async () => {
  const owner = await server.signedIn('fell');
  const { path } = (
    await owner.post('/api/people/invitations').send({ name: 'Wat', role: 'helper' })
  ).body as { path: string };
  const wat = request.agent(server.app);
  const joined = await wat
    .post(`/api${path}`)
    .send({ name: 'Wat', email: 'wat@fell.example', password: 'three otters upstream' });
  const { id } = (joined.body as { user: { id: string } }).user;
  await owner.delete(`/api/people/${id}`).expect(204);
  for (const address of ['/session', '/jobs', '/events', '/catalogue'])
    expect(errorOf(await wat.get(`/api${address}`)).code).toBe('let-go');
  expect(errorOf(await request(server.app).get('/api/session')).code).toBe('not-signed-in');
  const forged = request(server.app)
    .get('/api/session')
    .set('Cookie', `katharos_session=${'a'.repeat(43)}`);
  expect(errorOf(await forged).code).toBe('not-signed-in');
});

test('what cannot be undone wants a password that was given just now', async () => {
  const owner = await server.signedIn('pike');
  const nobody = '11111111-1111-4111-8111-111111111111';
  const irreversible = [
    () => owner.get('/api/firm/archive.zip'),
    () => owner.post(`/api/jobs/${nobody}/person/forget`).send({ papers: 'kept' }),
    () => owner.delete(`/api/people/${nobody}`),
    () => owner.patch(`/api/people/${nobody}`).send({ role: 'owner' }),
    () => owner.post(`/api/people/${nobody}/reset`),
    () => owner.delete(`/api/people/${nobody}/second-factor`),
    () => owner.get('/api/session/proof'),
  ];
  const codes = async () => {
    const said: string[] = [];
    for (const ask of irreversible) {
      const answer = await ask();
      said.push(answer.status < 300 ? 'done' : errorOf(answer).code);
    }
    return said;
  };
  expect(await codes()).not.toContain('password-needed');
  await server.sequelize.query("update sessions set proved_at = proved_at - interval '11 minutes'");
  expect(new Set(await codes())).toEqual(new Set(['password-needed']));
  const wrong = await owner.put('/api/session/proof').send({ password: 'not it' });
  expect(errorOf(wrong)).toMatchObject({ code: 'wrong-password', path: 'password' });
  expect(new Set(await codes())).toEqual(new Set(['password-needed']));
  await owner.put('/api/session/proof').send({ password }).expect(204);
  expect(await codes()).not.toContain('password-needed');
});
