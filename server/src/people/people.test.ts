import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { openSessionsSchema, peopleSchema, type Role, sessionSchema } from '@katharos/contract';
import { type JobDocument, jobFileOf } from '@katharos/job';
import request from 'supertest';
import {
  errorOf,
  password,
  startTestApp,
  type TestApp,
  verifiedDocument,
} from '../test/testApp.ts';

let server: TestApp;
type Agent = Awaited<ReturnType<TestApp['signedIn']>>;
let owner: Agent;
const good = 'heron kettle seven';

beforeAll(async () => {
  server = await startTestApp({ signInTries: 5 });
  owner = await server.signedIn('guild');
});
afterAll(() => server.close());

const people = async () => peopleSchema.parse((await owner.get('/api/people').expect(200)).body);

/** Invites somebody and lets them join. */
async function joined(name: string, role: Role): Promise<{ agent: Agent; id: string }> {
  const { body } = await owner.post('/api/people/invitations').send({ name, role }).expect(201);
  const agent = request.agent(server.app);
  const email = `${name.toLowerCase()}@guild.example`;
  const answer = await agent
    .post(`/api${(body as { path: string }).path}`)
    .send({ name, email, password: good })
    .expect(201);
  return { agent, id: sessionSchema.parse(answer.body).user.id };
}

describe('an invitation', () => {
  test('is a link that makes a person once, says whose firm it is, and can be taken back', async () => {
    const { body } = await owner
      .post('/api/people/invitations')
      .send({ name: 'Ivo', role: 'installer' })
      .expect(201);
    const { path } = body as { path: string };
    const stranger = request(server.app);
    expect((await stranger.get(`/api${path}`).expect(200)).body).toEqual({
      firm: 'guild',
      name: 'Ivo',
      role: 'installer',
    });
    const join = (secret: string, email = 'ivo@guild.example') =>
      stranger.post(`/api${path}`).send({ name: 'Ivo Marsh', email, password: secret });
    expect(errorOf(await join('too short'))).toMatchObject({ path: 'password' });
    for (const common of ['passwordpassword', '123412341234', 'ivo.ivo.ivo.', 'unbelievable'])
      expect([common, errorOf(await join(common)).code]).toEqual([common, 'common-password']);
    expect(errorOf(await join(good, 'owner@guild.example')).code).toBe('email-taken');
    await join(good).expect(201);
    expect(errorOf(await join(good, 'again@guild.example')).code).toBe('not-found');
    const { people: all, invitations } = await people();
    expect(all).toContainEqual(expect.objectContaining({ name: 'Ivo Marsh', role: 'installer' }));
    expect(invitations).toEqual([]);

    const other = await owner
      .post('/api/people/invitations')
      .send({ name: 'Nobody', role: 'helper' });
    const [open] = (await people()).invitations;
    await owner.delete(`/api/people/invitations/${open!.id}`).expect(204);
    await stranger.get(`/api${(other.body as { path: string }).path}`).expect(404);
  });
});

describe('a role', () => {
  test('a helper records and decides nothing; nobody but an owner sees to people', async () => {
    const { agent: helper, id } = await joined('Hale', 'helper');
    const job = (
      (await helper.post('/api/jobs').send({ name: 'x' }).expect(201)).body as { id: string }
    ).id;
    const document = verifiedDocument();
    const decided = structuredClone(document);
    document.keep.issued = null;
    document.system!.agreed = null;
    await helper.put(`/api/jobs/${job}`).send({ version: 1, document }).expect(200);
    const put = (by: Agent, version: number) =>
      by.put(`/api/jobs/${job}`).send({ version, document: decided });
    expect(errorOf(await put(helper, 2)).code).toBe('not-allowed');
    const paper = {
      kind: 'certificate',
      units: 'metric',
      timeZone: 'UTC',
      at: '2026-03-01T18:30:00.000Z',
      regardless: true,
    };
    expect(errorOf(await helper.post(`/api/jobs/${job}/papers`).send(paper)).code).toBe(
      'not-allowed',
    );
    const settings = { units: 'metric', currency: 'EUR', paper: 'A4' };
    expect(errorOf(await helper.put('/api/firm/settings').send(settings)).code).toBe('not-allowed');
    expect(errorOf(await helper.get('/api/people')).code).toBe('not-allowed');
    expect(errorOf(await helper.patch(`/api/jobs/${job}`).send({ shelf: 'removed' })).code).toBe(
      'not-allowed',
    );
    const file = (of: JobDocument) =>
      helper.post('/api/jobs/file').send(jobFileOf({ number: 1, document: of }, [], new Date()));
    expect(errorOf(await file(decided)).code).toBe('not-allowed');
    await file(document).expect(201);
    await put(owner, 2).expect(200);

    await owner.patch(`/api/people/${id}`).send({ role: 'installer' }).expect(204);
    await helper.post(`/api/jobs/${job}/papers`).send(paper).expect(201);
    expect(errorOf(await helper.patch(`/api/people/${id}`).send({ role: 'owner' })).code).toBe(
      'not-allowed',
    );
  });

  test('a firm is never without an owner, and another firm’s people are not found', async () => {
    const own = (await people()).people.find(({ email }) => email === 'owner@guild.example')!;
    expect(errorOf(await owner.delete(`/api/people/${own.id}`)).code).toBe('last-owner');
    expect(errorOf(await owner.patch(`/api/people/${own.id}`).send({ role: 'helper' })).code).toBe(
      'last-owner',
    );
    const stranger = await server.signedIn('rival');
    expect(errorOf(await stranger.delete(`/api/people/${own.id}`)).code).toBe('not-found');
    expect(
      errorOf(await stranger.patch(`/api/people/${own.id}`).send({ role: 'helper' })).code,
    ).toBe('not-found');
  });
});

