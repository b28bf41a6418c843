import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { osmoticPressure, osmoticScale } from '../water/osmoticPressure.ts';
import { concentrationPolarisation } from './concentrationPolarisation.ts';
import { elementPermeance, type MembraneRating } from './elementPermeance.ts';
import { type ElementAtTemperature, localFlux } from './localFlux.ts';
import { marchBank, newBankMarch } from './marchBank.ts';
import { marchElement, marchSteps, newMarch } from './marchElement.ts';
import { temperatureCorrectionFactor } from './temperatureCorrectionFactor.ts';

const rating: MembraneRating = {
  ratedFlowLPerDay: 280,
  ratedPressureBar: 4.1,
  ratedTdsMgL: 250,
  ratedRecovery: 0.15,
  ratedRejection: 0.96,
};

function elementOf(given: MembraneRating, temperatureC = 25): ElementAtTemperature {
  const permeance = elementPermeance(given);
  if (!permeance.ok) throw new Error(permeance.failure.code);
  const { water, salt } = permeance.value;
  return { water, salt, osmoticScaleBar: osmoticScale(temperatureC) };
}

describe('temperature correction', () => {
  test('is 1 at 25 C and about 3 % a degree near it', () => {
    expect(temperatureCorrectionFactor(25)).toBeCloseTo(1, 12);
    const slope = temperatureCorrectionFactor(24) / temperatureCorrectionFactor(25);
    expect(slope).toBeGreaterThan(0.96);
    expect(slope).toBeLessThan(0.975);
  });

  test('rises everywhere, and at 5 C leaves about half', () => {
    for (let t = 1; t < 44; t += 1) {
      expect(temperatureCorrectionFactor(t + 1)).toBeGreaterThan(temperatureCorrectionFactor(t));
    }
    expect(temperatureCorrectionFactor(5)).toBeGreaterThan(0.45);
    expect(temperatureCorrectionFactor(5)).toBeLessThan(0.52);
  });
});

describe('local flux', () => {
  test('satisfies both flux equations', () => {
    const flux = { water: 0, permeateMgL: 0, passage: 0 };
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        fc.double({ min: 10, max: 8000, noNaN: true }),
        fc.double({ min: 0, max: 0.6, noNaN: true }),
        (grossBar, channelMgL, recovery) => {
          const element = elementOf(rating);
          const beta = concentrationPolarisation(recovery);
          localFlux(element, grossBar, beta, channelMgL, flux);
          const { water, permeateMgL } = flux;
          const wall = permeateMgL + beta * (channelMgL - permeateMgL);
          const across = grossBar - osmoticPressure(wall, 25) + osmoticPressure(permeateMgL, 25);
          expect(Math.abs(water - element.water * across)).toBeLessThan(
            1e-6 * element.water * grossBar,
          );
          const salt = element.salt * (wall - permeateMgL);
          expect(water * permeateMgL).toBeCloseTo(salt, 6);
        },
      ),
    );
  });

  test('is none against a higher product side', () => {
    const flux = { water: 1, permeateMgL: 1, passage: 0 };
    localFlux(elementOf(rating), -0.2, 1.1, 400, flux);
    expect(flux).toMatchObject({ water: 0, permeateMgL: 400 });
  });
});

describe('an element', () => {
  test('gives back its rated test', () => {
    const ratings = fc.record({
      ratedFlowLPerDay: fc.double({ min: 100, max: 4000, noNaN: true }),
      ratedPressureBar: fc.double({ min: 3, max: 16, noNaN: true }),
      ratedTdsMgL: fc.double({ min: 100, max: 2000, noNaN: true }),
      ratedRecovery: fc.double({ min: 0.08, max: 0.5, noNaN: true }),
      ratedRejection: fc.double({ min: 0.8, max: 0.995, noNaN: true }),
    });
    fc.assert(
      fc.property(ratings, (given) => {
        const permeance = elementPermeance(given);
        if (!permeance.ok) {
          // Only a test whose concentrate outweighs its pressure has no answer.
          expect(permeance.failure.code).toBe('rating-impossible');
          return;
        }
        const march = newMarch();
        const flow = given.ratedFlowLPerDay / 24;
        marchElement(
          { ...permeance.value, osmoticScaleBar: osmoticScale(25) },
          flow / given.ratedRecovery,
          given.ratedTdsMgL,
          given.ratedPressureBar,
          concentrationPolarisation(given.ratedRecovery),
          marchSteps(given.ratedRecovery),
          march,
        );
        expect(march.permeateLPerH / flow).toBeCloseTo(1, 8);
        const passage = march.permeateSaltMgPerH / march.permeateLPerH / given.ratedTdsMgL;
        expect(passage).toBeCloseTo(1 - given.ratedRejection, 8);
      }),
    );
  });

  test('that is rated below its own osmotic pressure is named as impossible', () => {
    const salty = elementPermeance({ ...rating, ratedTdsMgL: 9000, ratedPressureBar: 4 });
    expect(salty).toMatchObject({
      ok: false,
      failure: { code: 'rating-impossible', path: 'membrane.ratedPressureBar' },
    });
  });

  test.each(['ratedFlowLPerDay', 'ratedPressureBar', 'ratedRecovery', 'ratedRejection'] as const)(
    'names a wrong %s',
    (field) => {
      const refused = elementPermeance({ ...rating, [field]: -1 });
      expect(refused).toMatchObject({ ok: false, failure: { path: `membrane.${field}` } });
    },
  );
});

