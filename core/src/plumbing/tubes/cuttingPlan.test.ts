import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { cuttingPlan, leastUsefulM } from './cuttingPlan.ts';

const pieces = (...lengths: number[]) => lengths.map((lengthM, i) => ({ id: `p${i}`, lengthM }));
const coils = (...lengths: number[]) => lengths.map((lengthM, i) => ({ id: `c${i}`, lengthM }));

describe('the cutting plan', () => {
  test('loses no tube: what was cut and what is left make up each coil', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.2, max: 3, noNaN: true }), { minLength: 1, maxLength: 8 }),
        fc.array(fc.double({ min: 1, max: 8, noNaN: true }), { minLength: 1, maxLength: 3 }),
        (wanted, held) => {
          const plan = cuttingPlan(coils(...held), pieces(...wanted));
          for (const { coil, pieces: cut, leftM } of plan.cuts) {
            expect(leftM).toBeGreaterThanOrEqual(-1e-9);
            expect(cut.reduce((sum, { lengthM }) => sum + lengthM, leftM)).toBeCloseTo(
              coil.lengthM,
              9,
            );
          }
          const placed = plan.cuts.flatMap(({ pieces: cut }) => cut.map(({ id }) => id));
          expect([...placed, ...plan.missing.map(({ id }) => id)].sort()).toEqual(
            wanted.map((_, i) => `p${i}`).sort(),
          );
        },
      ),
      { numRuns: 60 },
    );
  });

  test('finds the plan without waste where the long coil first would waste', () => {
    // 3 m holds 1.6 + 1.4 exactly, 2 m holds the 2.0: cutting greedily leaves 1.0 and 0.6 instead.
    const plan = cuttingPlan(coils(3, 2), pieces(1.6, 2, 1.4));
    expect(plan).toMatchObject({ missing: [], wasteM: 0, gapM: 0 });
    expect(cuttingPlan(coils(1.7), pieces(1.5)).wasteM).toBeCloseTo(0.2, 9);
    expect(cuttingPlan(coils(1.5 + leastUsefulM), pieces(1.5)).wasteM).toBe(0);
  });

  test('is the best of all ways to cut, tried one by one', () => {
    const everyWay = (held: number[], wanted: number[]) => {
      let best = { missing: Infinity, waste: Infinity };
      const rest = [...held];
      const go = (index: number, missing: number): void => {
        if (index === wanted.length) {
          const waste = rest.reduce(
            (sum, left, i) => sum + (left < held[i]! && left < 40 ? left : 0),
            0,
          );
          if (missing < best.missing || (missing === best.missing && waste < best.waste))
            best = { missing, waste };
          return;
        }
        rest.forEach((left, i) => {
          if (left < wanted[index]!) return;
          rest[i] = left - wanted[index]!;
          go(index + 1, missing);
          rest[i] = left;
        });
        go(index + 1, missing + 1);
      };
      go(0, 0);
      return best;
    };
    const centimetres = (min: number, max: number) => fc.integer({ min, max });
    fc.assert(
      fc.property(
        fc.array(centimetres(15, 200), { minLength: 1, maxLength: 6 }),
        fc.array(centimetres(60, 320), { minLength: 1, maxLength: 3 }),
        (wanted, held) => {
          const longestFirst = [...wanted].sort((a, b) => b - a);
          const plan = cuttingPlan(
            coils(...held.map((cm) => cm / 100)),
            pieces(...wanted.map((cm) => cm / 100)),
          );
          const best = everyWay(held, longestFirst);
          expect(plan.gapM).toBe(0);
          expect(plan.missing).toHaveLength(best.missing);
          expect(plan.wasteM).toBeCloseTo(best.waste / 100, 9);
        },
      ),
      { numRuns: 300 },
    );
  });

  test('says which pieces have no coil left', () => {
    const plan = cuttingPlan(coils(1), pieces(0.9, 0.8));
    expect(plan.missing).toHaveLength(1);
    expect(cuttingPlan([], pieces(1)).missing).toHaveLength(1);
    // The longest fits, but without it both others do.
    expect(cuttingPlan(coils(2), pieces(1.5, 1, 1)).missing.map(({ id }) => id)).toEqual(['p0']);
  });
});
