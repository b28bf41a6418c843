import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { FeedWater, SystemDesign } from '../system/design.ts';
import { directDesign, samplePart, sampleWater, tankDesign } from '../test/samples.ts';
import { tankPressure } from '../tank/bladderTank.ts';
import { columnAt, tankFactor } from '../system/filling/productionCurve.ts';
import {
  type Draw,
  drawsOfDay,
  householdOfDemand,
  type Household,
  meanDemand,
  seededRandom,
  usualHousehold,
} from './household.ts';
import { liveSampledDays, sampleDraws } from './sampledDays.ts';
import { comfortLPerMin, patienceMin } from '../base/practice.ts';
import { disappointingDays, simulateDays, standingTds } from './simulateDays.ts';
import { type Supply, supplyOf } from './supply.ts';

function supplied(design: SystemDesign, water: FeedWater = sampleWater): Supply {
  const supply = supplyOf(design, water);
  if (!supply.ok) throw new Error(supply.failure.code);
  return supply.value;
}

const tankSupply = () => {
  const supply = supplied(tankDesign);
  if (supply.kind !== 'tank') throw new Error('it has a tank');
  return supply;
};

const households = fc.record({
  people: fc.integer({ min: 1, max: 8 }),
  drinkingL: fc.double({ min: 0.5, max: 3, noNaN: true }),
  hotDrinks: fc.integer({ min: 0, max: 6 }),
  meals: fc.integer({ min: 0, max: 3 }),
  potL: fc.double({ min: 0.5, max: 8, noNaN: true }),
  pets: fc.integer({ min: 0, max: 4 }),
  plantsL: fc.double({ min: 0, max: 6, noNaN: true }),
  guestChance: fc.double({ min: 0, max: 1, noNaN: true }),
}) satisfies fc.Arbitrary<Household>;

const glass = (minute: number, litres = 0.25): Draw => ({ minute, litres, kind: 'glass' });

describe('a household', () => {
  test('draws in a day, on average, what it is said to need', () => {
    const days = sampleDraws({ ...usualHousehold, guestChance: 0.3 }, 4000, 7);
    const mean = days.flat().reduce((sum, draw) => sum + draw.litres, 0) / days.length;
    expect(mean / meanDemand({ ...usualHousehold, guestChance: 0.3 })).toBeCloseTo(1, 1);
  });

  test('draws in order, within the day, and the same again from the same seed', () => {
    fc.assert(
      fc.property(households, fc.boolean(), fc.boolean(), (household, weekend, guests) => {
        const day = () => drawsOfDay(household, { weekend, guests }, seededRandom(3));
        const draws = day();
        expect(day()).toEqual(draws);
        draws.forEach((draw, i) => {
          expect(draw.litres).toBeGreaterThan(0);
          expect(draw.minute).toBeGreaterThanOrEqual(i > 0 ? draws[i - 1]!.minute : 0);
          expect(draw.minute).toBeLessThan(1440);
        });
      }),
    );
  });

  test('made up for a known demand takes about that much', () => {
    for (const demand of [2, 6, 12, 25, 80]) {
      const mean = meanDemand(householdOfDemand(demand, 2));
      expect(Math.abs(mean - demand)).toBeLessThan(0.3 + 0.05 * demand);
    }
  });

  test('numbers of a seed spread evenly over 0 to 1', () => {
    const random = seededRandom(11);
    const bins = new Array<number>(10).fill(0);
    for (let i = 0; i < 20000; i += 1) bins[Math.floor(random() * 10)]! += 1;
    // Ten bins of 2,000: five standard deviations are 212.
    for (const count of bins) expect(Math.abs(count - 2000)).toBeLessThan(212);
  });
});

