import type { Branch } from '../../hydraulics/branchPressure.ts';
import { partsOf } from '../../catalogue/parts.ts';
import { assess } from '../../system/assess.ts';
import { agedMembrane, type SystemDesign } from '../../system/design.ts';
import { samplePart, sampleParts, sampleWater, tankDesign } from '../../test/samples.ts';
import { requirements, watersOf } from '../../test/sizingSamples.ts';
import { judge } from '../judge.ts';
import type { SiteFacts } from './decision.ts';
import {
  decideLeakStop,
  decidePostFilter,
  decideRefrigerator,
  decideRestrictor,
} from './finishDecisions.ts';
import { decideCarbon, decideDisinfection, decidePretreatment } from './waterDecisions.ts';
import { describe, expect, test } from '@jest/globals';

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
const assessed = (design: SystemDesign, water = sampleWater) => {
  const result = assess(design, water);
  if (!result.ok) throw new Error(result.failure.code);
  return result.value;
};
const today = assessed(tankDesign);
const waters = watersOf(sampleWater);

describe('treatment ahead of the unit', () => {
  test.each<[Partial<SiteFacts>, string, string]>([
    [{}, 'pretreatment-not-read', ''],
    [{ ironMgL: 0.1, turbidityNtu: 0.5 }, 'pretreatment-not-needed', ''],
    [{ ironMgL: 0.31 }, 'pretreatment-needed', 'ironMgL'],
    [{ manganeseMgL: 0.06 }, 'pretreatment-needed', 'manganeseMgL'],
    [{ sulfideMgL: 0.01 }, 'pretreatment-needed', 'sulfideMgL'],
    [{ turbidityNtu: 2, ironMgL: 1 }, 'pretreatment-needed', 'ironMgL turbidityNtu'],
  ])('with %j: %s', (change, code, over) => {
    const decision = decidePretreatment({ ...facts, ...change });
    expect(decision.code).toBe(code);
    expect(decision.data.over.join(' ')).toBe(over);
  });
});

describe('carbon', () => {
  const carbon = (change: Partial<SiteFacts>, design = tankDesign) =>
    decideCarbon(design, { ...facts, ...change }, requirements, today);
  const catalytic = {
    ...tankDesign,
    prefilters: [...tankDesign.prefilters, partsOf(sampleParts, 'prefilter')[2]!],
  };

  test('lasts by what the whole feed brings, drain water included', () => {
    const decision = carbon({
      disinfectant: { kind: 'chlorine', residualMgL: 1, assumed: false },
    });
    const feed = requirements.demandLPerDay * (1 + today.drainLPerProductL);
    expect(decision.data.feedLPerDay).toBeCloseTo(feed, 9);
    // Forty grams in the one block of the sample.
    expect(Number(decision.data.months) * 30.4375 * feed).toBeCloseTo(40_000, 3);
  });

  test.each<[number, string]>([
    [0.2, 'carbon-by-calendar'],
    [8, 'carbon-by-litres'],
  ])('at %d mg/L of chlorine: %s', (residualMgL, code) => {
    expect(
      carbon({ disinfectant: { kind: 'chlorine', residualMgL, assumed: true } }),
    ).toMatchObject({
      code,
      data: { assumed: true },
    });
  });

  test('for chloramine is catalytic, or said to be too weak', () => {
    const disinfectant = { kind: 'chloramine' as const, residualMgL: 2, assumed: false };
    expect(carbon({ disinfectant })).toMatchObject({
      code: 'carbon-too-weak-for-chloramine',
      choice: 'consider',
    });
    expect(carbon({ disinfectant }, catalytic).code).toBe('carbon-catalytic');
    expect(carbon({})).toMatchObject({ code: 'carbon-for-taste', choice: 'no' });
  });
});

describe('the restrictor', () => {
  const sized = (flowMlMin: number) => ({
    ...tankDesign,
    restrictor: { ...samplePart('restrictor'), restrictor: { flowMlMin, atPressureBar: 4.1 } },
  });
  test.each<[number, string]>([
    [60, 'restrictor-too-tight'],
    [320, 'restrictor-balanced'],
    [3000, 'restrictor-too-wide'],
  ])('of %d mL/min is %s', (flowMlMin, code) => {
    const design = sized(flowMlMin);
    expect(decideRestrictor(design, judge(design, waters, requirements), requirements).code).toBe(
      code,
    );
  });

  test('of a design that cannot run is not judged', () => {
    expect(decideRestrictor(tankDesign, { today: null, warm: null }, requirements).code).toBe(
      'restrictor-unknown',
    );
  });
});

