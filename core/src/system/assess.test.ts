import { describe, expect, test } from '@jest/globals';
import { directDesign, samplePart, sampleWater, tankDesign } from '../test/samples.ts';
import { tankVolume } from '../tank/bladderTank.ts';
import { glassL } from '../base/practice.ts';
import type { Assessment } from './assessment.ts';
import { assess } from './assess.ts';
import { remineralise } from './remineralise.ts';
import {
  combineFilters,
  type FeedWater,
  newMembrane,
  shutoffOf,
  type SystemDesign,
} from './design.ts';

function assessed(design: SystemDesign, water: FeedWater = sampleWater): Assessment {
  const outcome = assess(design, water);
  if (!outcome.ok) throw new Error(`${outcome.failure.code} at ${outcome.failure.path}`);
  return outcome.value;
}

describe('an assessment', () => {
  test('of a tank unit is consistent with itself', () => {
    const a = assessed(tankDesign);
    if (!a.fill?.shutsOff) throw new Error('it should shut off');
    expect(a.usableVolumeL).toBeCloseTo(tankVolume(tankDesign.tank!, a.fill.shutoffPressureBar), 9);
    expect(a.productionLPerDay).toBeCloseTo((a.usableVolumeL / a.fill.fillTimeMin) * 1440, 6);
    expect(a.recovery).toBeCloseTo(1 / (1 + a.drainLPerProductL), 12);
    expect(a.rejection).toBeCloseTo(1 - a.productTdsMgL / sampleWater.tdsMgL, 12);
    expect(a.secondsPerGlass).toBeCloseTo((glassL / a.tapHalfLPerMin) * 60, 9);
    expect(a.tapHalfLPerMin).toBeLessThan(a.tapFullLPerMin);
    // A filling tank pushes back: the whole fill is slower and saltier than the first minute.
    expect(a.productionLPerDay).toBeLessThan(a.running.permeateFlowLPerH * 24);
    expect(a.productTdsMgL).toBeGreaterThan(a.running.permeateTdsMgL);
  });

  test('of a tankless unit has no fill, and its tap gives what the membrane makes', () => {
    const a = assessed(directDesign);
    expect(a.fill).toBeNull();
    expect(a.usableVolumeL).toBe(0);
    expect(a.tapFullLPerMin).toBeCloseTo(a.running.permeateFlowLPerH / 60, 12);
  });

  test('a unit that never shuts off counts no production and drains without end', () => {
    const weak = assessed(
      {
        ...tankDesign,
        shutoff: { ...samplePart('shutoff'), shutoff: { kind: 'hydraulic', ratio: 0.98 } },
      },
      { ...sampleWater, tdsMgL: 2600, pressureBar: 3.2 },
    );
    expect(weak.fill?.shutsOff).toBe(false);
    expect(weak.productionLPerDay).toBe(0);
    expect(weak.drainLPerProductL).toBe(Infinity);
  });

  test('a bed ahead of the tank does more than one behind it', () => {
    const part = samplePart('mineral');
    const plain = assessed(tankDesign);
    const before = remineralise({ ...tankDesign, mineral: { part, place: 'before-tank' } }, plain)!;
    const after = remineralise({ ...tankDesign, mineral: { part, place: 'after-tank' } }, plain)!;
    expect(before.hardnessMgL).toBeGreaterThan(2 * after.hardnessMgL);
    expect(before.pH).toBeGreaterThan(plain.productPh);
    expect(before.tdsMgL).toBeGreaterThan(plain.productTdsMgL);
    expect(remineralise(tankDesign, plain)).toBeNull();
  });

  test('a failure of physics comes through by its name', () => {
    const brine = assess(tankDesign, { ...sampleWater, tdsMgL: 6000, pressureBar: 2 });
    expect(brine).toMatchObject({ ok: false, failure: { code: 'pressure-below-osmotic' } });
  });

  test('filters in a row add their resistance', () => {
    const both = combineFilters([
      { dropBar: 0.1, atFlowLPerH: 60 },
      { dropBar: 0.1, atFlowLPerH: 120 },
    ])!;
    expect(both.dropBar / both.atFlowLPerH).toBeCloseTo(0.1 / 60 + 0.1 / 120, 12);
    expect(combineFilters([])).toBeUndefined();
  });

  test('a pump’s switch takes the place of the valve', () => {
    expect(shutoffOf({ ...tankDesign, pump: samplePart('pump') })).toEqual({
      kind: 'pressure-switch',
      cutoutBar: 2.8,
    });
    expect(shutoffOf(tankDesign)).toEqual({ kind: 'hydraulic' });
  });
});

test('a new membrane is the neutral ageing', () => {
  const plain = assess(tankDesign, sampleWater);
  expect(assess(tankDesign, sampleWater, newMembrane)).toEqual(plain);
});
