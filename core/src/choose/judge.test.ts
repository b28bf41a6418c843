import { describe, expect, test } from '@jest/globals';
import { householdOfDemand } from '../household/household.ts';
import { liveSampledDays } from '../household/sampledDays.ts';
import { supplyOf } from '../household/supply.ts';
import { samplePart, sampleParts, sampleWater, tankDesign } from '../test/samples.ts';
import { requirements, site, watersOf } from '../test/sizingSamples.ts';
import { assess } from '../system/assess.ts';
import { partsPrice } from '../system/slots.ts';
import { candidates } from './candidates.ts';
import { judge, trialOf } from './judge.ts';
import { isBetter } from './recommend.ts';
import { type Requirements, usualRequirements } from './requirements.ts';
import { agedMembrane, type FeedWater, type SystemDesign } from '../system/design.ts';

describe('a judgement', () => {
  const judged = (design: SystemDesign, water = sampleWater, change: Partial<Requirements> = {}) =>
    judge(design, watersOf(water), { ...requirements, ...change });

  test('of a fitting design has nothing against it, and its price is its parts’', () => {
    const good = judged(tankDesign);
    expect(good.shortfalls).toEqual([]);
    expect(good.price).toBe(6 + 9 + 50 + 8 + 5 + 45 + 12 + 30);
    expect(partsPrice({ ...tankDesign, elements: 2 })).toBe(good.price + 50);
  });

  test('holds the worst case, with an aged membrane in cold water, against the demand', () => {
    const good = judged(tankDesign);
    const aged = assess(tankDesign, watersOf(sampleWater).worst, agedMembrane);
    expect(good.worst).toEqual(aged.ok && aged.value);
    const asked = good.worst!.productionLPerDay / usualRequirements.productionMargin;
    expect(judged(tankDesign, sampleWater, { demandLPerDay: asked * 0.99 }).shortfalls).toEqual([]);
    expect(judged(tankDesign, sampleWater, { demandLPerDay: asked * 1.01 }).shortfalls).toEqual([
      'too-little-water',
    ]);
  });

  test.each<[string, SystemDesign, FeedWater, Partial<Requirements>]>([
    ['tank-too-small', tankDesign, sampleWater, { largestDrawL: 11 }],
    ['not-made-safe', tankDesign, sampleWater, { needsLamp: true }],
    [
      'tank-too-large',
      { ...tankDesign, tank: { ...tankDesign.tank!, volumeL: 40 } },
      sampleWater,
      {},
    ],
    ['product-too-salty', tankDesign, sampleWater, { productTdsMgL: 2, productShareOfFeed: 0.001 }],
    ['too-much-drain', tankDesign, sampleWater, { mostDrainPerProductL: 0.5 }],
    ['recovery-too-high', tankDesign, sampleWater, { mostRecovery: 0.05 }],
    [
      'tap-too-slow',
      { ...tankDesign, line: { ...tankDesign.line, innerDiameterMm: 2, lengthM: 8 } },
      sampleWater,
      {},
    ],
    [
      'pump-inlet-too-low',
      {
        ...tankDesign,
        pump: { ...samplePart('pump'), minInletBar: 2 },
        solenoid: samplePart('solenoid'),
        shutoff: null,
      },
      { ...sampleWater, pressureBar: 2.2 },
      {},
    ],
    [
      'keeps-waiting',
      tankDesign,
      sampleWater,
      { household: { ...householdOfDemand(30, 4), meals: 3, potL: 7 } },
    ],
    ['cannot-run', tankDesign, { ...sampleWater, tdsMgL: 6000, pressureBar: 2 }, {}],
  ])('finds %s', (shortfall, design, water, change) => {
    expect(judged(design, water, change).shortfalls).toContain(shortfall);
  });

  test('does not call a lamp’s system unsafe, nor a permeate pump sound on less than it is driven by', () => {
    const lit = { ...tankDesign, lamp: samplePart('lamp') };
    expect(judged(lit, sampleWater, { needsLamp: true }).shortfalls).not.toContain('not-made-safe');
    const permeatePump = {
      id: 'pp',
      kind: 'permeate-pump' as const,
      name: 'Lift',
      price: 70,
      backPressureShare: 0.15,
    };
    const lifted = { ...tankDesign, permeatePump };
    const weak = { ...sampleWater, pressureBar: 2.2 };
    expect(judged(lifted, weak).shortfalls).toContain('pump-inlet-too-low');
    expect(judged(tankDesign, weak).shortfalls).not.toContain('pump-inlet-too-low');
  });

  test('is sound only where nine in ten elements keep both limits of the firm', () => {
    const { permeateTdsMgL } = judged(tankDesign).today!.running;
    const limit = permeateTdsMgL * Math.exp(1.28 * 0.3);
    expect(judged(tankDesign, sampleWater, { productTdsMgL: limit * 1.01 }).shortfalls).toEqual([]);
    expect(judged(tankDesign, sampleWater, { productTdsMgL: limit * 0.99 }).shortfalls).toEqual([
      'product-too-salty',
    ]);
  });

  test('of two pumps takes the weaker that is as sound', () => {
    const good = judged(tankDesign);
    const pumped = (powerW: number, fiveYearCost: number) => ({
      ...good,
      design: { ...tankDesign, pump: { ...samplePart('pump'), powerW } },
      fiveYearCost,
    });
    expect(isBetter(pumped(28, 900), pumped(72, 100), true)).toBe(true);
  });

  test('five years cost more where water is dearer, by just the water used', () => {
    const cheap = judged(tankDesign, sampleWater, { waterPricePerM3: 1 });
    const dear = judged(tankDesign, sampleWater, { waterPricePerM3: 2 });
    const litres = 12 * 365 * 5 * (1 + cheap.today!.drainLPerProductL);
    expect(dear.fiveYearCost - cheap.fiveYearCost).toBeCloseTo(litres / 1000, 6);
  });

  test('fewer shortfalls come first, then more water; of fitting ones no pump, then lower cost', () => {
    const good = judged(tankDesign);
    const dearer = { ...good, fiveYearCost: good.fiveYearCost + 1 };
    const flawed = { ...good, shortfalls: ['too-much-drain' as const], fiveYearCost: 0 };
    expect(isBetter(good, dearer, false)).toBe(true);
    expect(isBetter(dearer, good, false)).toBe(false);
    expect(isBetter(good, flawed, false)).toBe(true);
    const pumped = {
      ...good,
      design: { ...tankDesign, pump: samplePart('pump') },
      fiveYearCost: 0,
    };
    expect(isBetter(good, pumped, false)).toBe(true);
    expect(isBetter(good, pumped, true)).toBe(false);
    const waiting = { ...good, shortfalls: ['keeps-waiting' as const], waitingDays: 0.5 };
    expect(isBetter(good, waiting, false)).toBe(true);
    expect(isBetter(waiting, flawed, false)).toBe(true);
    expect(isBetter({ ...waiting, waitingDays: 0.3, fiveYearCost: 1e6 }, waiting, false)).toBe(
      true,
    );
    const more = judged(tankDesign, { ...sampleWater, pressureBar: 5 });
    expect(isBetter({ ...more, shortfalls: flawed.shortfalls }, flawed, false)).toBe(true);
  });
});

