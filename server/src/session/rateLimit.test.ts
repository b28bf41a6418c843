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
