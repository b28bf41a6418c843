import { describe, expect, test } from '@jest/globals';
import { householdOfDemand } from '../day/household.ts';
import { directDesign, samplePart, sampleParts, sampleWater, tankDesign } from '../test/samples.ts';
import { tankVolume } from '../tank/bladderTank.ts';
import { assess, type Assessment, glassL } from './assess.ts';
import { candidates, type SiteChoices } from './candidates.ts';
import { decide } from './decisions.ts';
import { judge, partsPrice } from './judge.ts';
import { isBetter, recommend } from './recommend.ts';
import { representatives } from './representatives.ts';
import {
  practiceLimits,
  type Requirements,
  type SizingWaters,
  usualRequirements,
} from './requirements.ts';
import {
  agedMembrane,
  combineFilters,
  type FeedWater,
  newMembrane,
  shutoffOf,
  type SystemDesign,
} from './systemDesign.ts';

function assessed(design: SystemDesign, water: FeedWater = sampleWater): Assessment {
  const outcome = assess(design, water);
  if (!outcome.ok) throw new Error(`${outcome.failure.code} at ${outcome.failure.path}`);
  return outcome.value;
}

const requirements: Requirements = {
  ...usualRequirements,
  demandLPerDay: 12,
  largestDrawL: 2,
  household: householdOfDemand(12, 2),
};
const watersOf = (today: FeedWater): SizingWaters => ({
  today,
  worst: { ...today, temperatureC: today.temperatureC - 8, pressureBar: 0.85 * today.pressureBar },
});
const site: SiteChoices = {
  line: tankDesign.line,
  chloramine: false,
  power: true,
  tankRoom: true,
  unsafe: false,
  mineral: 'none',
};

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
    const before = assessed({ ...tankDesign, mineral: { part, place: 'before-tank' } });
    const after = assessed({ ...tankDesign, mineral: { part, place: 'after-tank' } });
    expect(before.minerals!.hardnessMgL).toBeGreaterThan(2 * after.minerals!.hardnessMgL);
    expect(before.minerals!.pH).toBeGreaterThan(before.productPh);
    expect(before.productTdsMgL).toBeCloseTo(after.productTdsMgL, 9);
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
      { ...tankDesign, pump: { ...samplePart('pump'), minInletBar: 2 }, shutoff: null },
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

describe('candidates', () => {
  test('are every membrane, restrictor, pump and tank that go together', () => {
    // Two tank elements x two restrictors x (no pump or one) x two tanks, and one direct element x two restrictors x one pump.
    expect(candidates(sampleParts, site)).toHaveLength(2 * 2 * 2 * 2 + 2);
    expect(candidates(sampleParts, { ...site, power: false })).toHaveLength(2 * 2 * 2);
    const tankless = candidates(sampleParts, { ...site, tankRoom: false });
    expect(tankless.map((design) => design.tank)).toEqual([null, null]);
    expect(candidates([], site)).toEqual([]);
  });

  test('carry what the site asks for', () => {
    const plain = candidates(sampleParts, site)[0]!;
    expect(plain.prefilters.map((part) => part.id)).toEqual(['sed', 'cb', 'cb']);
    expect(plain.lamp).toBeNull();
    const treated = candidates(sampleParts, {
      ...site,
      chloramine: true,
      unsafe: true,
      mineral: 'before-tank',
    });
    expect(treated[0]!.prefilters.map((part) => part.id)).toEqual(['sed', 'cat', 'cb']);
    expect(treated[0]!.lamp?.id).toBe('uv');
    for (const design of treated) {
      expect(design.mineral?.place).toBe(design.tank ? 'before-tank' : 'after-tank');
      expect(design.pump === null).toBe(design.shutoff !== null);
    }
  });
});

