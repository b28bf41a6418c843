import { expect, test } from '@jest/globals';
import { carbonLifeMonths } from './carbonLife.ts';

test('carbon is spent when the feed has brought its capacity', () => {
  const capacities = [
    { chlorine: 40, chloramine: 6 },
    { chlorine: 20, chloramine: 30 },
  ];
  // 60 g over 1 mg/L x 100 L/day are 600 days.
  const months = carbonLifeMonths(capacities, { kind: 'chlorine', residualMgL: 1 }, 100);
  expect(months).toBeCloseTo(600 / 30.4375, 9);
  expect(carbonLifeMonths(capacities, { kind: 'chlorine', residualMgL: 2 }, 50)).toBeCloseTo(
    months,
    9,
  );
  expect(carbonLifeMonths(capacities, { kind: 'chloramine', residualMgL: 1 }, 100)).toBeCloseTo(
    0.6 * months,
    9,
  );
  expect(carbonLifeMonths(capacities, { kind: 'chlorine', residualMgL: 0 }, 100)).toBe(Infinity);
});
