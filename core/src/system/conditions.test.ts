import { describe, expect, test } from '@jest/globals';
import { directDesign, samplePart, sampleWater, tankDesign } from '../test/samples.ts';
import { osmoticPressure } from '../water/osmoticPressure.ts';
import { assessConditions, conditionKeys } from './conditions.ts';
import { pressureBudget } from './pressureBudget.ts';

const waters = {
  today: sampleWater,
  worst: { ...sampleWater, temperatureC: 6, pressureBar: 3.4 },
  warm: { ...sampleWater, temperatureC: 24, pressureBar: 4.8 },
  disinfectant: null,
};

describe('the five conditions', () => {
  test('each take something away, together the most, and warmth and pressure give it back with salt', () => {
    for (const design of [tankDesign, directDesign]) {
      const conditions = assessConditions(design, waters);
      const production = conditionKeys.map((key) => {
        const outcome = conditions[key];
        if (!outcome.ok) throw new Error(outcome.failure.code);
        return outcome.value.productionLPerDay;
      });
      const [measured, cold, aged, all, warm] = production as [
        number,
        number,
        number,
        number,
        number,
      ];
      expect(cold).toBeLessThan(measured);
      expect(aged).toBeLessThan(measured);
      expect(all).toBeLessThan(Math.min(cold, aged));
      expect(warm).toBeGreaterThan(measured);
      const [today, summer] = [conditions['as-measured'], conditions['warm-and-high']];
      if (!today.ok || !summer.ok) throw new Error('both run');
      expect(summer.value.running.recovery).toBeGreaterThan(today.value.running.recovery);
    }
  });
});

describe('where the pressure goes', () => {
  const budgetOf = (design = tankDesign, tankBar = 1.2, water = sampleWater) => {
    const budget = pressureBudget(design, water, tankBar);
    if (!budget.ok) throw new Error(budget.failure.code);
    return budget.value;
  };
  const pumped = {
    ...tankDesign,
    pump: samplePart('pump'),
    solenoid: samplePart('solenoid'),
    shutoff: null,
  };

  test('what comes in is what is spent and what is left', () => {
    for (const design of [tankDesign, pumped, directDesign]) {
      for (const tankBar of [0.5, 1.5, 2.4]) {
        const b = budgetOf(design, tankBar);
        const spent = b.prefiltersBar + b.osmoticBar + b.productSideBar + b.leftBar;
        expect(spent).toBeCloseTo(b.supplyBar + b.pumpBar, 9);
        expect(
          Math.min(b.prefiltersBar, b.osmoticBar, b.productSideBar, b.leftBar),
        ).toBeGreaterThan(0);
      }
    }
  });

  test('a filling tank takes it from what is left to make water', () => {
    const [empty, full] = [budgetOf(tankDesign, 0.5), budgetOf(tankDesign, 2.5)];
    expect(full.productSideBar - empty.productSideBar).toBeCloseTo(2, 9);
    expect(full.leftBar).toBeLessThan(empty.leftBar - 1.8);
    expect(full.productLPerH).toBeLessThan(empty.productLPerH);
  });

  test('the osmotic share is a little over the feed’s own, and the pump’s none without a pump', () => {
    const b = budgetOf();
    const feed = osmoticPressure(sampleWater.tdsMgL, sampleWater.temperatureC);
    expect(b.osmoticBar).toBeGreaterThan(0.9 * feed);
    expect(b.osmoticBar).toBeLessThan(1.5 * feed);
    expect(b.pumpBar).toBeCloseTo(0, 9);
    expect(budgetOf(pumped).pumpBar).toBeGreaterThan(1);
  });

  test('nothing to drive is a named failure', () => {
    expect(pressureBudget(tankDesign, sampleWater, 5)).toMatchObject({
      ok: false,
      failure: { code: 'no-driving-pressure' },
    });
  });
});