describe('a recommendation', () => {
  const recommended = (water: FeedWater) => {
    const result = recommend({
      catalogue: sampleParts,
      site,
      waters: watersOf(water),
      requirements,
    });
    if (!result) throw new Error('none');
    return result;
  };

  test('is the best of all candidates, judged one by one', () => {
    const result = recommended(sampleWater);
    const all = candidates(sampleParts, site).map((design) =>
      judge(design, watersOf(sampleWater), requirements),
    );
    for (const other of all) expect(isBetter(other, result.best, false)).toBe(false);
    expect(result.considered).toBe(all.length);
    expect(result.meeting).toBe(all.filter((j) => j.shortfalls.length === 0).length);
    expect(result.families.reduce((sum, family) => sum + family.considered, 0)).toBe(all.length);
    for (const family of result.families) {
      expect(family.meeting).toBeLessThanOrEqual(family.considered);
    }
  });

  test('needs no pump at good pressure and one at poor pressure', () => {
    expect(recommended(sampleWater).best.design.pump).toBeNull();
    expect(recommended({ ...sampleWater, pressureBar: 1.6 }).best.design.pump).not.toBeNull();
  });

  test('reports its progress from nothing towards all', () => {
    const shares: number[] = [];
    recommend(
      { catalogue: sampleParts, site, waters: watersOf(sampleWater), requirements },
      (share) => shares.push(share),
    );
    expect(shares[0]).toBe(0);
    expect(Math.max(...shares)).toBeLessThan(1);
  });

  test('of an empty catalogue is none', () => {
    expect(
      recommend({ catalogue: [], site, waters: watersOf(sampleWater), requirements }),
    ).toBeUndefined();
  });
});

test('representatives are the given design, the best of each family, and both with the largest tank, once each', () => {
  const recommendation = recommend({
    catalogue: sampleParts,
    site,
    waters: watersOf(sampleWater),
    requirements,
  })!;
  const designs = representatives(recommendation.best.design, recommendation, sampleParts);
  expect(designs[0]).toBe(recommendation.best.design);
  for (const { best } of recommendation.families) expect(designs).toContainEqual(best.design);
  expect(designs.filter((design) => design.tank?.id === 't-30').length).toBeGreaterThan(0);
  expect(new Set(designs.map((design) => JSON.stringify(design))).size).toBe(designs.length);
  expect(representatives(tankDesign, undefined, [])).toEqual([tankDesign]);
});

