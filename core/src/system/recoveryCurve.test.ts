import { expect, test } from '@jest/globals';
import { sampleWater, tankDesign } from '../test/samples.ts';
import { assess } from './assess.ts';
import { recoveryCurve } from './recoveryCurve.ts';

test('a tighter restrictor recovers more, wastes less, scales sooner and lets more salt through', () => {
  const curve = recoveryCurve(tankDesign, sampleWater);
  expect(curve.length).toBeGreaterThan(10);
  for (const [i, point] of curve.entries()) {
    if (i === 0) continue;
    const before = curve[i - 1]!;
    expect(point.flowMlMin).toBeLessThan(before.flowMlMin);
    expect(point.recovery).toBeGreaterThan(before.recovery);
    expect(point.productTdsMgL).toBeGreaterThan(before.productTdsMgL);
    expect(point.concentrateLsi).toBeGreaterThan(before.concentrateLsi);
    expect(point.drainLPerProductL).toBeLessThan(before.drainLPerProductL);
  }
});

test('the curve passes through the design itself', () => {
  const own = assess(tankDesign, sampleWater);
  if (!own.ok) throw new Error(own.failure.code);
  const middle = recoveryCurve(tankDesign, sampleWater)[8]!;
  expect(middle.flowMlMin).toBeCloseTo(tankDesign.restrictor.restrictor.flowMlMin, 9);
  expect(middle.recovery).toBeCloseTo(own.value.running.recovery, 9);
});
