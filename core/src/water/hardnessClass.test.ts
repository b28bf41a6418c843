import { expect, test } from '@jest/globals';
import { practiceLimits } from '../base/practice.ts';
import { hardnessClass } from './hardnessClass.ts';

test.each([
  [5, 'soft'],
  [60, 'soft'],
  [61, 'moderately-hard'],
  [120, 'moderately-hard'],
  [121, 'hard'],
  [180, 'hard'],
  [250, 'very-hard'],
])('%d mg/L is %s, as tabulated', (mgL, named) => expect(hardnessClass(mgL)).toBe(named));

test('what counts as hard where scale is judged is called hard', () => {
  expect(hardnessClass(practiceLimits.hardMgL)).toBe('moderately-hard');
  expect(hardnessClass(practiceLimits.hardMgL + 1)).toBe('hard');
});
