import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { isMissingPart, mayLoadAgain, statusOfPart } from './missingPart.ts';

const failed = new TypeError(
  'Failed to fetch dynamically imported module: http://here.example/assets/SizeStage-a1.js',
);

describe('a part of the page that did not come', () => {
  const { fetch } = globalThis;
  beforeEach(() => {
    const kept = new Map<string, string>();
    globalThis.sessionStorage = {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => kept.set(key, value),
    } as unknown as Storage;
  });
  afterEach(() => {
    globalThis.fetch = fetch;
    Reflect.deleteProperty(globalThis, 'sessionStorage');
  });

  test('is told from any other error', () => {
    expect(isMissingPart(failed)).toBe(true);
    expect(isMissingPart(new TypeError('x is undefined'))).toBe(false);
    expect(isMissingPart('nothing')).toBe(false);
  });

  test('is looked for at the very address that failed', async () => {
    const ask = jest.fn<typeof fetch>();
    globalThis.fetch = ask;
    ask.mockResolvedValueOnce({ status: 404 } as Response);
    expect(await statusOfPart(failed)).toBe(404);
    expect(ask).toHaveBeenCalledWith('http://here.example/assets/SizeStage-a1.js');
    ask.mockRejectedValueOnce(new TypeError('no line'));
    expect(await statusOfPart(failed)).toBeUndefined();
    expect(await statusOfPart(new Error('without an address'))).toBeUndefined();
  });

  test('is loaded again once, and once more only after a while', () => {
    expect(mayLoadAgain(1_000_000)).toBe(true);
    expect(mayLoadAgain(1_010_000)).toBe(false);
    expect(mayLoadAgain(1_040_000)).toBe(true);
  });
});
