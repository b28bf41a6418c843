import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { osmoticPressure } from '../../water/osmoticPressure.ts';
import { OperatingPointSolver } from '../point/operatingPoint.ts';
import { resolveSystem } from '../point/roSystem.ts';
import { sampleSystem } from '../../test/samples.ts';
import { shutoffPressure, tankPressure, tankVolume } from '../../tank/bladderTank.ts';
import { fillTank, type TankSystem } from './fillTank.ts';

const tank = { volumeL: 12, prechargeBar: 0.5 };

describe('bladder tank', () => {
  test('holds, by Boyle, the share that the air gives up', () => {
    // Air from 0.5 to 2.5 bar gauge is compressed by 1.51325 / 3.51325.
    expect(tankVolume(tank, 2.5)).toBeCloseTo(12 * (1 - 1.51325 / 3.51325), 10);
    expect(tankVolume(tank, 0.4)).toBe(0);
  });

  test('pressure and volume are each other’s inverse', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 8, noNaN: true }), (bar) => {
        expect(tankPressure(tank, tankVolume(tank, bar))).toBeCloseTo(bar, 9);
      }),
    );
  });

  test('a valve closes at its share of the supply, two thirds when not said, a switch at its own pressure', () => {
    expect(shutoffPressure({ kind: 'hydraulic', ratio: 0.6 }, 4)).toBeCloseTo(2.4, 12);
    expect(shutoffPressure({ kind: 'hydraulic' }, 3)).toBeCloseTo(2.01, 12);
    expect(shutoffPressure({ kind: 'pressure-switch', cutoutBar: 2.8 }, 4)).toBe(2.8);
  });
});

const filling: TankSystem = { ...sampleSystem, tank, shutoff: { kind: 'hydraulic' } };

function filled(system: TankSystem) {
  const fill = fillTank(system);
  if (!fill.ok) throw new Error(`${fill.failure.code} at ${fill.failure.path}`);
  return fill.value;
}

function filledToTheEnd(system: TankSystem) {
  const fill = filled(system);
  if (!fill.shutsOff) throw new Error('it stalls');
  return fill;
}

describe('filling', () => {
  test('agrees with small steps of volume taken one after the other', () => {
    const fast = filledToTheEnd(filling);
    const resolved = resolveSystem(filling);
    if (!resolved.ok) throw new Error(resolved.failure.code);
    const solver = new OperatingPointSolver(resolved.value);
    const steps = 2000;
    let [minutes, drain, salt] = [0, 0, 0];
    for (let i = 0; i < steps; i += 1) {
      const litres = fast.usableVolumeL / steps;
      const bar = tankPressure(tank, (i + 0.5) * litres);
      const point = solver.solve(() => bar);
      if (!point.ok) throw new Error(point.failure.code);
      const hours = litres / point.value.permeateFlowLPerH;
      minutes += hours * 60;
      drain += hours * point.value.concentrateFlowLPerH;
      salt += litres * point.value.permeateTdsMgL;
    }
    expect(fast.fillTimeMin / minutes).toBeCloseTo(1, 5);
    expect(fast.drainVolumeL / drain).toBeCloseTo(1, 5);
    expect(fast.tankTdsMgL / (salt / fast.usableVolumeL)).toBeCloseTo(1, 5);
  });

  test('holds as much as the tank does at the closing pressure', () => {
    const fill = filledToTheEnd(filling);
    expect(fill.usableVolumeL).toBeCloseTo(tankVolume(tank, fill.shutoffPressureBar), 9);
  });

  test('takes longer in colder water, with a larger tank and at lower supply', () => {
    const base = filledToTheEnd(filling).fillTimeMin;
    const { feed } = filling;
    const change = (part: Partial<TankSystem>) =>
      filledToTheEnd({ ...filling, ...part }).fillTimeMin;
    expect(change({ feed: { ...feed, temperatureC: feed.temperatureC - 8 } })).toBeGreaterThan(
      base,
    );
    expect(change({ tank: { ...tank, volumeL: 20 } })).toBeGreaterThan(base);
    expect(change({ feed: { ...feed, pressureBar: 3 } })).toBeGreaterThan(0.8 * base);
  });

  test('a tank twice as large takes twice as long and the same water a litre', () => {
    const one = filledToTheEnd(filling);
    const two = filledToTheEnd({ ...filling, tank: { ...tank, volumeL: 24 } });
    expect(two.fillTimeMin / one.fillTimeMin).toBeCloseTo(2, 6);
    expect(two.drainVolumeL / one.drainVolumeL).toBeCloseTo(2, 6);
    expect(two.tankTdsMgL / one.tankTdsMgL).toBeCloseTo(1, 6);
  });

  test('stalls where the osmotic pressure leaves too little, and says at what tank pressure', () => {
    const salty = { ...filling, feed: { tdsMgL: 2500, temperatureC: 15, pressureBar: 3 } };
    const fill = filled({ ...salty, shutoff: { kind: 'hydraulic', ratio: 0.9 } });
    if (fill.shutsOff) throw new Error('it should not shut off');
    expect(fill.stallPressureBar).toBeGreaterThan(tank.prechargeBar);
    expect(fill.stallPressureBar).toBeLessThan(3 - osmoticPressure(2500, 15));
    expect(fill.shutoffPressureBar).toBeCloseTo(2.7, 12);
  });

  test('a rise to the tank works like that much less closing pressure', () => {
    const low = filledToTheEnd(filling);
    const high = filledToTheEnd({ ...filling, tank: { ...tank, riseM: 3 } });
    expect(high.usableVolumeL).toBeLessThan(low.usableVolumeL);
  });

  test('names a tank whose air stands above the closing pressure', () => {
    const hard = fillTank({ ...filling, tank: { ...tank, prechargeBar: 3.5 } });
    expect(hard).toMatchObject({
      ok: false,
      failure: { code: 'shutoff-below-precharge', path: 'tank.prechargeBar' },
    });
  });
});
