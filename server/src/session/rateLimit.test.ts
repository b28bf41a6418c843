import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import request from 'supertest';
import { errorOf, password, startTestApp, type TestApp } from '../test/testApp.ts';

let server: TestApp;
// Each try costs the hash that makes guessing slow, a third of a second.

beforeAll(async () => {
  server = await startTestApp({ signInTries: 10 });
});
afterAll(() => server.close());

describe('signing in', () => {
  test('is limited after ten failures, and a right password does not help then', async () => {
    await server.signedIn('fen');
    const tries = { email: 'owner@fen.example', password: 'wrong' };
    for (let i = 0; i < 10; i += 1) {
      await request(server.app).post('/api/session').send(tries).expect(401);
    }
    const right = await request(server.app)
      .post('/api/session')
      .send({ ...tries, password });
    expect(errorOf(right).code).toBe('too-many-tries');
  });
});

describe('the other doors', () => {
  const link = `/api/join/${'x'.repeat(43)}`;

  test('count what failed from an address together in all processes, each door for itself', async () => {
    const ask = () => request(server.app).get(link);
    for (let i = 0; i < 55; i += 1) expect(errorOf(await ask()).code).toBe('not-found');
    // What another process counted is in the same table.
    await server.sequelize.query(
      `insert into failed_tries (subject, failed_at)
       select subject, now() from failed_tries where subject like 'join:%'`,
    );
    expect(errorOf(await ask()).code).toBe('too-many-tries');
    const elsewhere = await request(server.app).get(link.replace('join', 'reset'));
    expect(errorOf(elsewhere).code).toBe('not-found');
    await server.sequelize.query(
      `update failed_tries set failed_at = failed_at - interval '16 minutes'`,
    );
    expect(errorOf(await ask()).code).toBe('not-found');
  });

  test('count every letter that is asked for, whether there is such an account or not', async () => {
    const ask = () => request(server.app).post('/api/reset').send({ email: 'nobody@fen.example' });
    for (let i = 0; i < 5; i += 1) await ask().expect(204);
    expect(errorOf(await ask()).code).toBe('too-many-tries');
  });
});
