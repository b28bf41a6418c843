import { expect, test } from '@jest/globals';
import type { ExpectedReadings } from '@katharos/core';
import { evidenceOf } from './diagnosis.ts';
import { readerOf } from './reader.ts';

const expected = {
  chlorineAfterCarbonMgL: { middle: 0.01, low: 0, high: 0.06 },
} as unknown as ExpectedReadings;
const told = (seen: number) =>
  evidenceOf(
    [{ code: 'chlorineAfterCarbonMgL', seen }],
    expected,
    readerOf({ units: 'metric' }),
  ).map(({ code }) => code);

test('a reading that a sound system shows is no evidence, also where its band stops at nothing', () => {
  expect(told(0.05)).toEqual([]);
  expect(told(0)).toEqual([]);
  expect(told(0.2)).toEqual(['chlorineAfterCarbonMgL']);
});