describe('simulated days', () => {
  test('lose and invent no water, whatever the household and the system', () => {
    const stalling = supplied(
      {
        ...tankDesign,
        shutoff: { ...samplePart('shutoff'), shutoff: { kind: 'hydraulic', ratio: 0.98 } },
      },
      { ...sampleWater, tdsMgL: 2600, pressureBar: 3.2 },
    );
    const supplies = [tankSupply(), supplied(directDesign), stalling];
    fc.assert(
      fc.property(households, fc.integer({ min: 1, max: 9 }), (household, seed) => {
        for (const supply of supplies) {
          const { ledger, draws, shortL } = simulateDays(supply, sampleDraws(household, 5, seed), {
            keep: true,
          });
          const { feedL, drainL, productL, drawnL, startL, endL } = ledger;
          expect(Math.abs(feedL - drainL - productL)).toBeLessThanOrEqual(1e-9 * feedL);
          expect(Math.abs(startL + productL - drawnL - endL)).toBeLessThanOrEqual(
            1e-9 * (startL + productL),
          );
          const asked = draws.reduce((sum, draw) => sum + draw.litres, 0);
          expect(Math.abs(asked - drawnL - shortL)).toBeLessThanOrEqual(1e-9 * (asked + 1));
          expect(endL).toBeGreaterThanOrEqual(0);
        }
      }),
      { numRuns: 40 },
    );
  });

  test('begin as the day before left the tank: a late pot is missed in the morning', () => {
    const supply = tankSupply();
    const late = [glass(1430, 0.9 * supply.fullL)];
    const early = [glass(20, 0.9 * supply.fullL)];
    const alone = simulateDays(supply, [early]);
    const together = simulateDays(supply, [late, early]);
    expect(alone.disappointed).toBe(0);
    expect(together.lived.map(({ disappointed }) => disappointed)).toEqual([0, 1]);
    expect(disappointingDays(together)).toBe(1);
    expect(together.shortL).toBe(together.lived[1]!.shortL);
  });

  test('hardly depend on the step', () => {
    const draws = sampleDraws({ ...usualHousehold, people: 5, potL: 4 }, 14, 5);
    const [coarse, fine] = [undefined, 0.02].map((stepMin) =>
      simulateDays(tankSupply(), draws, stepMin ? { stepMin } : {}),
    );
    expect(Math.abs(coarse!.ledger.drainL / fine!.ledger.drainL - 1)).toBeLessThan(1e-3);
    expect(coarse!.leastL / fine!.leastL).toBeCloseTo(1, 2);
    expect(Math.abs(coarse!.longestWaitMin - fine!.longestWaitMin)).toBeLessThan(0.05);
    expect(coarse!.disappointed).toBe(fine!.disappointed);
  });

  test('with the tap closed all day leave a full tank as it is', () => {
    const { ledger, starts, runningMin } = simulateDays(tankSupply(), [[]]);
    expect(ledger).toMatchObject({ feedL: 0, drawnL: 0 });
    expect([starts, runningMin]).toEqual([0, 0]);
  });

  test('a glass does not start production, a potful does, and the tank is full again by evening', () => {
    const supply = tankSupply();
    expect(simulateDays(supply, [[glass(480)]]).starts).toBe(0);
    const pot = simulateDays(supply, [[glass(480, 3)]]);
    expect(pot.starts).toBe(1);
    expect(pot.ledger.endL).toBeCloseTo(supply.fullL, 9);
    expect(pot.ledger.productL).toBeCloseTo(3, 9);
    // Refilling the last three litres takes what the curve says, less what was made while the tap ran.
    const { curve, tank, fullL } = supply;
    const fromBar = tankPressure(tank, fullL - 3);
    const hours = curve.hours.at(-1)! - columnAt(curve, curve.hours, fromBar);
    const refill = 60 * tankFactor(tank) * hours;
    expect(pot.runningMin).toBeGreaterThan(0.9 * refill);
    expect(pot.runningMin).toBeLessThan(1.2 * refill);
  });

  test('more than the tank holds comes as a trickle, and patience ends', () => {
    const supply = tankSupply();
    const result = simulateDays(supply, [[glass(480, supply.fullL + 5)]]);
    expect(result.shortL).toBeGreaterThan(3);
    expect(result.longestWaitMin).toBeLessThanOrEqual(patienceMin + 0.1);
    expect(result.disappointed).toBe(1);
    expect(result.leastL).toBeLessThan(0.3);
  });

  test('a second pot waits less the longer it comes after the first', () => {
    const supply = tankSupply();
    const size = 0.8 * supply.fullL;
    const short = [5, 30, 90, 600].map(
      (gap) => simulateDays(supply, [[glass(300, size), glass(300 + gap, size)]]).shortL,
    );
    expect([...short].sort((a, b) => b - a)).toEqual(short);
    expect(short[0]).toBeGreaterThan(0);
    expect(short.at(-1)).toBe(0);
  });

  test('of a unit that never shuts off run to drain all day', () => {
    const valve = {
      ...samplePart('shutoff'),
      shutoff: { kind: 'hydraulic' as const, ratio: 0.98 },
    };
    const supply = supplied(
      { ...tankDesign, shutoff: valve },
      { ...sampleWater, tdsMgL: 2600, pressureBar: 3.2 },
    );
    if (supply.kind !== 'tank') throw new Error('it has a tank');
    const idle = simulateDays(supply, [[]]);
    expect(idle.ledger.drainL).toBeCloseTo(24 * supply.curve.last.concentrateFlowLPerH, 6);
    expect(idle.runningMin).toBe(1440);
  });

  test('of a tankless unit start with every draw, and its first glass after a night is the worst', () => {
    const supply = supplied(directDesign);
    if (supply.kind !== 'direct') throw new Error('it has no tank');
    const day = [glass(420), glass(421), glass(1200)];
    const result = simulateDays(supply, [day, day]);
    expect(result.starts).toBe(6);
    expect(result.firstGlassMgL).toBeGreaterThan(supply.productMgL);
    expect(result.firstGlassMgL).toBeLessThan(supply.feedMgL);
    const soon = simulateDays(supply, [[glass(1, 1), glass(2, 1)]]);
    expect(soon.firstGlassMgL).toBeLessThanOrEqual(result.firstGlassMgL!);
  });

  test('of a slow tankless unit make people wait for a pot, and for each other', () => {
    const supply = supplied(directDesign);
    if (supply.kind !== 'direct') throw new Error('it has no tank');
    const slow: Supply = { ...supply, productLPerMin: 0.5 };
    const { draws } = simulateDays(slow, [[glass(400, 3), glass(401, 0.25)]], { keep: true });
    // Three litres take six minutes where a comfortable tap takes two; the second comes a minute later and waits for five.
    expect(draws[0]!.waitMin).toBeCloseTo(6 - 3 / comfortLPerMin, 9);
    expect(draws[1]!.waitMin).toBeCloseTo(5 + 0.5 - 0.25 / comfortLPerMin, 9);
    expect(simulateDays({ ...supply, productLPerMin: 3 }, [[glass(400, 3)]]).longestWaitMin).toBe(
      0,
    );
  });

  test('standing product goes from its own TDS to the feed’s', () => {
    expect(standingTds(400, 20, 0.3, 0.12, 0)).toBe(20);
    expect(standingTds(400, 20, 0.3, 0.12, 1e6)).toBeCloseTo(400, 9);
    // One time constant is V/b = 24 minutes.
    expect(standingTds(400, 20, 0.3, 0.12, 24)).toBeCloseTo(400 - 380 / Math.E, 9);
  });

  test('eight sampled weeks find the hardest day and keep its picture', () => {
    const lived = liveSampledDays(tankSupply(), { ...usualHousehold, people: 5, potL: 4 });
    expect(lived.sampled.days).toBe(56);
    const { moments, leastL, draws, shortL } = lived.hardest;
    if (lived.sampled.shortL === 0) expect(leastL).toBe(lived.sampled.leastL);
    expect(draws.reduce((sum, { servedL }) => sum + servedL, 0)).toBeCloseTo(
      lived.hardest.drawnL,
      9,
    );
    expect(shortL).toBeLessThanOrEqual(lived.sampled.shortL);
    expect(moments[0]).toMatchObject({ minute: 0 });
    expect(moments.at(-1)!.minute).toBeCloseTo(1440, 6);
    expect(Math.min(...moments.map((moment) => moment.litres))).toBeCloseTo(leastL, 9);
    moments.forEach((moment, i) =>
      expect(moment.minute).toBeGreaterThanOrEqual(i > 0 ? moments[i - 1]!.minute : 0),
    );
    expect(lived.disappointingDays).toBeLessThanOrEqual(56);
    const calm = liveSampledDays(tankSupply(), { ...usualHousehold, people: 1 });
    expect(calm.sampled.shortL).toBeLessThanOrEqual(lived.sampled.shortL);
  });
});
