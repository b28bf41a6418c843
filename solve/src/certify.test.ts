import { readFileSync } from 'node:fs';
import { expect, test } from '@jest/globals';
import { answer } from './answer.ts';

interface SolvedCase {
  id: string;
  request: { kind: string };
  expected: Record<string, unknown>;
}

const cases = readFileSync(new URL('./certifications.jsonl', import.meta.url), 'utf8')
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line) as SolvedCase);

test.each(cases)('$id', ({ id, request, expected }) => {
  expect(answer({ ...request, id })).toEqual({ id, ...expected });
});

test('a check that there is no word for is refused at its field', () => {
  const [{ request }] = cases as [SolvedCase & { request: { checks: object } }];
  const wrong = { ...request, checks: { ...request.checks, stops: 'perhaps' } };
  expect(answer(wrong)).toMatchObject({ error: { path: 'checks.stops' } });
});
