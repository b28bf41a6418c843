import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { findRoot } from './findRoot.ts';

describe('findRoot', () => {
  test.each<[string, (x: number) => number, number, number, number]>([
    ['cosine', Math.cos, 0, 3, Math.PI / 2],
    ['cube root of 2', (x) => x ** 3 - 2, 0, 2, 2 ** (1 / 3)],
    ['a steep exponential', (x) => Math.exp(20 * x) - 5, -1, 1, Math.log(5) / 20],
    ['a flat ninth power', (x) => (x - 0.3) ** 9, -1, 2, 0.3],
  ])('finds %s', (_name, f, low, high, root) => {
    const search = findRoot(f, low, high);
    expect(search.status).toBe('converged');
    expect(search.x).toBeCloseTo(root, 7);
  });

  test('takes a root at either end', () => {
    expect(findRoot((x) => x, 0, 5)).toMatchObject({ status: 'converged', x: 0 });
    expect(findRoot((x) => x - 5, 0, 5)).toMatchObject({ status: 'converged', x: 5 });
  });

  test.each<[string, (x: number) => number]>([
    ['no sign change', (x) => x * x + 1],
    ['an end that is no number', (x) => 1 + Math.log(x)],
  ])('says that there is no bracket: %s', (_name, f) => {
    expect(findRoot(f, -1, 1)).toMatchObject({ status: 'no-bracket', x: NaN });
  });

  test('says that the function broke off inside the bracket', () => {
    const broken = (x: number) => (Math.abs(x) < 0.9 ? NaN : x);
    expect(findRoot(broken, -1, 1).status).toBe('no-bracket');
  });

  test('says when it ran out of evaluations, and has not spent more', () => {
    let calls = 0;
    const search = findRoot(
      (x) => {
        calls += 1;
        return x ** 3 - 2;
      },
      -1e6,
      1e6,
      { maxEvaluations: 6 },
    );
    expect(search).toMatchObject({ status: 'iteration-limit', evaluations: 6 });
    expect(calls).toBe(6);
  });

  test('never needs many more evaluations than bisection would', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.99, max: 0.99, noNaN: true }),
        fc.integer({ min: 1, max: 9 }),
        (root, power) => {
          const f = (x: number) => Math.sign(x - root) * Math.abs(x - root) ** power;
          const search = findRoot(f, -1, 1);
          expect(search.status).toBe('converged');
          expect(Math.abs(search.x - root)).toBeLessThan(1e-9);
          expect(search.evaluations).toBeLessThan(100);
        },
      ),
    );
  });
});
