import { describe, expect, test } from '@jest/globals';
import { risePressure } from '../water/waterDensity.ts';
import { type Branch, branchPressure, worstDraw } from './branchPressure.ts';
import { filterResistance } from './prefilterDrop.ts';
import { tapLineLoss } from './tapLine.ts';
import { tubeLoss } from './tubeLoss.ts';

const branch: Branch = {
  kind: 'refrigerator',
  innerDiameterMm: 4.3,
  lengthM: 4,
  riseM: 1,
  neededBar: 1.4,
  flowLPerMin: 1,
};

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

describe('the worst draw', () => {
  const filter = { dropBar: 0.12, atFlowLPerH: 60 };
  const line = {
    tubes: [{ innerDiameterMm: 4.3, lengthM: 1.5 }],
    tapKv: 0.25,
    riseM: 0.8,
    postFilter: filter,
  };
  const tap: Branch = { ...branch, kind: 'second-tap', lengthM: 2, neededBar: 0.1 };

  test('leaves every branch less than it has alone, and a lone branch loses only what the tap takes', () => {
    for (const { aloneBar, worstBar } of worstDraw([branch, tap], line, 2.5, 15))
      expect(worstBar).toBeLessThan(aloneBar);
    const closed = { ...line, tapKv: 1e-6 };
    const [only] = worstDraw([branch], closed, 2.5, 15);
    expect(only!.worstBar).toBeCloseTo(only!.aloneBar, 4);
    expect(only!.aloneBar).toBe(branchPressure(branch, filter, 2.5, 15));
  });

  test('is consistent: what the filter takes is all that is drawn, and the tap’s own line spends what is left', () => {
    const [first, second] = worstDraw([branch, tap], line, 2.5, 15);
    // From either branch's far end back to the tee, the pressure there is the same.
    const teeOf = ({ branch: one, worstBar }: NonNullable<typeof first>) =>
      worstBar + tubeLoss(one, 60 * one.flowLPerMin, 15) + risePressure(one.riseM, 15);
    expect(teeOf(first!)).toBeCloseTo(teeOf(second!), 9);
    const drawn = (2.5 - teeOf(first!)) / filterResistance(filter, 15);
    const tapLPerH = drawn - 120;
    const own = tapLineLoss({ ...line, postFilter: undefined }, tapLPerH, 15).totalBar;
    expect(own).toBeCloseTo(teeOf(first!), 6);
  });

  test('of a source too weak for the branches leaves the tap shut and says so by pressures below nothing', () => {
    const [weak] = worstDraw([branch, tap], line, 0.2, 15);
    expect(weak!.worstBar).toBeLessThan(0);
    expect(Number.isFinite(weak!.worstBar)).toBe(true);
  });
});
