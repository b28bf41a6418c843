import { describe, expect, test } from '@jest/globals';
import { directDesign, sampleWater, tankDesign } from '../test/samples.ts';
import { expectedReadings } from '../system/expectedReadings.ts';
import { seededRandom } from '../household/household.ts';
import type { SystemDesign } from '../system/design.ts';
import { normalDeviate } from './diagnosis/takeReadings.ts';
import { standardUncertainty, usualTestInstruments } from './diagnosis/uncertainty.ts';
import { elementSpread, productBand } from '../membrane/elementSpread.ts';
import { verdict, type VerificationReadings } from './verdict.ts';

const { tdsMgL, temperatureC, pressureBar } = sampleWater;

function expected(design = tankDesign) {
  const point = expectedReadings(design, sampleWater);
  if (!point.ok) throw new Error(point.failure.code);
  return point.value;
}

/** Readings that a perfect instrument would take of a perfect element. */
const perfect = (design = tankDesign): VerificationReadings => ({
  feedTdsMgL: tdsMgL,
  productTdsMgL: expected(design).permeateTdsMgL,
  temperatureC,
  pressureBar,
  productFlowLPerH: expected(design).permeateFlowLPerH,
  drainFlowLPerH: expected(design).concentrateFlowLPerH,
});

function judged(readings: VerificationReadings, design = tankDesign) {
  const result = verdict(design, readings);
  if (!result.ok) throw new Error(`${result.failure.code} at ${result.failure.path}`);
  return result.value;
}

describe('instruments', () => {
  test('is expected within what nine in ten of its kind give', () => {
    const { lowMgL, highMgL } = productBand(20);
    expect(Math.sqrt(lowMgL * highMgL)).toBeCloseTo(20, 9);
    // Thirty per cent spread in the passage: from three fifths of it to five thirds.
    expect(lowMgL).toBeCloseTo(12.2, 1);
    expect(highMgL).toBeCloseTo(32.8, 1);
  });
});

describe('a verdict', () => {
  test('on just what the model expects finds no difference at all', () => {
    for (const design of [tankDesign, directDesign]) {
      const v = judged(perfect(design), design);
      for (const figure of [v.rejection, v.productTds, v.productFlow!, v.drainFlow!, v.recovery!]) {
        expect(figure.sigmas).toBeCloseTo(0, 6);
        expect(figure.band).toBeGreaterThan(0);
      }
      expect(v.asExpected).toBe(true);
    }
  });

  test('brings flow and passage to the element’s rating: a new one stands near its sheet, and a cold day moves neither', () => {
    const { rating } = tankDesign.membrane;
    const at = (water: typeof sampleWater) => {
      const point = expectedReadings(tankDesign, water);
      if (!point.ok) throw new Error(point.failure.code);
      const { permeateTdsMgL, permeateFlowLPerH, concentrateFlowLPerH } = point.value;
      return judged({
        feedTdsMgL: water.tdsMgL,
        productTdsMgL: permeateTdsMgL,
        temperatureC: water.temperatureC,
        pressureBar: water.pressureBar,
        productFlowLPerH: permeateFlowLPerH,
        drainFlowLPerH: concentrateFlowLPerH,
      }).normalised!;
    };
    const [usual, cold] = [at(sampleWater), at({ ...sampleWater, temperatureC: 5 })];
    // The standard leaves polarisation out, and is off by about a tenth for it.
    for (const ratio of [
      usual.flow.measured / (rating.ratedFlowLPerDay / 24),
      usual.saltPassage.measured / (1 - rating.ratedRejection),
      cold.flow.measured / usual.flow.measured,
      cold.saltPassage.measured / usual.saltPassage.measured,
    ]) {
      expect(ratio).toBeGreaterThan(0.88);
      expect(ratio).toBeLessThan(1.12);
    }
    expect(judged({ ...perfect(), drainFlowLPerH: undefined }).normalised).toBeNull();
  });

  test('a leak past the membrane is not as expected, a better element is', () => {
    const leaking = judged({ ...perfect(), productTdsMgL: 8 * expected().permeateTdsMgL });
    expect(leaking.asExpected).toBe(false);
    expect(leaking.rejection.sigmas).toBeLessThan(-2);
    expect(judged({ ...perfect(), productTdsMgL: 1 }).asExpected).toBe(true);
  });

  test('the band is the element’s spread at least, and wider with worse instruments', () => {
    const v = judged(perfect());
    const passage = expected().permeateTdsMgL / tdsMgL;
    expect(v.rejection.band).toBeGreaterThan(2 * 0.25 * passage);
    const coarse = verdict(tankDesign, perfect(), {
      ...usualTestInstruments,
      tdsMeterPercent: 10,
    });
    if (!coarse.ok) throw new Error(coarse.failure.code);
    expect(coarse.value.productTds.band).toBeGreaterThan(v.productTds.band);
  });

  test('without flows judges the rejection alone', () => {
    const { productFlowLPerH: _product, drainFlowLPerH: _drain, ...meterOnly } = perfect();
    const v = judged(meterOnly);
    expect(v).toMatchObject({ productFlow: null, drainFlow: null, recovery: null });
  });

  test('half of the expected product flow stands out', () => {
    const weak = judged({ ...perfect(), productFlowLPerH: 0.4 * expected().permeateFlowLPerH });
    expect(weak.productFlow!.sigmas).toBeLessThan(-2);
  });

  test.each<[string, Partial<VerificationReadings>]>([
    ['feedTdsMgL', { feedTdsMgL: -5 }],
    ['productTdsMgL', { productTdsMgL: tdsMgL + 1 }],
    ['temperatureC', { temperatureC: 90 }],
    ['pressureBar', { pressureBar: NaN }],
  ])('names a wrong %s', (path, change) => {
    expect(verdict(tankDesign, { ...perfect(), ...change })).toMatchObject({
      ok: false,
      failure: { path },
    });
  });

  test('says when the system could not have run at these readings', () => {
    const impossible = verdict(tankDesign, {
      ...perfect(),
      feedTdsMgL: 6000,
      productTdsMgL: 100,
      pressureBar: 1,
    });
    expect(impossible.ok).toBe(false);
  });
});