describe('decisions', () => {
  const facts = { highestSupplyBar: 4, unsafe: false, power: true };
  const decided = (
    design: SystemDesign,
    water = sampleWater,
    change: Partial<typeof facts> = {},
  ) => {
    const waters = watersOf(water);
    const recommendation = recommend({ catalogue: sampleParts, site, waters, requirements });
    const list = decide(
      judge(design, waters, requirements),
      waters,
      requirements,
      { ...facts, ...change },
      recommendation,
    );
    return Object.fromEntries(list.map((decision) => [decision.topic, decision]));
  };
  const pumped = { ...tankDesign, pump: samplePart('pump'), shutoff: null };
  const dearlyPumped = { ...pumped, pump: { ...samplePart('pump'), price: 900 } };
  const low = { ...sampleWater, pressureBar: 1.6 };

  test.each<[string, SystemDesign, FeedWater, Partial<typeof facts>]>([
    ['booster-not-needed', tankDesign, sampleWater, {}],
    ['booster-built-in', directDesign, sampleWater, {}],
    ['booster-would-help', tankDesign, { ...low, temperatureC: 12, tdsMgL: 900 }, {}],
    [
      'booster-needs-outlet',
      tankDesign,
      { ...low, temperatureC: 12, tdsMgL: 900 },
      { power: false },
    ],
    ['booster-nothing-without', pumped, { ...low, tdsMgL: 1900, pressureBar: 1.5 }, {}],
    ['booster-saves-water', pumped, sampleWater, {}],
    ['booster-by-choice', dearlyPumped, sampleWater, {}],
    ['booster-low-supply', pumped, { ...sampleWater, pressureBar: 3.1 }, {}],
    ['booster-customary', tankDesign, { ...sampleWater, pressureBar: 3.1 }, {}],
  ])('%s', (code, design, water, change) => {
    expect(decided(design, water, change).booster).toMatchObject({ code });
  });

  test('rest on both productions, and the pumped one is the larger', () => {
    const { booster } = decided(tankDesign, low);
    expect(Number(booster!.data.withLPerDay)).toBeGreaterThan(Number(booster!.data.withoutLPerDay));
    expect(booster!.data.neededLPerDay).toBe(12 * usualRequirements.productionMargin);
  });

  test.each([
    [practiceLimits.strictSupplyBar - 0.1, 'regulator-not-needed'],
    [practiceLimits.strictSupplyBar + 0.1, 'regulator-two-schools'],
    [practiceLimits.highSupplyBar + 0.1, 'regulator-needed'],
  ])('at %d bar: %s', (highestSupplyBar, code) => {
    expect(decided(tankDesign, sampleWater, { highestSupplyBar }).regulator).toMatchObject({
      code,
    });
  });

  test('name the shut-off that closes, switches, follows the tap, or never closes', () => {
    expect(decided(tankDesign)['shut-off']).toMatchObject({ code: 'shut-off-closes' });
    expect(decided(pumped)['shut-off']).toMatchObject({ code: 'shut-off-by-switch' });
    expect(decided(directDesign)['shut-off']).toMatchObject({ code: 'shut-off-by-the-tap' });
    const valve = {
      ...samplePart('shutoff'),
      shutoff: { kind: 'hydraulic' as const, ratio: 0.98 },
    };
    const salty = { ...sampleWater, tdsMgL: 1500, pressureBar: 3 };
    expect(decided({ ...tankDesign, shutoff: valve }, salty)['shut-off']).toMatchObject({
      code: 'shut-off-never-closes',
      choice: 'no',
    });
  });

  test('propose minerals where the product is sour, and say where they stand', () => {
    const part = samplePart('mineral');
    expect(decided(tankDesign).minerals).toMatchObject({ code: 'minerals-would-lift' });
    expect(
      decided({ ...tankDesign, mineral: { part, place: 'before-tank' } }).minerals,
    ).toMatchObject({
      code: 'minerals-before-tank',
    });
    expect(
      decided({ ...tankDesign, mineral: { part, place: 'after-tank' } }).minerals,
    ).toMatchObject({
      code: 'minerals-after-tank',
    });
    expect(
      decided({ ...directDesign, mineral: { part, place: 'after-tank' } }).minerals,
    ).toMatchObject({
      code: 'minerals-in-line',
    });
    const alkaline = { ...sampleWater, pH: 9 };
    expect(decided(tankDesign, alkaline).minerals).toMatchObject({ code: 'minerals-not-needed' });
  });

  test('warn of scale by index and hardness together', () => {
    const hard = { ...sampleWater, hardnessMgL: 320, alkalinityMgL: 280, pH: 7.9 };
    expect(decided(tankDesign, hard).scaling).toMatchObject({ code: 'scaling-soften-or-accept' });
    const soft = { ...sampleWater, hardnessMgL: 30, alkalinityMgL: 30, pH: 7 };
    expect(decided(tankDesign, soft).scaling).toMatchObject({ code: 'scaling-none' });
  });

  test('ask for a lamp only where the water is unsafe, and say so where there is no outlet', () => {
    expect(decided(tankDesign).disinfection).toMatchObject({ choice: 'no' });
    expect(decided(tankDesign, sampleWater, { unsafe: true }).disinfection).toMatchObject({
      code: 'lamp-needs-outlet',
    });
    expect(
      decided({ ...tankDesign, lamp: samplePart('lamp') }, sampleWater, { unsafe: true })
        .disinfection,
    ).toMatchObject({ code: 'lamp-needed' });
  });

  test('of a design that cannot run still say what would help', () => {
    const brine = decided(tankDesign, { ...sampleWater, tdsMgL: 6000, pressureBar: 2 });
    expect(brine.booster).toMatchObject({ choice: 'consider' });
    expect(brine['shut-off']).toBeUndefined();
    expect(brine.minerals).toMatchObject({ code: 'minerals-unknown' });
  });
});

test('a new membrane is the neutral ageing', () => {
  const plain = assess(tankDesign, sampleWater);
  expect(assess(tankDesign, sampleWater, newMembrane)).toEqual(plain);
});
