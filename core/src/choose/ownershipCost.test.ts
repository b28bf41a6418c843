import { describe, expect, test } from '@jest/globals';
import { samplePart, sampleWater, tankDesign } from '../test/samples.ts';
import { requirements } from '../test/sizingSamples.ts';
import { assess } from '../system/assess.ts';
import { ownershipCost } from './ownershipCost.ts';
import type { SystemDesign } from '../system/design.ts';

const costOf = (design: SystemDesign, change: Partial<typeof requirements> = {}) => {
  const assessed = assess(design, sampleWater);
  if (!assessed.ok) throw new Error(assessed.failure.code);
  return {
    cost: ownershipCost(design, { ...requirements, ...change }, assessed.value, null),
    today: assessed.value,
  };
};

describe('five years', () => {
  test('of water are what is drunk and what is drained for it', () => {
    const { cost, today } = costOf(tankDesign);
    expect(cost.productM3PerYear).toBeCloseTo((365 * 12) / 1000, 9);
    expect(cost.drainM3PerYear).toBeCloseTo(cost.productM3PerYear * today.drainLPerProductL, 9);
    expect(cost.water).toBeCloseTo(
      5 * requirements.waterPricePerM3 * (cost.productM3PerYear + cost.drainM3PerYear),
      9,
    );
  });

  test('of cartridges count what is changed, not what is bought at the start', () => {
    // Sediment, block, post carbon: four changes each in five years; the element once, after three.
    const { cost } = costOf(tankDesign);
    expect(cost.cartridges).toBeCloseTo(4 * (6 + 9 + 12) + 50, 9);
    const { cost: twice } = costOf({ ...tankDesign, elements: 2 });
    expect(twice.cartridges - cost.cartridges).toBeCloseTo(50, 9);
  });

  test('of power are a pump while it runs and a lamp all the time', () => {
    const pump = samplePart('pump');
    const { cost, today } = costOf({
      ...tankDesign,
      pump,
      solenoid: samplePart('solenoid'),
      shutoff: null,
    });
    const hours = (365 * 24 * 12) / today.productionLPerDay;
    expect(cost.kwhPerYear).toBeCloseTo(
      (hours * (pump.powerW + samplePart('solenoid').powerW)) / 1000,
      9,
    );
    const lamp = samplePart('lamp');
    const { cost: lit } = costOf({ ...tankDesign, lamp });
    expect(lit.kwhPerYear).toBeCloseTo((8760 * lamp.powerW) / 1000, 9);
    expect(costOf(tankDesign).cost.power).toBe(0);
  });

  test('are the sum of the three, and grow with what the household takes', () => {
    const { cost } = costOf(tankDesign);
    expect(cost.fiveYears).toBeCloseTo(cost.water + cost.power + cost.cartridges, 9);
    expect(costOf(tankDesign, { demandLPerDay: 24 }).cost.water).toBeCloseTo(2 * cost.water, 9);
  });
});
