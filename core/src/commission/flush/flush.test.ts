import { describe, expect, test } from '@jest/globals';
import { directDesign, samplePart, sampleWater, tankDesign } from '../../test/samples.ts';
import { assess } from '../../system/assess.ts';
import type { FeedWater, SystemDesign } from '../../system/design.ts';
import { sampleFlush } from '../../test/flushSamples.ts';

describe('the plan', () => {
  const planOf = (design: SystemDesign, water: FeedWater = sampleWater) => {
    const today = assess(design, water);
    if (!today.ok) throw new Error(today.failure.code);
    return { plan: sampleFlush(design, water), today: today.value };
  };

  test('of a tank unit flushes the filters before the membrane is in, and fills and drains the tank at least twice', () => {
    const { plan, today } = planOf(tankDesign);
    const codes = plan.map((step) => step.code);
    expect(codes.indexOf('prefilter-flush')).toBeLessThan(codes.indexOf('fit-membrane'));
    expect(codes.indexOf('fit-membrane')).toBeLessThan(codes.indexOf('membrane-rinse'));
    const drained = codes.filter((code) => code === 'tank-drain').length;
    expect(drained).toBeGreaterThanOrEqual(2);
    // The fill after the last that is thrown away is kept.
    expect(codes.filter((code) => code === 'tank-fill')).toHaveLength(drained + 1);
    const kept = plan.filter((step) => step.code === 'tank-fill' && step.data.kept);
    expect(kept).toHaveLength(1);
    expect(codes.at(-1)).toBe('rest-and-recheck');
    const fills = plan.filter((step) => step.code === 'tank-fill');
    if (!today.fill?.shutsOff) throw new Error('stalled');
    // A new tank's folds are filled as well; a later fill is what the size says it takes, or less where some was left in it.
    expect(fills[0]!.minutes).toBeGreaterThan(today.fill.fillTimeMin);
    expect(fills[1]!.minutes! / today.fill.fillTimeMin).toBeLessThan(1.001);
    expect(fills[1]!.data.litres / today.fill.usableVolumeL).toBeLessThan(1.001);
    expect(fills.every(({ attended }) => !attended)).toBe(true);
  });

  test('gives every step an id of its own: ticks and timers hang on it', () => {
    for (const design of [tankDesign, directDesign, { ...tankDesign, lamp: samplePart('lamp') }]) {
      const ids = planOf(design).plan.map((step) => step.id);
      expect(new Set(ids).size).toBe(ids.length);
    }
  });

  test('of a tankless unit runs at the open tap', () => {
    const { plan, today } = planOf(directDesign);
    const run = plan.find((step) => step.code === 'run-open-tap')!;
    expect(run.data.litres).toBeCloseTo((today.running.permeateFlowLPerH * run.minutes!) / 60, 9);
    expect(plan.some((step) => step.code === 'tank-fill')).toBe(false);
  });

  test('lights the lamp only where there is one', () => {
    const lit = planOf({ ...tankDesign, lamp: samplePart('lamp') }).plan;
    expect(lit.some((step) => step.code === 'lamp-on')).toBe(true);
    expect(planOf(tankDesign).plan.some((step) => step.code === 'lamp-on')).toBe(false);
  });

  test('of a dispenser rinses its tanks with the heater off, and lights it when they are full', () => {
    const dispenser = { hotL: 1.2, coldL: 2.5, heaterW: 450 };
    const tap = { ...tankDesign.tap, dispenser };
    const { plan, today } = planOf({ ...tankDesign, tap, lamp: samplePart('lamp') });
    expect(plan.slice(-4).map(({ code }) => code)).toEqual([
      'lamp-on',
      'dispenser-rinse',
      'heater-on',
      'rest-and-recheck',
    ]);
    const rinse = plan.find((step) => step.code === 'dispenser-rinse')!;
    expect(rinse.data.litres).toBeCloseTo(2 * 3.7, 12);
    expect(rinse.minutes! * today.tapHalfLPerMin).toBeCloseTo(2 * 3.7, 9);
    const cold = planOf({
      ...directDesign,
      tap: { ...tap, dispenser: { ...dispenser, heaterW: 0 } },
    });
    const codes = cold.plan.map(({ code }) => code);
    expect(codes).toContain('dispenser-rinse');
    expect(codes).not.toContain('heater-on');
    expect(planOf(tankDesign).plan.map(({ code }) => code)).not.toContain('dispenser-rinse');
  });

  test('of a system that never shuts off waits for no full tank', () => {
    const valve = {
      ...samplePart('shutoff'),
      shutoff: { kind: 'hydraulic' as const, ratio: 0.98 },
    };
    const { plan } = planOf(
      { ...tankDesign, shutoff: valve },
      { ...sampleWater, tdsMgL: 2600, pressureBar: 3.2 },
    );
    expect(plan.some((step) => step.code === 'tank-fill')).toBe(false);
    expect(plan.every((step) => step.minutes === null || Number.isFinite(step.minutes))).toBe(true);
  });
});
