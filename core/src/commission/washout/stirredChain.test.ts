import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { ChainSolver, type StirredChain } from './stirredChain.ts';

/** The same by small steps, each a share of what stands there: the plain way. */
function bySmallSteps({ volumesL, startsAt, inflow }: StirredChain, waterL: number): number {
  const steps = 40_000;
  const h = waterL / steps;
  let state = [...startsAt];
  const flowing = (from: readonly number[], at: number) =>
    from.map((strength, i) => {
      const before =
        i > 0
          ? from[i - 1]!
          : inflow.reduce((sum, one) => sum + one.strength * Math.exp(-at / one.volumeL), 0);
      return (before - strength) / volumesL[i]!;
    });
  for (let step = 0; step < steps; step += 1) {
    const slope = flowing(state, step * h);
    const middle = flowing(
      state.map((strength, i) => strength + (slope[i]! * h) / 2),
      (step + 0.5) * h,
    );
    state = state.map((strength, i) => strength + middle[i]! * h);
  }
  return state.at(-1)!;
}

describe('stirred volumes in a row', () => {
  test('one alone clears by the exponential of the water passed', () => {
    const one = new ChainSolver({ volumesL: [1.36], startsAt: [85], inflow: [] });
    expect(one.after(2.72)).toBeCloseTo(85 * Math.exp(-2), 10);
    expect(one.lastAbove(0.1)).toBeCloseTo(1.36 * Math.log(850), 9);
  });

  test('equal ones, where partial fractions divide by zero, give the gamma law', () => {
    const three = new ChainSolver({ volumesL: [2, 2, 2], startsAt: [1, 1, 1], inflow: [] });
    for (const waterL of [0.5, 4, 20]) {
      const x = waterL / 2;
      expect(three.after(waterL)).toBeCloseTo(Math.exp(-x) * (1 + x + (x * x) / 2), 11);
    }
  });

  test('agrees with small steps, whatever the volumes', () => {
    const volume = fc.double({ min: 0.05, max: 8, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(volume, { minLength: 1, maxLength: 4 }),
        volume,
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        (volumesL, released, waterL) => {
          const chain = {
            volumesL,
            startsAt: volumesL.map(() => 0),
            inflow: [
              { strength: 0.97, volumeL: released },
              { strength: 0.03, volumeL: 6 },
            ],
          };
          expect(new ChainSolver(chain).after(waterL)).toBeCloseTo(bySmallSteps(chain, waterL), 5);
        },
      ),
      { numRuns: 25 },
    );
  });

  test('the last water above a strength is behind the rise, and nothing where it never gets there', () => {
    const chain = new ChainSolver({
      volumesL: [1, 3],
      startsAt: [0, 0],
      inflow: [{ strength: 1, volumeL: 0.4 }],
    });
    const last = chain.lastAbove(0.02);
    expect(chain.after(last)).toBeCloseTo(0.02, 9);
    expect(chain.after(last + 0.01)).toBeLessThan(0.02);
    expect(chain.after(0.05)).toBeLessThan(0.02);
    expect(chain.lastAbove(0.5)).toBe(0);
  });
});
