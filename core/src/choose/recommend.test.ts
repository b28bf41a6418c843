import { describe, expect, test } from '@jest/globals';
import { sampleParts, sampleWater, tankDesign } from '../test/samples.ts';
import { requirements, site, watersOf } from '../test/sizingSamples.ts';
import { candidates } from './candidates.ts';
import { judge } from './judge.ts';
import { isBetter, recommend, recommending } from './recommend.ts';
import { representatives } from './representatives.ts';
import type { FeedWater } from '../system/design.ts';

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
