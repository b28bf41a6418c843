import { describe, expect, test } from '@jest/globals';
import {
  directDesign,
  samplePart,
  sampleParts,
  sampleWater,
  tankDesign,
} from '../../test/samples.ts';
import { requirements, site, watersOf } from '../../test/sizingSamples.ts';
import type { SiteFacts } from './decision.ts';
import { decide } from './decide.ts';
import { judge } from '../judge.ts';
import { recommend } from '../recommend.ts';
import { practiceLimits } from '../../base/practice.ts';
import { usualRequirements } from '../requirements.ts';
import type { FeedWater, SystemDesign } from '../../system/design.ts';

describe('decisions', () => {
  const facts: SiteFacts = {
    highestSupplyBar: 4,
    highestAssumed: false,
    microbiology: 'safe',
    ownSource: false,
    mineralWish: null,
    power: true,
    disinfectant: null,
    ironMgL: null,
    manganeseMgL: null,
    sulfideMgL: null,
    turbidityNtu: null,
    transmittance: null,
  };
  const decided = (
    design: SystemDesign,
    water = sampleWater,
    change: Partial<typeof facts> = {},
  ) => {
    const waters = watersOf(water);
    const recommendation = recommend({ catalogue: sampleParts, site, waters, requirements });
    const list = decide(judge(design, waters, requirements), {
      waters,
      requirements,
      facts: { ...facts, ...change },
      recommendation,
    });
    return Object.fromEntries(list.map((decision) => [decision.topic, decision]));
  };
  const pumped = {
    ...tankDesign,
    pump: samplePart('pump'),
    solenoid: samplePart('solenoid'),
    shutoff: null,
  };
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
    // It would make enough, but custom boosts it: an outlet first.
    ['booster-needs-outlet', tankDesign, { ...sampleWater, pressureBar: 3.1 }, { power: false }],
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
    if (booster?.topic !== 'booster') throw new Error('it decides on a booster');
    expect(booster.data.withLPerDay).toBeGreaterThan(booster.data.withoutLPerDay);
    expect(booster.data.neededLPerDay).toBe(12 * usualRequirements.productionMargin);
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
    expect(decided(tankDesign).minerals).toMatchObject({
      code: 'minerals-not-asked',
      choice: 'no',
    });
    const asked = (water: FeedWater) =>
      decided(tankDesign, water, { mineralWish: 'taste' }).minerals;
    expect(asked(sampleWater)).toMatchObject({ code: 'minerals-would-lift' });
    // Hardly any carbon dioxide: what stands in the bed climbs past pH 9.
    expect(asked({ ...sampleWater, pH: 9 })).toMatchObject({ code: 'minerals-would-overshoot' });
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
    expect(decided(tankDesign, alkaline, { mineralWish: 'pH' }).minerals).toMatchObject({
      code: 'minerals-not-needed',
    });
  });

  test('warn of scale by index and hardness together', () => {
    const hard = { ...sampleWater, hardnessMgL: 320, alkalinityMgL: 280, pH: 7.9 };
    expect(decided(tankDesign, hard).scaling).toMatchObject({ code: 'scaling-soften-or-accept' });
    const soft = { ...sampleWater, hardnessMgL: 30, alkalinityMgL: 30, pH: 7 };
    expect(decided(tankDesign, soft).scaling).toMatchObject({ code: 'scaling-none' });
  });

  test('ask for a lamp only where the water is unsafe, and say so where there is no outlet', () => {
    expect(decided(tankDesign).disinfection).toMatchObject({ choice: 'no' });
    expect(decided(tankDesign, sampleWater, { microbiology: 'unsafe' }).disinfection).toMatchObject(
      {
        code: 'lamp-left-out',
      },
    );
    const dark = { microbiology: 'unsafe' as const, power: false };
    expect(decided(tankDesign, sampleWater, dark).disinfection).toMatchObject({
      code: 'lamp-needs-outlet',
    });
    expect(
      decided({ ...tankDesign, lamp: samplePart('lamp') }, sampleWater, { microbiology: 'unsafe' })
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
