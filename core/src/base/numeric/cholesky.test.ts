import { expect, test } from '@jest/globals';
import { backward, cholesky, forward, solveBy } from './cholesky.ts';

// L = [[2, 0, 0], [6, 1, 0], [-8, 5, 3]] by hand.
const matrix = Float64Array.from([4, 12, -16, 12, 37, -43, -16, -43, 98]);

test('a matrix is the product of its factor and the factor transposed', () => {
  const { lower, logDeterminant } = cholesky(matrix, 3);
  expect([...lower]).toEqual([2, 0, 0, 6, 1, 0, -8, 5, 3]);
  expect(Math.exp(logDeterminant)).toBeCloseTo(36, 9);
});

test('what is solved by it gives back the right side', () => {
  const factor = cholesky(matrix, 3);
  const x = solveBy(factor, Float64Array.from([1, 2, 3]));
  const back = [0, 1, 2].map((i) =>
    [0, 1, 2].reduce((sum, k) => sum + matrix[3 * i + k]! * x[k]!, 0),
  );
  [1, 2, 3].forEach((wanted, i) => expect(back[i]).toBeCloseTo(wanted, 9));
  const b = Float64Array.from([5, -1, 2]);
  expect([...backward(factor, forward(factor, b))]).toEqual([...solveBy(factor, b)]);
});

test('one that is not positive definite is refused', () => {
  expect(() => cholesky(Float64Array.from([1, 2, 2, 1]), 2)).toThrow(RangeError);
});
