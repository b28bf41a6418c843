import { describe, expect, test } from '@jest/globals';
import { integrate } from './integrate.ts';

describe('integrate', () => {
  test('is exact for polynomials up to the rule’s degree', () => {
    // Gauss-Kronrod 15 is exact to degree 22.
    const { values, evaluations, status } = integrate((x, into) => (into[0] = x ** 22), 1, 0, 2);
    expect(status).toBe('converged');
    expect(values[0]).toBeCloseTo(2 ** 23 / 23, 6);
    expect(evaluations).toBeGreaterThanOrEqual(15);
  });

  test('integrates several quantities of one pass, each against its own antiderivative', () => {
    const { values } = integrate(
      (x, into) => {
        into[0] = Math.sin(x);
        into[1] = Math.exp(-x);
        into[2] = 1 / (1 + x * x);
      },
      3,
      0,
      3,
    );
    expect(values[0]).toBeCloseTo(1 - Math.cos(3), 9);
    expect(values[1]).toBeCloseTo(1 - Math.exp(-3), 9);
    expect(values[2]).toBeCloseTo(Math.atan(3), 9);
  });

  test('halves its panels where the function is steep', () => {
    const steep = integrate((x, into) => (into[0] = 1 / (1e-4 + x * x)), 1, -1, 1);
    expect(steep.status).toBe('converged');
    expect(steep.values[0]! / (200 * Math.atan(100))).toBeCloseTo(1, 7);
    expect(steep.evaluations).toBeGreaterThan(60);
  });

  test('says when it ran out of panels', () => {
    const cut = integrate((x, into) => (into[0] = Math.sin(1 / (x + 1e-6))), 1, 0, 1, {
      maxPanels: 5,
    });
    expect(cut.status).toBe('iteration-limit');
    expect(cut.evaluations).toBeLessThanOrEqual(5 * 15);
  });
});
