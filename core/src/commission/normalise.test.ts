import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sampleSystem } from '../test/samples.ts';
import { operatingPoint } from '../system/point/operatingPoint.ts';
import {
  feedBrineAverage,
  netDrivingPressure,
  type Readings,
} from '../membrane/netDrivingPressure.ts';
import { normalise } from './normalise.ts';

const reference: Readings = {
  feedTdsMgL: 420,
  permeateTdsMgL: 20,
  temperatureC: 16,
  feedPressureBar: 4,
  recovery: 0.25,
  permeateFlowLPerH: 7,
};

describe('normalised readings', () => {
  test('of the reference itself are the reference', () => {
    const same = normalise(reference, reference);
    if (!same.ok) throw new Error(same.failure.code);
    expect(same.value.normalisedPermeateFlowLPerH).toBeCloseTo(7, 12);
    expect(same.value.normalisedSaltPassage).toBeCloseTo(20 / 420, 12);
  });

  test('of one and the same membrane stand nearly still while the water changes', () => {
    // The standard's own purpose: a simulated element, warm and cold, weak and strong, must normalise to one flow.
    const readingsAt = (temperatureC: number, pressureBar: number): Readings => {
      const point = operatingPoint({
        ...sampleSystem,
        feed: { tdsMgL: 420, temperatureC, pressureBar },
      });
      if (!point.ok) throw new Error(point.failure.code);
      const p = point.value;
      return {
        feedTdsMgL: 420,
        permeateTdsMgL: p.permeateTdsMgL,
        temperatureC,
        feedPressureBar: p.membranePressureBar,
        recovery: p.recovery,
        permeateFlowLPerH: p.permeateFlowLPerH,
      };
    };
    const base = readingsAt(16, 4);
    for (const [temperatureC, bar] of [
      [6, 4],
      [24, 4],
      [16, 5.5],
      [10, 3],
    ] as const) {
      const measured = readingsAt(temperatureC, bar);
      const result = normalise(measured, base);
      if (!result.ok) throw new Error(result.failure.code);
      const drift = result.value.normalisedPermeateFlowLPerH / base.permeateFlowLPerH;
      expect(Math.abs(drift - 1)).toBeLessThan(0.03);
      // Not normalised, the flow differs by far more.
      expect(Math.abs(measured.permeateFlowLPerH / base.permeateFlowLPerH - 1)).toBeGreaterThan(
        0.1,
      );
    }
  });

  test('the mean strength lies between feed and concentrate', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 0.9, noNaN: true }), (recovery) => {
        const mean = feedBrineAverage(100, recovery);
        expect(mean).toBeGreaterThan(100);
        expect(mean).toBeLessThan(100 / (1 - recovery));
      }),
    );
  });

  test('net driving pressure counts half of the drop and all of the product’s pressure', () => {
    const bare = netDrivingPressure(reference);
    expect(netDrivingPressure({ ...reference, pressureDropBar: 0.4 })).toBeCloseTo(bare - 0.2, 12);
    expect(netDrivingPressure({ ...reference, permeatePressureBar: 1 })).toBeCloseTo(bare - 1, 12);
  });

  test('names the side that has no driving pressure, and what is out of range', () => {
    const weak = { ...reference, feedPressureBar: 0.2 };
    expect(normalise(weak, reference)).toMatchObject({
      failure: { code: 'pressure-below-osmotic', path: 'measured.feedPressureBar' },
    });
    expect(normalise(reference, weak)).toMatchObject({
      failure: { path: 'reference.feedPressureBar' },
    });
    expect(normalise({ ...reference, recovery: 1 }, reference)).toMatchObject({
      failure: { path: 'measured.recovery' },
    });
  });
});