describe('the march', () => {
  const feed = 60;

  /** Marches to an outlet flow that agrees with the recovery its polarisation was taken at. */
  function marchAt(recovery: number, steps: number) {
    const element = elementOf(rating);
    const march = newMarch();
    const beta = concentrationPolarisation(recovery);
    let [low, high] = [0, 40];
    for (let i = 0; i < 80; i += 1) {
      const bar = (low + high) / 2;
      marchElement(element, feed, 600, bar, beta, steps, march);
      if (march.permeateLPerH < recovery * feed) low = bar;
      else high = bar;
    }
    return { bar: high, beta, element, ...march };
  }

  test.each([0.1, 0.19, 0.3, 0.34, 0.45, 0.49, 0.55, 0.59, 0.65, 0.69, 0.75, 0.8])(
    'in its few steps is within parts in a million of two thousand at %d recovery',
    (recovery) => {
      const { bar, beta, element } = marchAt(recovery, 200);
      const [few, many] = [newMarch(), newMarch()];
      marchElement(element, feed, 600, bar, beta, marchSteps(recovery), few);
      marchElement(element, feed, 600, bar, beta, 2000, many);
      expect(Math.abs(few.permeateLPerH / many.permeateLPerH - 1)).toBeLessThan(1.1e-6);
      expect(Math.abs(few.permeateSaltMgPerH / many.permeateSaltMgPerH - 1)).toBeLessThan(3.3e-6);
    },
  );

  test('keeps every litre and every milligram', () => {
    const march = newMarch();
    const element = elementOf(rating);
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 400, noNaN: true }),
        fc.double({ min: 20, max: 6000, noNaN: true }),
        fc.double({ min: -1, max: 14, noNaN: true }),
        fc.double({ min: 1, max: 1.5, noNaN: true }),
        (flow, strength, bar, beta) => {
          marchElement(element, flow, strength, bar, beta, 24, march);
          expect((march.concentrateLPerH + march.permeateLPerH) / flow).toBeCloseTo(1, 12);
          const salt = march.concentrateSaltMgPerH + march.permeateSaltMgPerH;
          expect(salt / (flow * strength)).toBeCloseTo(1, 12);
          expect(march.permeateLPerH).toBeGreaterThanOrEqual(0);
          expect(march.concentrateLPerH).toBeGreaterThan(0);
        },
      ),
    );
  });

  test('makes nothing from a water whose osmotic pressure it cannot exceed', () => {
    const march = newMarch();
    marchElement(elementOf(rating), feed, 6000, 4, 1.1, 24, march);
    expect(march.permeateLPerH).toBe(0);
    expect(march.concentrateLPerH).toBe(feed);
  });

  test('goes continuously to nothing as the pressure falls to the osmotic', () => {
    const march = newMarch();
    const element = elementOf(rating);
    const flows = [0, 1e-6, 1e-4, 0.01, 1].map((above) => {
      marchElement(element, feed, 600, osmoticPressure(600 * 1.1, 25) + above, 1.1, 24, march);
      return march.permeateLPerH;
    });
    expect(flows[0]).toBeLessThan(1e-6);
    for (let i = 1; i < flows.length; i += 1) expect(flows[i]).toBeGreaterThan(flows[i - 1]!);
    expect(flows[1]).toBeLessThan(0.05);
  });
});

describe('a bank', () => {
  const element = elementOf(rating);
  const run = (count: number, series: boolean, feed: number, concentrate: number, bar: number) => {
    const bank = newBankMarch(count);
    marchBank(element, count, series, feed, 500, bar, concentrate, bank);
    return bank;
  };

  test('of three in parallel is three times one', () => {
    const one = run(1, false, 40, 30, 5);
    const three = run(3, false, 120, 90, 5);
    expect(three.permeateLPerH / one.permeateLPerH).toBeCloseTo(3, 12);
    expect(three.permeateSaltMgPerH / one.permeateSaltMgPerH).toBeCloseTo(3, 12);
  });

  test('in series gives each later element saltier water, so less than in parallel', () => {
    const series = run(2, true, 80, 55, 5);
    const parallel = run(2, false, 80, 55, 5);
    expect(series.permeateLPerH).toBeLessThan(2 * run(1, false, 80, 67, 5).permeateLPerH);
    expect(series.permeateLPerH).not.toBeCloseTo(parallel.permeateLPerH, 3);
    expect(series.recoveries[0]).toBeGreaterThan(0);
  });
});
