import type { Branch } from '../hydraulics/branchPressure.ts';
import { type PermeatePumpPart, partsOf } from '../catalogue/parts.ts';
import { sampleDraws } from '../household/sampledDays.ts';
import { simulateDays } from '../household/simulateDays.ts';
import { supplyOf } from '../household/supply.ts';
import { flushPlan } from '../commission/flush/flushPlan.ts';
import { directDesign, samplePart, sampleParts, sampleWater, tankDesign } from '../test/samples.ts';
import { requirements } from '../test/sizingSamples.ts';
import { expectedReadings } from '../system/expectedReadings.ts';
import { waterline } from '../system/waterline.ts';
import { assess } from '../system/assess.ts';
import { pressureBudget } from '../system/pressureBudget.ts';
import { agedMembrane, type SystemDesign } from '../system/design.ts';
import { describe, expect, test } from '@jest/globals';

const pump = samplePart('pump');
const lamp = samplePart('lamp');
const mineral = samplePart('mineral');
const permeatePump: PermeatePumpPart = {
  kind: 'permeate-pump',
  id: 'pp',
  name: 'Lifter',
  price: 70,
  backPressureShare: 0.15,
};
const wide = partsOf(sampleParts, 'restrictor')[1]!;
const branch: Branch = {
  kind: 'refrigerator',
  innerDiameterMm: 4.3,
  lengthM: 5,
  riseM: 0.5,
  neededBar: 1.4,
  flowLPerMin: 1,
};
const pumped = { ...tankDesign, pump, solenoid: samplePart('solenoid'), shutoff: null };

/** What practitioners install with a membrane in it, each as a design. */
const archetypes: [string, SystemDesign][] = [
  ['three housings, one element, tank, no power', tankDesign],
  ['the same with a booster pump and switch', pumped],
  [
    'two housings and an external four-port valve',
    { ...tankDesign, prefilters: tankDesign.prefilters.slice(0, 2) },
  ],
  [
    'six stages: minerals ahead of the tank and a lamp',
    { ...pumped, lamp, mineral: { part: mineral, place: 'before-tank' } },
  ],
  [
    'minerals on the way to the tap',
    { ...tankDesign, mineral: { part: mineral, place: 'after-tank' } },
  ],
  ['tankless direct flow', directDesign],
  ['tankless with a lamp', { ...directDesign, lamp }],
  ['two elements in series behind a pump', { ...pumped, elements: 2, restrictor: wide }],
  [
    'three elements in parallel behind a pump, no tank',
    { ...directDesign, elements: 3, arrangement: 'parallel' },
  ],
  ['a compact unit with a small tank', { ...pumped, tank: { ...tankDesign.tank!, volumeL: 3 } }],
  ['a permeate pump without power', { ...tankDesign, permeatePump }],
  ['a refrigerator on a branch', { ...tankDesign, branches: [branch] }],
  [
    'a remote unit in the cellar',
    { ...tankDesign, line: { innerDiameterMm: 6.35, lengthM: 9, riseM: 3.5 } },
  ],
];

