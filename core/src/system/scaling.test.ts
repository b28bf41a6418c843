import { describe, expect, test } from '@jest/globals';
import { samplePart, sampleWater, tankDesign } from '../test/samples.ts';
import { requirements, watersOf } from '../test/sizingSamples.ts';
import { judge } from '../choose/judge.ts';
import { isBetter } from '../choose/recommend.ts';
import { calciteAboveSaturation } from '../water/carbonate/concentrateLsi.ts';
import {
  mgCaCO3PerEquivalent,
  mgCaCO3PerMole,
  mgCO2PerMole,
} from '../water/carbonate/equilibria.ts';
import { elementRecovery, scalingOf } from './scaling.ts';
import { highestPressures, isOverloaded, pumpInletBar } from './strength.ts';

const hard = { ...sampleWater, hardnessMgL: 320, alkalinityMgL: 280, pH: 7.9 };
const restricted = (flowMlMin: number) => ({
  ...tankDesign,
  restrictor: { ...samplePart('restrictor'), restrictor: { flowMlMin, atPressureBar: 4.1 } },
});
const warmOf = (design = tankDesign, water = hard) =>
  judge(design, watersOf(water), requirements).warm!;

describe('calcite above saturation', () => {
  test('is what was dissolved over saturation, by mass action', () => {
    // Saturated, then a tenth of a millimole more: calcium up by it, bicarbonate by twice, carbon dioxide down.
    const [calcium, bicarbonate, co2, more] = [2e-3, 4e-3, 3e-4, 1e-4];
    const product = (x: number) => ((calcium + x) * (bicarbonate + 2 * x) ** 2) / (co2 - x);
    const lsi = Math.log10(product(more) / product(0));
    const water = {
      calciumMgL: (calcium + more) * mgCaCO3PerMole,
      alkalinityMgL: (bicarbonate + 2 * more) * mgCaCO3PerEquivalent,
      co2MgL: (co2 - more) * mgCO2PerMole,
    };
    expect(calciteAboveSaturation(water, lsi)).toBeCloseTo(more * mgCaCO3PerMole, 5);
  });

  test('is none at or below saturation, grows with the index, and never takes all', () => {
    const water = { calciumMgL: 300, alkalinityMgL: 250, co2MgL: 8 };
    const amounts = [-0.5, 0, 0.2, 0.5, 1, 2, 4].map((lsi) => calciteAboveSaturation(water, lsi));
    expect(amounts.slice(0, 2)).toEqual([0, 0]);
    for (let i = 2; i < amounts.length; i += 1)
      expect(amounts[i]!).toBeGreaterThan(amounts[i - 1]!);
    expect(amounts.at(-1)!).toBeLessThan(250);
  });
});

