import { describe, expect, test } from '@jest/globals';
import { samplePart, sampleWater, tankDesign } from '../test/samples.ts';
import { requirements, watersOf } from '../test/sizingSamples.ts';
import { judge } from '../choose/judge.ts';
import { isBetter } from '../choose/recommend.ts';
import { scaleRiskBy } from './scaleRisk.ts';
import { elementRecovery, scalingOf } from './scaling.ts';
import { highestPressures, isOverloaded, pumpInletBar } from './strength.ts';

const hard = { ...sampleWater, hardnessMgL: 320, alkalinityMgL: 280, pH: 7.9 };
const restricted = (flowMlMin: number) => ({
  ...tankDesign,
  restrictor: { ...samplePart('restrictor'), restrictor: { flowMlMin, atPressureBar: 4.1 } },
});
const warmOf = (design = tankDesign, water = hard) =>
  judge(design, watersOf(water), requirements).warm!;

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

  test('falls with a wider restrictor', () => {
    const [tight, wide] = [450, 700].map((flow) =>
      judge(restricted(flow), watersOf(hard), requirements),
    );
    expect(wide!.warm!.scaling.wallLsi).toBeLessThan(tight!.warm!.scaling.wallLsi);
    expect(wide!.cost!.membraneMonths).toBeGreaterThanOrEqual(tight!.cost!.membraneMonths);
  });

  test('of a high risk comes behind what has less, and less than that is a matter of cost', () => {
    const judged = judge(tankDesign, watersOf(sampleWater), requirements);
    const of = (scaleRisk: 'low' | 'raised' | 'high', fiveYearCost: number) => ({
      ...judged,
      cost: { ...judged.cost!, scaleRisk },
      fiveYearCost,
    });
    expect(isBetter(of('low', 900), of('high', 100), false)).toBe(true);
    expect(isBetter(of('raised', 100), of('low', 900), false)).toBe(true);
  });
});

/** What practice sees, by hardness: months from and to. Source: usual experience with household units at recovery to 30 %. */
const practice: [hardnessMgL: number, from: number, to: number][] = [
  [120, 36, Infinity],
  [170, 36, Infinity],
  [260, 24, 48],
  [350, 18, 36],
  [425, 12, 24],
  [500, 9, 24],
];

describe('the risk of scale', () => {
  /** A usual hard water: alkalinity four fifths of hardness, neutral, cool; recovery of a quarter. */
  const wallOf = (hardnessMgL: number) => {
    const water = {
      ...sampleWater,
      tdsMgL: 1.5 * hardnessMgL,
      hardnessMgL,
      alkalinityMgL: 0.8 * hardnessMgL,
      pH: 7.5,
      temperatureC: 15,
    };
    const running = { ...warmOf().running, recovery: 0.25, permeateTdsMgL: 0.05 * water.tdsMgL };
    const scaling = scalingOf(tankDesign, water, running);
    if (!scaling.ok) throw new Error(scaling.failure.code);
    return scaling.value;
  };

  test.each(practice)('at %d mg/L is what practice sees: %d to %d months', (hardness, from, to) => {
    const { months } = scaleRiskBy(wallOf(hardness), 2);
    expect(months).toBeGreaterThanOrEqual(from);
    expect(months).toBeLessThanOrEqual(to);
  });

  test('grows with the index and with the hours, and its band is a factor of two', () => {
    const at = (wallLsi: number, hours: number) => scaleRiskBy({ wallLsi }, hours).months;
    for (const lsi of [0.2, 0.5, 0.9, 1.3]) {
      expect(at(lsi + 0.2, 2)).toBeLessThan(at(lsi, 2));
      expect(at(lsi, 4)).toBeLessThan(at(lsi, 2));
    }
    const { months, fromMonths, toMonths } = scaleRiskBy({ wallLsi: 0.9 }, 2);
    expect(toMonths / months).toBe(2);
    expect(months / fromMonths).toBe(2);
    expect(scaleRiskBy({ wallLsi: -0.1 }, 24)).toMatchObject({ risk: 'none', months: Infinity });
  });

  test('shortens the element’s life in the cost, and chlorine the carbon’s', () => {
    const soft = judge(tankDesign, watersOf(sampleWater), requirements).cost!;
    const veryHard = watersOf({ ...hard, hardnessMgL: 500, alkalinityMgL: 450 });
    const scaled = judge(tankDesign, veryHard, requirements).cost!;
    expect(soft.membraneMonths).toBe(36);
    expect(scaled.scaleRisk).toBe('high');
    expect(scaled.membraneMonths).toBeLessThan(18);
    expect(scaled.cartridges).toBeGreaterThan(soft.cartridges);
    const inhibited = judge(tankDesign, veryHard, { ...requirements, inhibited: true }).cost!;
    expect(inhibited.membraneMonths).toBe(36);
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
    // A loose vessel does not get stronger because a pump stands before it.
    expect(highestPressures({ ...tankDesign, pump, unit: null }, at).elementMostBar).toBe(8.6);
    const past = {
      ...pump,
      pump: { ...pump.pump, bypassBar: 9.5, curve: [{ flowLPerH: 0, boostBar: 9 }] },
    };
    expect(isOverloaded(highestPressures({ ...tankDesign, pump: past, unit: null }, at))).toBe(
      true,
    );
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
