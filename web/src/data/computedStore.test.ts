import 'fake-indexeddb/auto';
import { beforeEach, expect, test } from '@jest/globals';
import { computed, forgetComputed, keepComputed } from './computedStore.ts';

beforeEach(forgetComputed);

test('an answer comes back as it was given, also one that says nothing', async () => {
  const answer = { ratio: Number.NaN, most: Infinity, days: [1, 2], none: undefined };
  await keepComputed('a', answer);
  await keepComputed('b', null);
  expect((await computed('a'))?.answer).toEqual(answer);
  expect((await computed('b'))?.answer).toBeNull();
  expect(await computed('c')).toBeUndefined();
});

test('a hundred are kept, and nothing of the person who signed out', async () => {
  for (let i = 0; i < 105; i += 1) await keepComputed(`answer ${i}`, i);
  const left = await Promise.all(Array.from({ length: 105 }, (_, i) => computed(`answer ${i}`)));
  expect(left.filter(Boolean)).toHaveLength(100);
  expect(left[104]?.answer).toBe(104);
  await forgetComputed();
  expect(await computed('answer 104')).toBeUndefined();
});
