import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { waterDensity } from '../water/waterDensity.ts';
import { viscosityRatio, waterViscosity } from '../water/waterViscosity.ts';
import { frictionFactor } from './frictionFactor.ts';
import { filterResistance } from './prefilterDrop.ts';
import { pumpBoost, pumpPressure } from './pumpPressure.ts';
import { restrictorCoefficient, restrictorFlow } from './restrictorFlow.ts';
import { tapFlow, tapLineLoss } from './tapLine.ts';
import { tubeLoss } from './tubeLoss.ts';

describe('friction', () => {
  test('is 64/Re in laminar flow', () => {
    for (const reynolds of [10, 300, 1500]) {
      expect((frictionFactor(reynolds, 1e-4) * reynolds) / 64).toBeCloseTo(1, 2);
    }
  });

  // Moody's chart by the Colebrook equation, solved to five digits.
  test.each([
    [1e4, 1e-4, 0.03103],
    [1e5, 1e-4, 0.01851],
    [1e5, 1e-3, 0.02217],
    [1e6, 1e-2, 0.03798],
  ])('at Re %d and roughness %d is Colebrook’s %d within 3 %%', (reynolds, roughness, factor) => {
    expect(frictionFactor(reynolds, roughness)).toBeGreaterThan(0.97 * factor);
    expect(frictionFactor(reynolds, roughness)).toBeLessThan(1.03 * factor);
  });

  test('of a slow tube is Hagen and Poiseuille’s', () => {
    const bore = 0.0043;
    const flow = 12;
    const m3PerS = flow / 3.6e6;
    const exact = (128 * waterViscosity(15) * 2 * m3PerS) / (Math.PI * bore ** 4) / 1e5;
    const loss = tubeLoss({ innerDiameterMm: 4.3, lengthM: 2 }, flow, 15);
    expect((4 * m3PerS * waterDensity(15)) / (Math.PI * bore * waterViscosity(15))).toBeLessThan(
      2000,
    );
    expect(loss / exact).toBeCloseTo(1, 2);
  });

  test('grows with flow, length and cold, and falls with the bore', () => {
    const loss = (bore: number, length: number, flow: number, temperatureC: number) =>
      tubeLoss({ innerDiameterMm: bore, lengthM: length }, flow, temperatureC);
    expect(loss(4.3, 2, 90, 15)).toBeLessThan(loss(4.3, 2, 100, 15));
    expect(loss(4.3, 4, 90, 15)).toBeCloseTo(2 * loss(4.3, 2, 90, 15), 12);
    expect(loss(4.3, 2, 90, 5)).toBeGreaterThan(loss(4.3, 2, 90, 15));
    expect(loss(6.35, 2, 90, 15)).toBeLessThan(loss(4.3, 2, 90, 15) / 4);
    expect(loss(4.3, 2, 0, 15)).toBe(0);
  });
});

describe('filters, restrictor and pump', () => {
  test('a filter drops in proportion to flow and viscosity', () => {
    expect(filterResistance({ dropBar: 0.3, atFlowLPerH: 60 }, 25)).toBeCloseTo(0.005, 12);
    const warm = filterResistance({ dropBar: 0.3, atFlowLPerH: 60 }, 25);
    const cold = filterResistance({ dropBar: 0.3, atFlowLPerH: 60 }, 5);
    expect(cold / warm).toBeCloseTo(viscosityRatio(5), 12);
    expect(filterResistance(undefined, 5)).toBe(0);
  });

  test('a restrictor passes its rated flow at its rated pressure and half of it at a quarter', () => {
    const k = restrictorCoefficient({ flowMlMin: 300, atPressureBar: 4 });
    expect(restrictorFlow(k, 4)).toBeCloseTo(18, 12);
    expect(restrictorFlow(k, 1)).toBeCloseTo(9, 12);
    expect(restrictorFlow(k, -0.1)).toBe(0);
  });

  test('a pump follows its curve, flat outside it', () => {
    const curve = [
      { flowLPerH: 20, boostBar: 6 },
      { flowLPerH: 60, boostBar: 4 },
      { flowLPerH: 120, boostBar: 0 },
    ];
    expect([0, 20, 40, 60, 90, 120, 200].map((flow) => pumpBoost(curve, flow))).toEqual([
      6, 6, 5, 4, 2, 0, 0,
    ]);
  });

  test('a bypass holds the boost and never the supply', () => {
    const pump = { curve: [{ flowLPerH: 0, boostBar: 6 }], bypassBar: 7 };
    expect(pumpPressure(pump, 0.5, 10)).toBe(6.5);
    expect(pumpPressure(pump, 3, 10)).toBe(7);
    expect(pumpPressure(pump, 8, 10)).toBe(8);
    expect(pumpPressure(undefined, 3, 10)).toBe(3);
  });
});

describe('the tap', () => {
  const line = { tubes: [{ innerDiameterMm: 4.3, lengthM: 1.5 }], tapKv: 0.3, riseM: 0.6 };

  test('passes just the flow that uses up the source', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        fc.double({ min: 2, max: 35, noNaN: true }),
        (sourcePressureBar, temperatureC) => {
          const flow = tapFlow({ ...line, sourcePressureBar, temperatureC });
          if (!flow.ok) throw new Error(flow.failure.code);
          const { totalBar } = tapLineLoss(line, flow.value.flowLPerMin * 60, temperatureC);
          expect(totalBar).toBeCloseTo(sourcePressureBar, 6);
        },
      ),
    );
  });

  test('alone, passes Kv at one bar', () => {
    const free = tapFlow({ tubes: [], tapKv: 0.3, sourcePressureBar: 1, temperatureC: 20 });
    expect(free).toMatchObject({ ok: true });
    expect(free.ok && free.value.flowLPerMin).toBeCloseTo(5, 6);
  });

  test('is named as out of reach where the source cannot lift the water', () => {
    const high = tapFlow({ ...line, riseM: 20, sourcePressureBar: 1.5, temperatureC: 20 });
    expect(high).toMatchObject({ ok: false, failure: { code: 'source-below-rise' } });
  });

  test.each([
    ['tapKv', { tapKv: 0 }],
    ['tubes.0.innerDiameterMm', { tubes: [{ innerDiameterMm: 0, lengthM: 1 }] }],
    ['riseM', { riseM: NaN }],
    ['postFilter.dropBar', { postFilter: { dropBar: -1, atFlowLPerH: 60 } }],
  ])('names a wrong %s', (path, change) => {
    const refused = tapFlow({ ...line, ...change, sourcePressureBar: 2, temperatureC: 20 });
    expect(refused).toMatchObject({ ok: false, failure: { path } });
  });
});