describe('letting somebody go', () => {
  test('ends what they have open at once; what they did stays under their name', async () => {
    const { agent: leaver, id } = await joined('Lorn', 'installer');
    await leaver.post('/api/jobs').send({ name: 'By Lorn' }).expect(201);
    await owner.delete(`/api/people/${id}`).expect(204);
    expect(errorOf(await leaver.get('/api/jobs')).code).toBe('let-go');
    const again = request(server.app).post('/api/session');
    const answer = await again.send({ email: 'lorn@guild.example', password: good });
    expect(errorOf(answer).code).toBe('wrong-credentials');
    expect((await people()).people.some((one) => one.id === id)).toBe(false);
    // Their address is free again.
    await joined('Lorn', 'helper');
  });
});

describe('signing in', () => {
  const tryIn = (email: string, secret: string) =>
    request(server.app).post('/api/session').send({ email, password: secret });

  test('a failed colleague locks out themselves and nobody else behind the same address', async () => {
    await joined('Ames', 'installer');
    for (let i = 0; i < 5; i += 1) await tryIn('ames@guild.example', 'wrong').expect(401);
    expect(errorOf(await tryIn('ames@guild.example', good)).code).toBe('too-many-tries');
    expect(errorOf(await tryIn(' AMES@guild.example', good)).code).toMatch(/too-many|invalid/);
    await tryIn('owner@guild.example', password).expect(201);
  });

  test('who knows the password begins anew after failures', async () => {
    await joined('Bede', 'installer');
    for (let round = 0; round < 3; round += 1) {
      for (let i = 0; i < 4; i += 1) await tryIn('bede@guild.example', 'wrong').expect(401);
      await tryIn('bede@guild.example', good).expect(201);
    }
  });

  test('sessions are listed and ended, and a new password ends all others', async () => {
    const { agent } = await joined('Corin', 'office');
    const elsewhere = request.agent(server.app);
    await elsewhere
      .post('/api/session')
      .set('User-Agent', 'A telephone')
      .send({ email: 'corin@guild.example', password: good })
      .expect(201);
    const list = async () =>
      openSessionsSchema.parse((await agent.get('/api/session/all').expect(200)).body).sessions;
    const sessions = await list();
    expect(sessions.map(({ own }) => own).sort()).toEqual([false, true]);
    const other = sessions.find(({ own }) => !own)!;
    expect(other.device).toBe('A telephone');
    expect(errorOf(await owner.delete(`/api/session/all/${other.id}`)).code).toBe('not-found');
    await agent.delete(`/api/session/all/${other.id}`).expect(204);
    await elsewhere.get('/api/jobs').expect(401);

    const third = request.agent(server.app);
    await third.post('/api/session').send({ email: 'corin@guild.example', password: good });
    const change = (current: string, next: string) =>
      agent.put('/api/session/password').send({ current, next });
    expect(errorOf(await change('not it', 'another long secret'))).toMatchObject({
      code: 'wrong-password',
      path: 'current',
    });
    expect(errorOf(await change(good, 'corin corin corin'))).toMatchObject({ path: 'next' });
    await change(good, 'another long secret').expect(204);
    await third.get('/api/jobs').expect(401);
    await agent.get('/api/jobs').expect(200);
    await tryIn('corin@guild.example', 'another long secret').expect(201);
  });
});
