import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { apiErrors } from '@katharos/contract';
import { readConfig } from '../base/config.ts';
import express from 'express';
import { pino } from 'pino';
import request from 'supertest';
import { errorOf, startTestApp } from '../test/testApp.ts';
import { answerErrors } from './errors.ts';

describe('errors', () => {
  test('of the catalogue are all answered somewhere, and no other is', () => {
    const root = join(import.meta.dirname, '..');
    const sources = readdirSync(root, { recursive: true, encoding: 'utf8' })
      .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
      .map((name) => readFileSync(join(root, name), 'utf8'))
      .join('\n');
    const thrown = [...sources.matchAll(/ApiError\(\s*'([a-z-]+)'/g)].map((match) => match[1]);
    const parsed = [...sources.matchAll(/'[a-z.]+': '([a-z-]+)',/g)].map((match) => match[1]);
    expect([...new Set([...thrown, ...parsed])].sort()).toEqual(Object.keys(apiErrors).sort());
  });

  test('that nobody foresaw are answered with a sentence, and the cause goes to the log', async () => {
    const broken = await startTestApp();
    const own = await broken.signedIn('ghyll');
    await broken.close();
    const answer = await own.get('/api/jobs');
    expect(errorOf(answer).code).toBe('internal');
    expect(broken.log.join('')).toContain('request failed');
  });

  test.each([
    ['a pooler whose database starts anew', { severity: 'FATAL', code: '08P01' }, 503, 'busy'],
    ['a database that is stopped', { severity: 'FATAL', code: '57P01' }, 503, 'busy'],
    ['a wrong password of ours', { severity: 'FATAL', code: '28P01' }, 500, 'internal'],
  ])('of the driver itself are told apart: %s', async (_which, said, status, code) => {
    const app = express();
    app.get('/', () => {
      throw Object.assign(new Error('said by the driver'), said);
    });
    app.use(answerErrors(pino({ level: 'silent' })));
    const answer = await request(app).get('/');
    expect([answer.status, errorOf(answer).code]).toEqual([status, code]);
  });

  test.each<[string, Record<string, string>]>([
    ['DATABASE_URL', {}],
    ['DATABASE_URL', { DATABASE_URL: 'mysql://localhost/x' }],
    ['PORT', { DATABASE_URL: 'postgres://localhost/x', PORT: '99999' }],
    ['KATHAROS_DEMO', { DATABASE_URL: 'postgres://localhost/x', KATHAROS_DEMO: 'yes' }],
  ])('of configuration at %s are named at the start', (name, env) => {
    expect(() => readConfig(env)).toThrow(name);
  });
});