describe('scaling', () => {
  test('is worse at the wall than in the channel, and by film theory', () => {
    const { running, scaling } = warmOf();
    expect(scaling.polarisation).toBeCloseTo(Math.exp(0.7 * running.recovery), 9);
    // Strength counts twice, and the pH follows: index up by the logarithm of the factor cubed less a tenth for the solids.
    const plain = scalingOf(tankDesign, hard, { ...running, recovery: 1e-9 });
    expect(plain.ok && plain.value.wallLsi).toBeLessThan(scaling.wallLsi);
  });

  test('of a bank is each element’s own', () => {
    const running = { ...warmOf().running, recovery: 0.36 };
    expect(elementRecovery({ ...tankDesign, elements: 2 }, running)).toBeCloseTo(0.2, 9);
    expect(elementRecovery({ ...tankDesign, elements: 2, arrangement: 'parallel' }, running)).toBe(
      0.36,
    );
  });

  test('falls with a wider restrictor, and the one that scales less is taken before the cheaper one', () => {
    const [tight, wide] = [450, 700].map((flow) =>
      judge(restricted(flow), watersOf(hard), requirements),
    );
    expect(wide!.warm!.scaling.wallLsi).toBeLessThan(tight!.warm!.scaling.wallLsi);
    const cheap = { ...tight!, shortfalls: [], fiveYearCost: 0 };
    expect(isBetter({ ...wide!, shortfalls: [] }, cheap, false)).toBe(
      wide!.warm!.scaling.mgPerProductL * 1.1 < tight!.warm!.scaling.mgPerProductL,
    );
  });

  test('shortens the element’s life in the cost, and chlorine the carbon’s', () => {
    const soft = judge(tankDesign, watersOf(sampleWater), requirements).cost!;
    const scaled = judge(
      tankDesign,
      watersOf({ ...hard, hardnessMgL: 500, alkalinityMgL: 450 }),
      requirements,
    ).cost!;
    expect(soft.membraneMonths).toBe(36);
    expect(scaled.membraneMonths).toBeLessThan(12);
    expect(scaled.cartridges).toBeGreaterThan(soft.cartridges);
    const strong = {
      ...watersOf(sampleWater),
      disinfectant: { kind: 'chlorine' as const, residualMgL: 4 },
    };
    const spent = judge(tankDesign, strong, requirements).cost!;
    expect(spent.carbonMonths).toBeLessThan(soft.carbonMonths);
  });
});

describe('what an element bears', () => {
  test('is its sheet’s, else 26 % in the warmest water at the highest pressure', () => {
    const { mostRecovery: _own, ...plain } = tankDesign.membrane;
    const at = (flowMlMin: number, membrane = tankDesign.membrane) =>
      judge({ ...restricted(flowMlMin), membrane }, watersOf(sampleWater), requirements);
    for (const flow of [320, 500, 700, 900]) {
      const judged = at(flow, plain);
      expect(judged.shortfalls.includes('recovery-too-high')).toBe(
        judged.warm!.scaling.elementRecovery > 0.26,
      );
    }
    expect(at(320).shortfalls).not.toContain('recovery-too-high');
  });
});

describe('pressures', () => {
  const pump = samplePart('pump');

  test('are the supply’s at rest and the pump’s with no flow, held by its bypass', () => {
    const at = { ...sampleWater, pressureBar: 5 };
    expect(highestPressures(tankDesign, at)).toMatchObject({ housingBar: 5, elementBar: 5 });
    expect(highestPressures({ ...tankDesign, pump }, at).elementBar).toBe(pump.pump.bypassBar);
    const strong = { ...pump, pump: { ...pump.pump, bypassBar: 20 } };
    expect(highestPressures({ ...tankDesign, pump: strong }, at).elementBar).toBe(5 + 5.5);
    expect(isOverloaded(highestPressures({ ...tankDesign, pump: strong }, at))).toBe(true);
    expect(isOverloaded(highestPressures(tankDesign, { ...at, pressureBar: 8.5 }))).toBe(false);
    expect(isOverloaded(highestPressures(tankDesign, { ...at, pressureBar: 8.7 }))).toBe(true);
  });

  test('ahead of a pump are what used filters leave', () => {
    const cold = { ...sampleWater, temperatureC: 5, pressureBar: 2 };
    const drop = 2 - pumpInletBar({ ...tankDesign, pump }, cold, 60);
    // Two filters of 0.05 and 0.1 bar at 60 L/h, twice that when used, and thicker water.
    expect(drop).toBeGreaterThan(0.3 * 1.6);
    expect(drop).toBeLessThan(0.3 * 1.8);
    const starved = {
      ...tankDesign,
      pump: { ...pump, minInletBar: 1.6 },
      solenoid: samplePart('solenoid'),
    };
    const waters = watersOf({ ...sampleWater, pressureBar: 2 });
    // 1.7 bar arrive, but not behind the filters.
    expect(waters.worst.pressureBar).toBeGreaterThan(1.6);
    expect(judge(starved, waters, requirements).shortfalls).toContain('pump-inlet-too-low');
  });
});
