import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { calciteContact } from './calciteContact.ts';
import { concentrateLsi } from './concentrateLsi.ts';
import { activityCoefficient, carbonateConstants } from './equilibria.ts';
import { carbonDioxide, permeatePh } from './permeatePh.ts';

describe('equilibria', () => {
  // Plummer and Busenberg (1982), table 1, at 25 C; Kw of pure water.
  test('has the tabulated constants at 25 C', () => {
    const { logK1, logK2, logKs, logKw } = carbonateConstants(25);
    expect(logK1).toBeCloseTo(-6.352, 2);
    expect(logK2).toBeCloseTo(-10.329, 2);
    expect(logKs).toBeCloseTo(-8.48, 2);
    expect(logKw).toBeCloseTo(-14, 1);
  });

  test('Davies’ coefficients at 0.01 mol/L are the tabulated 0.90 and 0.66', () => {
    expect(activityCoefficient(1, 0.01, 25)).toBeCloseTo(0.9, 2);
    expect(activityCoefficient(2, 0.01, 25)).toBeCloseTo(0.66, 2);
    expect(activityCoefficient(2, 0, 25)).toBe(1);
  });
});

const feed = { tdsMgL: 500, alkalinityMgL: 200, pH: 7.5, temperatureC: 25 };

describe('product pH', () => {
  test('falls by the logarithm of the passage, as carbon dioxide passes whole', () => {
    const tenth = permeatePh(feed, 0.1);
    const hundredth = permeatePh(feed, 0.01);
    if (!tenth.ok || !hundredth.ok) throw new Error('refused');
    expect(tenth.value.permeatePh - hundredth.value.permeatePh).toBeCloseTo(1, 1);
    expect(tenth.value.co2MgL).toBe(hundredth.value.co2MgL);
    const whole = permeatePh(feed, 1);
    expect(whole.ok && whole.value.permeatePh).toBeCloseTo(feed.pH, 9);
  });

  test('carbon dioxide is the tabulated one', () => {
    // 200 mg/L alkalinity at pH 7.5 and 25 C: 4.0 mmol/L / 10^(7.5 - 6.35) is 0.28 mmol/L, less the activity.
    expect(carbonDioxide(feed)).toBeGreaterThan(10);
    expect(carbonDioxide(feed)).toBeLessThan(12.5);
    expect(carbonDioxide({ ...feed, pH: 6.5 }) / carbonDioxide(feed)).toBeCloseTo(10, 9);
  });

  test('names what is out of range', () => {
    expect(permeatePh({ ...feed, pH: 12 }, 0.1)).toMatchObject({ failure: { path: 'feed.pH' } });
    expect(permeatePh(feed, 0)).toMatchObject({ failure: { path: 'saltPassage' } });
  });
});

describe('concentrate', () => {
  const hard = { ...feed, calciumMgL: 250 };
  const at = (recovery: number, passage = 0.05) => {
    const index = concentrateLsi(hard, recovery, passage);
    if (!index.ok) throw new Error(index.failure.code);
    return index.value;
  };

  test('of no recovery is the feed', () => {
    expect(at(0).concentrationFactor).toBe(1);
    expect(at(0).concentratePh).toBe(hard.pH);
  });

  test('of half recovery with a tight membrane is twice the feed', () => {
    expect(at(0.5, 0).concentrationFactor).toBe(2);
    expect(at(0.5, 1).concentrationFactor).toBe(1);
  });

  test('scales more the more is recovered', () => {
    const indices = [0, 0.2, 0.4, 0.6, 0.8].map((recovery) => at(recovery).lsi);
    expect([...indices].sort((a, b) => a - b)).toEqual(indices);
  });

  test('names a recovery of all', () => {
    expect(concentrateLsi(hard, 1, 0.05)).toMatchObject({ failure: { path: 'recovery' } });
  });
});

describe('calcite bed', () => {
  const product = {
    tdsMgL: 18,
    alkalinityMgL: 8,
    calciumMgL: 3,
    co2MgL: 12,
    temperatureC: 15,
  };
  const media = { bedVolumeL: 0.5, timeConstantMin: 4 };
  const behind = (flowLPerH: number, water = product) => {
    const bed = calciteContact(water, media, flowLPerH);
    if (!bed.ok) throw new Error(bed.failure.code);
    return bed.value;
  };

  test('after long contact leaves the water saturated', () => {
    const slow = behind(0.2);
    expect(slow.saturationIndex).toBeCloseTo(0, 5);
    expect(slow.calciumCarbonateAddedMgL / slow.equilibriumAddedMgL).toBeCloseTo(1, 8);
  });

  test('adds as much alkalinity as hardness: both are calcium carbonate', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 200, noNaN: true }), (flow) => {
        const bed = behind(flow);
        const alkalinity = bed.alkalinityMgL - product.alkalinityMgL;
        const hardness = bed.hardnessMgL - product.calciumMgL;
        // The two equivalent weights differ in the fourth digit (50.045 and 100.087/2).
        expect(alkalinity / hardness).toBeCloseTo(1, 3);
        expect(bed.calciumCarbonateAddedMgL).toBeCloseTo(hardness, 9);
      }),
    );
  });

  test('after one time constant has added 1 - 1/e of the whole', () => {
    const bed = behind((media.bedVolumeL / media.timeConstantMin) * 60);
    expect(bed.contactTimeMin).toBeCloseTo(media.timeConstantMin, 12);
    expect(bed.calciumCarbonateAddedMgL / bed.equilibriumAddedMgL).toBeCloseTo(1 - 1 / Math.E, 10);
  });

  test('adds more to sourer water, and less the faster it flows', () => {
    expect(behind(6, { ...product, co2MgL: 25 }).calciumCarbonateAddedMgL).toBeGreaterThan(
      behind(6).calciumCarbonateAddedMgL,
    );
    expect(behind(120).pH).toBeLessThan(behind(6).pH);
  });

  test('adds nothing to water that is saturated already, and says so', () => {
    const hard = { ...product, tdsMgL: 600, alkalinityMgL: 300, calciumMgL: 300, co2MgL: 0.1 };
    expect(calciteContact(hard, media, 6)).toMatchObject({
      ok: false,
      failure: { code: 'water-not-in-equilibrium-range' },
    });
  });
});
