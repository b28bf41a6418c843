import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import request from 'supertest';
import { password, startTestApp, type TestApp } from '../test/testApp.ts';

const email = 'owner@weir.example';

/** What a page and an answer bring along, and the cookie of a sign-in. */
async function headersOf(server: TestApp) {
  await server.signedIn('weir');
  const answer = await request(server.app).get('/api/meta').expect(200);
  const signedIn = await request(server.app).post('/api/session').send({ email, password });
  const [cookie] = signedIn.headers['set-cookie'] as unknown as [string];
  return { headers: answer.headers as Record<string, string>, cookie };
}

let server: TestApp;

describe('on loopback', () => {
  beforeAll(async () => {
    server = await startTestApp();
  });
  afterAll(() => server.close());

  test('answers are of one origin, in no frame, and what they say they are; no line is made safe that is none', async () => {
    const { headers, cookie } = await headersOf(server);
    const policy = headers['content-security-policy']!;
    for (const said of [
      "default-src 'self'",
      "script-src 'self'",
      "object-src 'none'",
      "frame-ancestors 'self'",
      "base-uri 'self'",
    ])
      expect(policy).toContain(said);
    expect(policy).not.toMatch(/script-src[^;]*unsafe|upgrade-insecure-requests/);
    expect(headers).toMatchObject({
      'x-content-type-options': 'nosniff',
      'referrer-policy': 'no-referrer',
      'x-frame-options': 'SAMEORIGIN',
      'cache-control': 'no-store',
    });
    expect(headers).not.toHaveProperty('strict-transport-security');
    expect(headers).not.toHaveProperty('x-powered-by');
    expect(cookie).toMatch(/^katharos_session=/);
    expect(cookie).not.toMatch(/Secure/);
  });
});

describe('behind TLS', () => {
  beforeAll(async () => {
    server = await startTestApp({ behindTls: true });
  });
  afterAll(() => server.close());

  test('the browser itself holds the cookie to this host, this path and a safe line', async () => {
    const { headers, cookie } = await headersOf(server);
    expect(cookie).toMatch(/^__Host-katharos_session=[\w-]{43};/);
    for (const said of ['Secure', 'HttpOnly', 'SameSite=Strict', 'Path=/'])
      expect(cookie).toContain(said);
    expect(cookie).not.toMatch(/Domain=/);
    expect(headers['strict-transport-security']).toMatch(/max-age=\d{7,}/);
    expect(headers['content-security-policy']).toContain('upgrade-insecure-requests');
  });
});

describe('the page’s files', () => {
  const webRoot = mkdtempSync(join(tmpdir(), 'katharos-web-'));
  beforeAll(async () => {
    mkdirSync(join(webRoot, 'assets'));
    for (const name of ['index.html', 'assets/a-1.js', 'assets/core.worker-1.js', 'assets/b-1.svg'])
      writeFileSync(join(webRoot, name), '<!doctype html>');
    server = await startTestApp({ webRoot });
  });
  afterAll(async () => {
    await server.close();
    rmSync(webRoot, { recursive: true });
  });

  test('a page, a worker and a picture bring the policy; a script of the page brings what counts for it', async () => {
    const of = async (path: string) =>
      (await request(server.app).get(path).expect(200)).headers as Record<string, string>;
    for (const path of ['/jobs', '/assets/core.worker-1.js', '/assets/b-1.svg'])
      expect((await of(path))['content-security-policy']).toContain("script-src 'self'");
    const script = await of('/assets/a-1.js');
    expect(script).toMatchObject({
      'x-content-type-options': 'nosniff',
      'cross-origin-resource-policy': 'same-origin',
      'cache-control': 'public, max-age=31536000, immutable',
    });
    expect(script).not.toHaveProperty('content-security-policy');
    expect(await of('/jobs')).toMatchObject({ 'x-frame-options': 'SAMEORIGIN' });
  });
});
