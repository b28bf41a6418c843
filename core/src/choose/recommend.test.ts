import { isDeepStrictEqual } from 'node:util';
import { describe, expect, test } from '@jest/globals';
import { sampleParts, sampleWater, tankDesign } from '../test/samples.ts';
import { requirements, site, watersOf } from '../test/sizingSamples.ts';
import { practiceLimits } from '../base/practice.ts';
import { Solutions } from '../system/solutions.ts';
import { candidates, familyOf } from './candidates.ts';
import { judge, plainShortfall } from './judge.ts';
import { isBetter, recommend, recommending } from './recommend.ts';
import { representatives } from './representatives.ts';
import type { FeedWater, SizingWaters } from '../system/design.ts';

const lowSupply = ({ worst }: SizingWaters) => worst.pressureBar < practiceLimits.lowSupplyBar;

describe('candidates', () => {
  test('are every membrane, restrictor, pump and tank that go together', () => {
    // Two tank elements x two restrictors x (a valve, or a pump with one of five banks) x two tanks, and one direct element x two
    // restrictors x a pump with one of five banks.
    expect(candidates(sampleParts, site)).toHaveLength(2 * 2 * (1 + 5) * 2 + 2 * 5);
    expect(candidates(sampleParts, { ...site, power: false })).toHaveLength(2 * 2 * 2);
    const tankless = candidates(sampleParts, { ...site, tankRoom: false });
    expect(tankless).toHaveLength(2 * 5);
    for (const { tank, pump } of tankless) expect([tank, pump?.id]).toEqual([null, 'p-1']);
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

  test.each([
    ['usual water', sampleWater],
    ['little pressure', { ...sampleWater, pressureBar: 1.6 }],
    ['salty and hard', { ...sampleWater, tdsMgL: 1400, hardnessMgL: 500, alkalinityMgL: 300 }],
  ])(
    'counts, families and trade-offs are those of every candidate judged in full: %s',
    (_, water) => {
      const waters = watersOf(water);
      const found = recommend({ catalogue: sampleParts, site, waters, requirements })!;
      const all = candidates(sampleParts, site).map((design) =>
        judge(design, waters, requirements),
      );
      for (const family of found.families) {
        const members = all.filter(({ design }) => familyOf(design) === family.key);
        expect(family.considered).toBe(members.length);
        expect(family.meeting).toBe(
          members.filter(({ shortfalls }) => shortfalls.length === 0).length,
        );
        const best = members.reduce((a, b) => (isBetter(b, a, lowSupply(waters)) ? b : a));
        expect(family.best.design).toEqual(best.design);
      }
      const sound = all
        .filter(({ shortfalls }) => shortfalls.length === 0)
        .map(({ design }) => design);
      if (sound.length > 0)
        for (const { design } of found.tradeOffs) expect(sound).toContainEqual(design);
      expect(found.tradeOffs.length).toBeGreaterThan(0);
      for (const { design, criteria } of found.tradeOffs) {
        const whole = all.find((judged) => isDeepStrictEqual(judged.design, design))!;
        expect(criteria.wait).toBeCloseTo(whole.longestWaitMin!, 9);
      }
    },
  );

  test('a shortfall that single points show is one of the full judgement', () => {
    for (const water of [sampleWater, { ...sampleWater, pressureBar: 2.2, tdsMgL: 900 }]) {
      const waters = watersOf(water);
      const strict = { ...requirements, mostDrainPerProductL: 3, mostRecovery: 0.3 };
      let shown = 0;
      for (const design of candidates(sampleParts, site)) {
        const plain = plainShortfall(design, waters, strict, new Solutions());
        if (plain) expect(judge(design, waters, strict).shortfalls).toContain(plain);
        if (plain) shown += 1;
      }
      expect(shown).toBeGreaterThan(0);
    }
  });

  test('needs no pump at good pressure and one at poor pressure', () => {
    expect(recommended(sampleWater).best.design.pump).toBeNull();
    expect(recommended({ ...sampleWater, pressureBar: 1.6 }).best.design.pump).not.toBeNull();
  });

  test('in steps says the share done, from nothing towards all, and proposes the same', () => {
    const task = { catalogue: sampleParts, site, waters: watersOf(sampleWater), requirements };
    const shares: number[] = [];
    const work = recommending(task);
    let step = work.next();
    for (; !step.done; step = work.next()) shares.push(step.value);
    expect(step.value).toEqual(recommend(task));
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
