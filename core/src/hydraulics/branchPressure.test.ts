import { expect, test } from '@jest/globals';
import { branchPressure } from './branchPressure.ts';

const branch = { innerDiameterMm: 4.3, lengthM: 4, riseM: 1, neededBar: 1.4, flowLPerMin: 1 };

test('a branch loses what it is lifted, and more the longer and narrower it is', () => {
  const still = branchPressure({ ...branch, flowLPerMin: 1e-9 }, undefined, 3, 15);
  // A metre of water at 15 C is 0.0980 bar.
  expect(3 - still).toBeCloseTo(0.098, 3);
  const drawing = branchPressure(branch, undefined, 3, 15);
  expect(drawing).toBeLessThan(still);
  const twice = branchPressure({ ...branch, lengthM: 8 }, undefined, 3, 15);
  expect((still - twice) / (still - drawing)).toBeCloseTo(2, 9);
  expect(branchPressure({ ...branch, innerDiameterMm: 6.35 }, undefined, 3, 15)).toBeGreaterThan(
    drawing,
  );
  const filter = { dropBar: 0.12, atFlowLPerH: 60 };
  expect(drawing - branchPressure(branch, filter, 3, 25)).toBeGreaterThan(0.1);
});
