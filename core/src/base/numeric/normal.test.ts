import { describe, expect, test } from '@jest/globals';
import { logNormalBetween, logSum, normalShare } from './normal.ts';

describe('the normal distribution', () => {
  // Abramowitz and Stegun (1964), table 26.1.
  test.each([
    [0, 0.5],
    [1, 0.841344746],
    [-1, 0.158655254],
    [1.96, 0.975002105],
    [3.5, 0.999767371],
  ])('below %d lies %d', (x, share) => {
    expect(normalShare(x)).toBeCloseTo(share, 6);
  });

  test('between two places lies the difference of what lies below them', () => {
    for (const [low, high] of [
      [-1, 1],
      [-3, -0.5],
      [0.2, 2.9],
    ] as const) {
      expect(Math.exp(logNormalBetween(low, high))).toBeCloseTo(
        normalShare(high) - normalShare(low),
        6,
      );
    }
  });

  test('far out the share is still known by its logarithm, where it is nothing as a number', () => {
    // Mills' ratio: the tail beyond x is about the density over x.
    const x = 40;
    const tail = -0.5 * x * x - Math.log(x * Math.sqrt(2 * Math.PI));
    expect(logNormalBetween(x, Infinity)).toBeCloseTo(tail, 2);
    expect(logNormalBetween(-Infinity, -x)).toBeCloseTo(tail, 2);
    expect(logNormalBetween(1, 1)).toBe(-Infinity);
  });

  test('a sum of exponentials does not overflow', () => {
    expect(logSum([1000, 1000])).toBeCloseTo(1000 + Math.LN2, 9);
    expect(logSum([-Infinity, -Infinity])).toBe(-Infinity);
  });
});
