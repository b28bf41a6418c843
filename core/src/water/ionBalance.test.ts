import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { type Ion, ionBalance, ions, milliequivalents, solidsOfIons } from './ionBalance.ts';

describe('the ion balance', () => {
  test('of a salt dissolved in water is even, whatever the salt and however much', () => {
    const cations = (Object.keys(ions) as Ion[]).filter((ion) => ions[ion].charge > 0);
    const anions = (Object.keys(ions) as Ion[]).filter((ion) => ions[ion].charge < 0);
    fc.assert(
      fc.property(
        fc.constantFrom(...cations),
        fc.constantFrom(...anions),
        fc.double({ min: 0.1, max: 50, noNaN: true }),
        (cation, anion, meq) => {
          const grams = (ion: Ion) => (meq * ions[ion].grams) / Math.abs(ions[ion].charge);
          const given = { [cation]: grams(cation), [anion]: grams(anion) };
          const { difference, balanced, cationsMeqL } = ionBalance({ ions: given });
          expect(Math.abs(difference)).toBeLessThan(1e-12);
          expect(balanced).toBe(true);
          expect(cationsMeqL).toBeCloseTo(meq, 9);
        },
      ),
    );
  });

  test('finds an ion that was left out, and says which are not listed', () => {
    const whole = { calcium: 60, magnesium: 12, sodium: 18, bicarbonate: 210, chloride: 24 };
    expect(ionBalance({ ions: whole }).missing).toEqual(['sulfate']);
    const full = { ...whole, sulfate: 34, nitrate: 10 };
    expect(ionBalance({ ions: full })).toMatchObject({ balanced: true, missing: [] });
    const { bicarbonate: _left, ...without } = full;
    expect(ionBalance({ ions: without })).toMatchObject({
      balanced: false,
      missing: ['bicarbonate'],
    });
  });

  test('takes hardness and alkalinity for the ions they are made of', () => {
    const ionsOnly = ionBalance({ ions: { calcium: 40.078, bicarbonate: 122.032 } });
    const summed = ionBalance({ ions: {}, hardnessMgL: 100.087, alkalinityMgL: 100.087 });
    expect(summed.cationsMeqL).toBeCloseTo(ionsOnly.cationsMeqL, 6);
    expect(summed.anionsMeqL).toBeCloseTo(ionsOnly.anionsMeqL, 6);
    // Calcium that is listed beside the hardness is not counted twice.
    const both = ionBalance({ ions: { calcium: 40.078 }, hardnessMgL: 100.087 });
    expect(both.cationsMeqL).toBeCloseTo(2, 4);
    expect(milliequivalents('calcium', 40.078)).toBeCloseTo(2, 9);
  });

  test('sums solids as a dried sample weighs: bicarbonate by half', () => {
    expect(solidsOfIons({ ions: { sodium: 23, chloride: 35 } })).toBeCloseTo(58, 9);
    // 122.032 mg of bicarbonate leave 60 mg of carbonate.
    expect(solidsOfIons({ ions: { bicarbonate: 122.032 } })).toBeCloseTo(60.0, 1);
  });
});
