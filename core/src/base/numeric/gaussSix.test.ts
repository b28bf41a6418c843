import { expect, test } from '@jest/globals';
import { gaussSix } from './gaussSix.ts';

test('is exact to the eleventh degree, each quantity by itself, and no further', () => {
  const [even, odd, beyond] = gaussSix(
    (x, into) => {
      into[0] = x ** 10;
      into[1] = x ** 11 - 2 * x;
      into[2] = x ** 12;
    },
    3,
    0,
    2,
  );
  expect(even).toBeCloseTo(2 ** 11 / 11, 8);
  expect(odd).toBeCloseTo(2 ** 12 / 12 - 4, 8);
  expect(Math.abs(beyond! - 2 ** 13 / 13)).toBeGreaterThan(1e-5);
});
