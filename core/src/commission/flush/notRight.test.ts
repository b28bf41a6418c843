import { describe, expect, test } from '@jest/globals';
import { samplePart, sampleWater, tankDesign } from '../../test/samples.ts';
import { sampleFlush } from '../../test/flushSamples.ts';
import type { FeedWater } from '../../system/design.ts';
import { asSurveyed } from '../diagnosis/scenario.ts';
import { signsOf } from '../diagnosis/signs.ts';
import { testedSystemOf } from '../diagnosis/testedSystem.ts';
import { fillFinding, fillKind } from './fillFinding.ts';
import { causesOf, handCauses, type SeenSign, seenSigns, signsAt } from './notRight.ts';

const ranked = (sign: SeenSign, design = tankDesign) =>
  causesOf(design, sampleWater, sign).map(({ cause }) => cause);

describe('what is likely behind what is seen', () => {
  test.each<[SeenSign, string[]]>([
    ['drain-runs-hard', ['restrictor-missing']],
    ['no-water-to-drain', ['restrictor-blocked', 'shutoff-stuck-closed']],
    ['drain-goes-on', ['check-valve-leaking', 'shutoff-stuck-open']],
    ['tds-high', ['membrane-bypass']],
  ])('%s: %j stands before all others', (sign, first) => {
    expect(ranked(sign).slice(0, first.length).sort()).toEqual(first.sort());
  });

  test('probabilities are of everything that can be, and one of them is that it is none of these', () => {
    for (const sign of seenSigns) {
      const causes = causesOf(tankDesign, sampleWater, sign);
      if (sign in handCauses) {
        expect(causes.every(({ probability }) => probability === null)).toBe(true);
        continue;
      }
      const sum = causes.reduce((total, { probability }) => total + probability!, 0);
      expect(sum).toBeCloseTo(1, 12);
      expect(causes.map(({ cause }) => cause)).toContain('none-of-these');
    }
  });

  test('a system has only the faults of what is in it', () => {
    expect(ranked('no-water-at-tap')).not.toContain('pump-off');
    expect(ranked('no-water-at-tap', { ...tankDesign, pump: samplePart('pump') })).toContain(
      'pump-off',
    );
    expect(ranked('weak-tap', { ...tankDesign, postFilter: null })).not.toContain(
      'post-filter-blocked',
    );
  });

  test('every step asks for signs, and only a running system for those of running', () => {
    for (const step of sampleFlush(tankDesign, sampleWater)) {
      const signs = signsAt(step, tankDesign);
      expect(signs).toContain('drips');
      if (step.code === 'fit-membrane') expect(signs).toEqual(['drips']);
      if (step.code === 'tank-fill') expect(signs).toContain('fills-slowly');
    }
  });
});

/** Minutes of a fill of the sample tank in a water. */
const fillMin = (water: FeedWater) =>
  signsOf(asSurveyed(testedSystemOf(tankDesign, water))).fillMin()!;

describe('a fill that was not as computed', () => {
  const usual = fillMin(sampleWater);

  test('as computed is no finding', () => {
    for (const ratio of [0.75, 1, 1.4]) {
      expect(fillKind(ratio)).toBeNull();
      expect(fillFinding(tankDesign, sampleWater, ratio)).toBeNull();
    }
  });

  test('is explained by the pressure, the cold and the pre-filters that indeed give this time', () => {
    const pressureBar = 0.6 * sampleWater.pressureBar;
    const low = fillMin({ ...sampleWater, pressureBar });
    const finding = fillFinding(tankDesign, sampleWater, low / usual)!;
    expect(finding.kind).toBe('slow');
    const pressure = finding.explanations.find(({ cause }) => cause === 'pressure');
    expect(pressure).toEqual({ cause: 'pressure', bar: expect.closeTo(pressureBar, 3) });
    const cold = finding.explanations.find(({ cause }) => cause === 'temperature');
    if (cold?.cause === 'temperature') {
      const water = { ...sampleWater, temperatureC: cold.celsius };
      expect(fillMin(water) / low).toBeCloseTo(1, 3);
    }
  });

  test('that ended early is explained by what makes it quicker', () => {
    const { kind, explanations } = fillFinding(tankDesign, sampleWater, 0.6)!;
    expect(kind).toBe('fast');
    const pressure = explanations.find(({ cause }) => cause === 'pressure');
    if (pressure?.cause !== 'pressure') throw new Error('a higher pressure fills faster');
    const water = { ...sampleWater, pressureBar: pressure.bar };
    expect(pressure.bar).toBeGreaterThan(sampleWater.pressureBar);
    expect(fillMin(water) / usual).toBeCloseTo(0.6, 3);
  });

  test('leaves out what cannot be it', () => {
    const endless = fillFinding(tankDesign, sampleWater, 200)!;
    expect(endless.explanations.map(({ cause }) => cause)).not.toContain('temperature');
  });
});