describe('the band of what was expected', () => {
  const random = seededRandom(3);

  /** Standard deviation of the product's TDS over many systems and readings of the same house, by chance. */
  function byChance(design: SystemDesign, water: typeof house): number {
    const instruments = usualTestInstruments;
    const gaugeBar = standardUncertainty('dynamicPressureBar', water.pressureBar, instruments);
    const meterMgL = standardUncertainty('feedTdsMgL', water.feedTdsMgL, instruments);
    const all = Array.from({ length: 3000 }, () => {
      const drawn = expectedReadings(
        design,
        {
          tdsMgL: water.feedTdsMgL + meterMgL * normalDeviate(random),
          temperatureC: water.temperatureC + instruments.thermometerC * normalDeviate(random),
          pressureBar: water.pressureBar + gaugeBar * normalDeviate(random),
        },
        {
          flowFactor: Math.exp(elementSpread.flowShare * normalDeviate(random)),
          saltPassageFactor: Math.exp(elementSpread.passageShare * normalDeviate(random)),
        },
      );
      return drawn.ok ? [drawn.value.permeateTdsMgL] : [];
    }).flat();
    const expected = expectedReadings(design, {
      tdsMgL: water.feedTdsMgL,
      temperatureC: water.temperatureC,
      pressureBar: water.pressureBar,
    });
    if (!expected.ok) throw new Error(expected.failure.code);
    const { permeateTdsMgL: middle } = expected.value;
    return Math.sqrt(all.reduce((sum, one) => sum + (one - middle) ** 2, 0) / all.length);
  }
  const house = { feedTdsMgL: 420, temperatureC: 16, pressureBar: 4 };

  test.each([
    ['in a usual house', house],
    ['close to the osmotic pressure', { feedTdsMgL: 1900, temperatureC: 12, pressureBar: 2.4 }],
  ])('is as wide as chance makes it, %s', (_where, water) => {
    const outcome = verdict(tankDesign, { ...water, productTdsMgL: 20 });
    if (!outcome.ok) throw new Error(outcome.failure.code);
    const { productTds, readingError } = outcome.value;
    const model = Math.sqrt((productTds.band / 2) ** 2 - readingError.productTds ** 2);
    const truth = byChance(tankDesign, water);
    expect(model / truth).toBeGreaterThan(0.85);
    expect(model / truth).toBeLessThan(1.15);
  });
});