describe('a refrigerator', () => {
  const branch: Branch = {
    kind: 'refrigerator',
    innerDiameterMm: 4.3,
    lengthM: 3,
    riseM: 0.2,
    neededBar: 1.4,
    flowLPerMin: 0.5,
  };
  const at = (change: Partial<typeof branch>, design: SystemDesign = tankDesign) => {
    const worst = assess(design, sampleWater, agedMembrane);
    if (!worst.ok) throw new Error(worst.failure.code);
    return decideRefrigerator({ ...design, branches: [{ ...branch, ...change }] }, worst.value);
  };

  test('is decided only where there is one', () => {
    expect(decideRefrigerator(tankDesign, today)).toBeUndefined();
  });

  test.each<[number, string]>([
    [0.3, 'refrigerator-enough'],
    [1.6, 'refrigerator-only-when-full'],
    [3.5, 'refrigerator-too-weak'],
  ])('that wants %d bar: %s', (neededBar, code) => {
    expect(at({ neededBar })?.code).toBe(code);
  });

  test('is judged by the branch that has the least to spare', () => {
    const worst = assess(tankDesign, sampleWater, agedMembrane);
    if (!worst.ok) throw new Error(worst.failure.code);
    const easy: Branch = { ...branch, kind: 'second-tap', neededBar: 0.1 };
    const decided = (...branches: Branch[]) =>
      decideRefrigerator({ ...tankDesign, branches }, worst.value)!;
    for (const order of [
      [branch, easy],
      [easy, branch],
    ])
      expect(decided(...order).data.kind).toBe('refrigerator');
    expect(decided(easy).code).toBe('refrigerator-enough');
    expect(decided(easy, { ...branch, neededBar: 9 }).code).toBe('refrigerator-too-weak');
  });

  test('sees less the higher and further it stands', () => {
    const drawn = (change: Partial<typeof branch>) => Number(at(change)!.data.drawnBar);
    expect(drawn({ riseM: 3 })).toBeLessThan(drawn({}) - 0.25);
    expect(drawn({ lengthM: 12 })).toBeLessThan(drawn({}));
  });

  test('gets nothing standing by from a tankless unit', () => {
    expect(decideRefrigerator({ ...tankDesign, tank: null, branches: [branch] }, today)?.code).toBe(
      'refrigerator-without-tank',
    );
  });
});

test('post filter and leak stop say what is there and what is not', () => {
  expect(decidePostFilter(tankDesign).code).toBe('post-filter-after-tank');
  expect(decidePostFilter({ ...tankDesign, postFilter: null })).toMatchObject({
    code: 'post-filter-missing',
    choice: 'consider',
  });
  expect(decidePostFilter({ ...tankDesign, tank: null }).code).toBe('post-filter-in-line');
  expect(decidePostFilter({ ...tankDesign, tank: null, postFilter: null }).code).toBe(
    'post-filter-left-out',
  );
  expect(decideLeakStop(true).choice).toBe('yes');
  expect(decideLeakStop(false).choice).toBe('consider');
});

describe('the lamp behind a membrane', () => {
  const lamp = samplePart('lamp');
  const decided = (change: Partial<SiteFacts>, ratedFlowLPerH = lamp.ratedFlowLPerH) =>
    decideDisinfection(
      { ...facts, microbiology: 'unsafe', ...change },
      { ...tankDesign, lamp: { ...lamp, ratedFlowLPerH } },
      { today, warm: null },
    );

  test('is enough, too small, or not to be lit by what the flow and the feed are', () => {
    expect(decided({}).code).toBe('lamp-needed');
    expect(decided({}, 40).code).toBe('lamp-dose-too-low');
    // A membrane passes a part of the iron: a feed of thirty milligrams still coats the sleeve.
    expect(decided({ ironMgL: 30 }).code).toBe('lamp-feed-not-clear');
    expect(decided({ ironMgL: 0.5 }).code).toBe('lamp-needed');
  });

  test('gives half the dose at half its rating', () => {
    const dose = (rated: number) => Number(decided({}, rated).data.doseMjCm2);
    expect(dose(200) / dose(400)).toBeCloseTo(0.5, 9);
  });
});
