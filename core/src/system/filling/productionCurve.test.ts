import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { OperatingPointSolver } from '../point/operatingPoint.ts';
import { resolveSystem, type RoSystem } from '../point/roSystem.ts';
import { samplePump, sampleSystem } from '../../test/samples.ts';
import { tankVolume } from '../../tank/bladderTank.ts';
import { fillTank } from './fillTank.ts';
import {
  columnAt,
  fillOnCurve,
  pressureAtHours,
  type ProductionCurve,
  productionCurve,
} from './productionCurve.ts';

function solverOf(system: RoSystem): OperatingPointSolver {
  const resolved = resolveSystem(system);
  if (!resolved.ok) throw new Error(resolved.failure.code);
  return new OperatingPointSolver(resolved.value);
}

function curveOf(system: RoSystem, closingBar: number, prechargeBar = 0.5): ProductionCurve {
  const curve = productionCurve(solverOf(system), prechargeBar, closingBar);
  if (!curve.ok) throw new Error(curve.failure.code);
  return curve.value;
}

const systems = fc.record({
  tdsMgL: fc.double({ min: 60, max: 1500, noNaN: true }),
  temperatureC: fc.double({ min: 3, max: 28, noNaN: true }),
  pressureBar: fc.double({ min: 2.6, max: 6, noNaN: true }),
  flowMlMin: fc.double({ min: 200, max: 900, noNaN: true }),
  pumped: fc.boolean(),
});

describe('a production curve', () => {
  test('read for a tank is the adaptive integral of its fill', () => {
    fc.assert(
      fc.property(systems, fc.double({ min: 4, max: 60, noNaN: true }), (given, volumeL) => {
        const { flowMlMin, pumped, ...feed } = given;
        const system: RoSystem = {
          ...sampleSystem,
          feed,
          restrictor: { flowMlMin, atPressureBar: 4.1 },
          pump: pumped ? samplePump : undefined,
        };
        const tank = { volumeL, prechargeBar: 0.5 };
        const closingBar = pumped ? 2.8 : 0.67 * feed.pressureBar;
        const shutoff = pumped
          ? ({ kind: 'pressure-switch', cutoutBar: closingBar } as const)
          : ({ kind: 'hydraulic', ratio: 0.67 } as const);
        const slow = fillTank({ ...system, tank, shutoff });
        if (!slow.ok) return;
        const curve = curveOf(system, closingBar);
        const fast = fillOnCurve(curve, tank, closingBar);
        if (!slow.value.shutsOff || !fast.shutsOff) {
          expect(fast.shutsOff).toBe(slow.value.shutsOff);
          return;
        }
        expect(fast.usableVolumeL / slow.value.usableVolumeL).toBeCloseTo(1, 9);
        // A pump's curve has kinks; and where the flow has fallen far, part of the membrane stops, at which it bends.
        const endShare = curve.last.permeateFlowLPerH / curve.running.permeateFlowLPerH;
        const tolerance = endShare < 0.25 ? 5e-3 : pumped ? 5e-4 : 2e-4;
        for (const key of ['fillTimeMin', 'drainVolumeL', 'tankTdsMgL'] as const) {
          expect(Math.abs(fast[key] / slow.value[key] - 1)).toBeLessThan(tolerance);
        }
      }),
      { numRuns: 60 },
    );
  });

  test('is the solved operating point between its solved points, too', () => {
    const curve = curveOf(sampleSystem, 2.68);
    const solver = solverOf(sampleSystem);
    for (const bar of [0.53, 0.9, 1.37, 2.01, 2.63]) {
      const point = solver.solve(() => bar);
      if (!point.ok) throw new Error(point.failure.code);
      const { permeateFlowLPerH, concentrateFlowLPerH } = point.value;
      expect(columnAt(curve, curve.permeateLPerH, bar) / permeateFlowLPerH).toBeCloseTo(1, 4);
      expect(columnAt(curve, curve.concentrateLPerH, bar) / concentrateFlowLPerH).toBeCloseTo(1, 4);
    }
  });

  test('goes from hours to pressure and back, and stays within its ends', () => {
    const curve = curveOf(sampleSystem, 2.68);
    for (const bar of [0.5, 0.77, 1.9, 2.67]) {
      expect(pressureAtHours(curve, columnAt(curve, curve.hours, bar))).toBeCloseTo(bar, 9);
    }
    expect(pressureAtHours(curve, -1)).toBe(0.5);
    expect(pressureAtHours(curve, 1e9)).toBe(curve.endBar);
    expect(columnAt(curve, curve.hours, 0)).toBe(0);
    expect(columnAt(curve, curve.hours, 99)).toBe(curve.hours.at(-1));
  });

  test('serves every shell of its precharge: time, drain and water grow with the volume', () => {
    const curve = curveOf(sampleSystem, 2.68);
    const small = fillOnCurve(curve, { volumeL: 8, prechargeBar: 0.5 }, 2.68);
    const large = fillOnCurve(curve, { volumeL: 24, prechargeBar: 0.5 }, 2.68);
    if (!small.shutsOff || !large.shutsOff) throw new Error('both fill');
    expect(large.fillTimeMin / small.fillTimeMin).toBeCloseTo(3, 9);
    expect(large.drainVolumeL / small.drainVolumeL).toBeCloseTo(3, 9);
    expect(large.tankTdsMgL).toBeCloseTo(small.tankTdsMgL, 9);
    expect(large.usableVolumeL).toBeCloseTo(
      tankVolume({ volumeL: 24, prechargeBar: 0.5 }, 2.68),
      9,
    );
  });

  test('stops where production stalls, and says that it did', () => {
    const salty = { ...sampleSystem, feed: { tdsMgL: 2500, temperatureC: 15, pressureBar: 3 } };
    const curve = curveOf(salty, 2.7);
    expect(curve.reachesClosing).toBe(false);
    expect(curve.endBar).toBeLessThan(2.7);
    expect(fillOnCurve(curve, { volumeL: 12, prechargeBar: 0.5 }, 2.7)).toEqual({
      shutsOff: false,
      shutoffPressureBar: 2.7,
      stallPressureBar: curve.endBar,
    });
  });

  test('behind a permeate pump feels a share of the tank and fills sooner', () => {
    const held = productionCurve(solverOf(sampleSystem), 0.5, 2.68, (bar) => 0.15 * bar);
    if (!held.ok) throw new Error(held.failure.code);
    const plain = curveOf(sampleSystem, 2.68);
    expect(held.value.hours.at(-1)!).toBeLessThan(0.8 * plain.hours.at(-1)!);
    expect(held.value.drain.at(-1)!).toBeLessThan(0.8 * plain.drain.at(-1)!);
    expect(held.value.last.permeateBackPressureBar).toBeCloseTo(0.15 * 2.68, 9);
  });
});
