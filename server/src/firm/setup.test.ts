import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import request from 'supertest';
import { errorOf, setupCode, startTestApp, type TestApp } from '../test/testApp.ts';

let server: TestApp;
beforeAll(async () => {
  server = await startTestApp();
});
afterAll(() => server.close());

describe('setting up', () => {
  const owner = {
    firm: 'Fell Water',
    name: 'Isolde Crane',
    email: 'isolde@fell.example',
    password: 'ten letters or more',
  };

  test('takes the printed code, once', async () => {
    const meta = await request(server.app).get('/api/meta').expect(200);
    expect(meta.body).toEqual({ demo: null, setupNeeded: true });
    const post = (body: object) => request(server.app).post('/api/setup').send(body);
    expect(errorOf(await post({ ...owner, code: '87654321' })).code).toBe('wrong-setup-code');
    expect(errorOf(await post({ ...owner, code: setupCode, password: 'short' }))).toMatchObject({
      code: 'invalid-input',
      path: 'password',
    });
    const [first, second] = await Promise.all([
      post({ ...owner, code: setupCode }),
      post({ ...owner, email: 'other@fell.example', code: setupCode }),
    ]);
    expect([first.status, second.status].sort()).toEqual([201, 409]);
    expect(errorOf(first.status === 409 ? first : second).code).toBe('already-set-up');
    const parts = await request
      .agent(server.app)
      .get('/api/catalogue')
      .set('Cookie', String((first.status === 201 ? first : second).headers['set-cookie']));
    expect((parts.body as { parts: unknown[] }).parts.length).toBeGreaterThan(20);
  });
});
