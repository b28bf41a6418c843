import { describe, expect, test } from '@jest/globals';
import { standardUncertainty, usualTestInstruments } from './diagnosis/uncertainty.ts';
import {
  type InstrumentKind,
  testInstrumentsOf,
  trustedAccuracy,
  usualAccuracy,
} from './instrument.ts';

describe('an instrument', () => {
  test('in time and unadjusted reads as its data sheet says; each interval late it is as uncertain again, up to four times', () => {
    const pen = usualAccuracy['tds-pen'];
    const at = (late: number) => trustedAccuracy('tds-pen', pen, late, null);
    expect(at(-0.5)).toEqual(pen);
    expect(at(1)).toEqual({ percent: 4, absolute: 2, fullScaleBar: 0 });
    expect(at(50)).toEqual({ percent: 8, absolute: 4, fullScaleBar: 0 });
  });

  test('that was found off and left so is uncertain by that as well, in its own measure', () => {
    const off = (kind: InstrumentKind, shown: number, truth: number) =>
      trustedAccuracy(kind, usualAccuracy[kind], 0, { shown, truth, adjusted: false });
    // 3-4-5 triangles: 2 % twice over is sqrt(2^2 + x^2).
    expect(off('tds-pen', 342 * 1.0462, 342).percent).toBeCloseTo(Math.hypot(2, 4.62), 6);
    expect(off('gauge', 4.5, 4).percent).toBeCloseTo(Math.hypot(2, 5), 9);
    expect(off('tank-gauge', 1.1, 1).percent).toBeCloseTo(Math.hypot(2, 2.5), 9);
    expect(off('thermometer', 0.75, 0).absolute).toBe(1.25);
    const set = { shown: 400, truth: 342, adjusted: true };
    expect(trustedAccuracy('tds-pen', usualAccuracy['tds-pen'], 0, set)).toEqual(
      usualAccuracy['tds-pen'],
    );
  });

  test('named as the usual one reads as one that nobody named; each is its own', () => {
    expect(testInstrumentsOf(usualAccuracy)).toEqual({
      ...usualTestInstruments,
      tankGaugePercentOfFullScale: 2,
    });
    const coarse = {
      ...usualTestInstruments,
      ...testInstrumentsOf({ 'tank-gauge': { percent: 4, absolute: 0, fullScaleBar: 6 } }),
    };
    expect(standardUncertainty('tankPressureFullBar', 2, coarse)).toBeCloseTo(0.24, 12);
    expect(standardUncertainty('dynamicPressureBar', 2, coarse)).toBeCloseTo(0.2, 12);
  });
});
