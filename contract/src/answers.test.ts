import { describe, expect, test } from '@jest/globals';
import { answers, answerSchema } from './answers.ts';

describe('the schema of an answer', () => {
  test('is found for every address that is asked, whatever stands in its open places', () => {
    for (const [asked, schema] of Object.entries(answers)) {
      const [method, address] = asked.split(' ') as [string, string];
      expect(answerSchema(method, address.replaceAll(/:\w+/g, '3f-9'))).toBe(schema);
    }
  });

  test('is that of the address itself where an open place would take it as well', () => {
    expect(answerSchema('GET', '/catalogue/all')).toBe(answers['GET /catalogue/all']);
    expect(answerSchema('POST', '/jobs/file')).toBe(answers['POST /jobs/file']);
  });

  test('lacks where an answer says nothing, and for an address that only begins alike', () => {
    expect(answerSchema('DELETE', '/jobs/1')).toBeUndefined();
    expect(answerSchema('GET', '/jobs/1/papers/2/3')).toBeUndefined();
    expect(answerSchema('GET', '/metadata')).toBeUndefined();
  });
});