describe('the days of a judgement', () => {
  const designs = candidates(sampleParts, site);

  /** Households whose day is easy for most systems, and hard for many: a large pot twice, and little beside it. */
  const asking: [string, Partial<Requirements>][] = [
    ['few people', { demandLPerDay: 12, household: householdOfDemand(12, 2) }],
    ['a pot of four litres', { demandLPerDay: 15, household: householdOfDemand(15, 4) }],
    ['a pot of five litres', { demandLPerDay: 20, household: householdOfDemand(20, 5) }],
  ];

  test.each(asking)('are those that Days shows, none left out: %s', (_name, asked) => {
    const wanted = { ...requirements, ...asked };
    const { worst } = watersOf(sampleWater);
    const shares = new Set<number>();
    for (const design of designs) {
      const { waitingDays } = judge(design, watersOf(sampleWater), wanted);
      if (waitingDays === null) continue;
      const supply = supplyOf(design, worst, agedMembrane);
      if (!supply.ok) throw new Error(supply.failure.code);
      const { disappointingDays, sampled } = liveSampledDays(supply.value, wanted.household);
      expect(waitingDays).toBeCloseTo(disappointingDays / sampled.days, 12);
      shares.add(waitingDays);
    }
    expect(shares.size).toBeGreaterThan(0);
  });

  test.each(asking)('are spared in a search without another verdict: %s', (_name, asked) => {
    const wanted = { ...requirements, ...asked };
    const waters = watersOf(sampleWater);
    const trial = trialOf(wanted);
    expect(trial.days).toContain(trial.hardest);
    for (const design of designs) {
      const whole = judge(design, waters, wanted, { trial });
      const spared = judge(design, waters, wanted, { trial, search: { anySound: false } });
      expect(spared.shortfalls).toEqual(whole.shortfalls);
      const isTried = whole.shortfalls.every((shortfall) => shortfall === 'keeps-waiting');
      expect(spared.waitingDays).toBe(isTried ? whole.waitingDays : null);
      // A day that begins with a full tank lets nobody wait longer than the same day after another.
      expect(spared.longestWaitMin ?? 0).toBeLessThanOrEqual((whole.longestWaitMin ?? 0) + 1e-9);
    }
  });
});
