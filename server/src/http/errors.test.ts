import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { apiErrors } from '@katharos/contract';
import { readConfig } from '../base/config.ts';
import { errorOf, startTestApp } from '../test/testApp.ts';

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

  test.each<[string, Record<string, string>]>([
    ['DATABASE_URL', {}],
    ['DATABASE_URL', { DATABASE_URL: 'mysql://localhost/x' }],
    ['PORT', { DATABASE_URL: 'postgres://localhost/x', PORT: '99999' }],
    ['KATHAROS_DEMO', { DATABASE_URL: 'postgres://localhost/x', KATHAROS_DEMO: 'yes' }],
  ])('of configuration at %s are named at the start', (name, env) => {
    expect(() => readConfig(env)).toThrow(name);
  });
});