describe.each(archetypes)('%s', (_name, design) => {
  const assessed = assess(design, sampleWater);
  if (!assessed.ok) throw new Error(assessed.failure.code);
  const { running, fill } = assessed.value;

  test('loses neither water nor salt at its operating point, to 1e-9', () => {
    const { feedFlowLPerH, permeateFlowLPerH, concentrateFlowLPerH } = running;
    expect((permeateFlowLPerH + concentrateFlowLPerH) / feedFlowLPerH).toBeCloseTo(1, 9);
    const salt =
      permeateFlowLPerH * running.permeateTdsMgL + concentrateFlowLPerH * running.concentrateTdsMgL;
    expect(salt / (feedFlowLPerH * sampleWater.tdsMgL)).toBeCloseTo(1, 9);
  });

  test('makes less when it is colder, pressed less, or older', () => {
    const production = (
      change: Partial<typeof sampleWater>,
      ageing = { flowFactor: 1, saltPassageFactor: 1 },
    ) => {
      const other = assess(design, { ...sampleWater, ...change }, ageing);
      return other.ok ? other.value.productionLPerDay : 0;
    };
    const usual = production({});
    expect(production({ temperatureC: 6 })).toBeLessThan(usual);
    // A pump that its bypass holds evens a lower supply out.
    const low = production({ pressureBar: 3.2 });
    if (design.pump) expect(low).toBeLessThanOrEqual(usual);
    else expect(low).toBeLessThan(usual);
    expect(production({}, agedMembrane)).toBeLessThan(usual);
  });

  test('is drawn with the same flows: what enters the bank leaves it as product and concentrate', () => {
    const line = waterline(design, sampleWater, {
      tap: design.tank ? 'closed' : 'open',
      tankShare: 0.5,
    });
    if (!line.ok) throw new Error(line.failure.code);
    const flow = (kind: string) => line.value.nodes.find((node) => node.kind === kind)!.flowLPerH;
    expect((flow('membrane') + flow('drain')) / flow('street')).toBeCloseTo(1, 9);
    const kinds = line.value.nodes.map(({ kind }) => kind);
    expect(kinds.includes('tank')).toBe(design.tank !== null);
    expect(kinds.includes('lamp')).toBe(design.lamp !== null);
    expect(kinds.includes('refrigerator')).toBe(design.branches.length > 0);
    expect(kinds.includes('mineral')).toBe(design.mineral !== null);
    expect(kinds.includes('permeate-pump')).toBe(design.permeatePump !== null);
  });

  test('spends as much pressure as it gets', () => {
    const budget = pressureBudget(design, sampleWater, 1);
    if (!budget.ok) throw new Error(budget.failure.code);
    const { supplyBar, pumpBar, prefiltersBar, osmoticBar, productSideBar, leftBar } = budget.value;
    expect(prefiltersBar + osmoticBar + productSideBar + leftBar).toBeCloseTo(
      supplyBar + pumpBar,
      9,
    );
    for (const part of [prefiltersBar, osmoticBar, productSideBar, leftBar])
      expect(part).toBeGreaterThanOrEqual(0);
  });

  test('lives a fortnight without losing a drop, to 1e-9', () => {
    const supply = supplyOf(design, sampleWater);
    if (!supply.ok) throw new Error(supply.failure.code);
    const { ledger } = simulateDays(supply.value, sampleDraws(requirements.household, 14));
    expect(ledger.feedL / (ledger.productL + ledger.drainL)).toBeCloseTo(1, 9);
    expect(ledger.startL + ledger.productL - ledger.drawnL - ledger.endL).toBeCloseTo(0, 6);
    expect(ledger.drawnL).toBeGreaterThan(0);
  });

  test('is flushed and verified: the plan ends in a last look', () => {
    const plan = flushPlan(design, assessed.value);
    if (!plan.ok) throw new Error(plan.failure.code);
    const steps = plan.value;
    expect(steps.at(-1)!.code).toBe('rest-and-recheck');
    expect(steps.some(({ code }) => code === 'tank-fill')).toBe(fill?.shutsOff === true);
    expect(steps.some(({ code }) => code === 'lamp-on')).toBe(design.lamp !== null);
    const readings = expectedReadings(design, sampleWater);
    expect(readings.ok && readings.value.rejection).toBeGreaterThan(0.7);
  });
});

describe('beside each other', () => {
  const of = (design: SystemDesign) => {
    const assessed = assess(design, sampleWater);
    if (!assessed.ok) throw new Error(assessed.failure.code);
    return assessed.value;
  };

  test('a permeate pump fills sooner, wastes less and rejects more', () => {
    const [plain, helped] = [of(tankDesign), of({ ...tankDesign, permeatePump })];
    expect(helped.productionLPerDay).toBeGreaterThan(plain.productionLPerDay);
    expect(helped.drainLPerProductL).toBeLessThan(plain.drainLPerProductL);
    expect(helped.rejection).toBeGreaterThan(plain.rejection);
  });

  test('two elements in series recover more than one, and two in parallel make more', () => {
    const one = of({ ...pumped, restrictor: wide });
    const series = of({ ...pumped, elements: 2, restrictor: wide });
    const parallel = of({ ...pumped, elements: 2, arrangement: 'parallel', restrictor: wide });
    expect(series.running.recovery).toBeGreaterThan(one.running.recovery);
    expect(parallel.running.permeateFlowLPerH).toBeGreaterThan(one.running.permeateFlowLPerH);
  });

  test('a remote tap is slower, and a wider tube mends most of it', () => {
    const far = { lengthM: 9, riseM: 3.5 };
    const near = of(tankDesign).secondsPerGlass;
    const narrow = of({ ...tankDesign, line: { innerDiameterMm: 4.3, ...far } }).secondsPerGlass;
    const broad = of({ ...tankDesign, line: { innerDiameterMm: 6.35, ...far } }).secondsPerGlass;
    expect(narrow).toBeGreaterThan(broad);
    expect(broad).toBeGreaterThan(near * 0.9);
  });
});
