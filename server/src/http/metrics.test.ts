import { afterAll, beforeAll, expect, test } from '@jest/globals';
import request from 'supertest';
import { startTestApp, type TestApp } from '../test/testApp.ts';

const token = 'a token of sixteen and more';
let server: TestApp;
beforeAll(async () => {
  server = await startTestApp({ metricsToken: token });
});
afterAll(() => server.close());

test('metrics count answers by kind, for whoever brings the token, and say nothing of anybody', async () => {
  const agent = await server.signedIn('weir');
  const { body } = await agent.post('/api/jobs').send({ name: 'Zephyrine Vole' });
  await agent.get(`/api/jobs/${(body as { id: string }).id}`).expect(200);
  await request(server.app).get('/api/jobs').expect(401);
  await request(server.app).get('/metrics').expect(404);
  await request(server.app).get('/metrics').set('Authorization', 'Bearer wrong').expect(404);
  const { text, headers } = await request(server.app)
    .get('/metrics')
    .set('Authorization', `Bearer ${token}`)
    .expect(200);
  expect(headers['content-type']).toMatch(/^text\/plain; version=0\.0\.4/);
  expect(text).toMatch(
    /katharos_answers_seconds_count\{method="GET",about="jobs",status="2xx"\} 1\n/,
  );
  expect(text).toMatch(/about="jobs",status="4xx"\} 1\n/);
  expect(text).toContain('process_cpu_seconds_total');
  expect(text).not.toMatch(/zephyrine|owner@|[0-9a-f]{8}-[0-9a-f]{4}-/i);
});

test('who tries addresses that are none makes no series of their own, however many', async () => {
  for (const path of ['/wp-admin', '/api/zephyrine', '/api/jobs/../secret', '/%C3%B6', '/api/'])
    await request(server.app).get(path);
  for (let i = 0; i < 30; i += 1) await request(server.app).get(`/api/guess-${i}`);
  const { text } = await request(server.app)
    .get('/metrics')
    .set('Authorization', `Bearer ${token}`);
  const named = new Set([...text.matchAll(/about="([^"]*)"/g)].map(([, about]) => about));
  expect(named.size).toBeGreaterThan(1);
  expect([...named].filter((about) => /guess|wp|secret|zephyrine|%/.test(about!))).toEqual([]);
  expect(named).toContain('other');
});
