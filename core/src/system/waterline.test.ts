import type { Branch } from '../hydraulics/branchPressure.ts';
import { directDesign, samplePart, sampleWater, tankDesign } from '../test/samples.ts';
import { assess } from './assess.ts';
import type { SystemDesign } from './design.ts';
import { waterline, type WaterlineState } from './waterline.ts';
import { describe, expect, test } from '@jest/globals';

function lineOf(design: SystemDesign, state: WaterlineState) {
  const line = waterline(design, sampleWater, state);
  if (!line.ok) throw new Error(line.failure.code);
  const node = (id: string) => {
    const found = line.value.nodes.find((n) => n.id === id);
    if (!found) throw new Error(`no ${id}`);
    return found;
  };
  return { ...line.value, node };
}

const states: WaterlineState[] = [0, 0.4, 1].flatMap((tankShare) => [
  { tap: 'closed', tankShare },
  { tap: 'open', tankShare },
]);
const full: SystemDesign = {
  ...tankDesign,
  pump: samplePart('pump'),
  solenoid: samplePart('solenoid'),
  shutoff: null,
  lamp: samplePart('lamp'),
  mineral: { part: samplePart('mineral'), place: 'before-tank' },
};

describe('the waterline', () => {
  test.each([
    ['tank', tankDesign],
    ['full', full],
    ['direct', directDesign],
  ] as const)('of a %s system keeps its water in every state', (_name, design) => {
    for (const state of states) {
      const { node } = lineOf(design, state);
      const feed = node('street').flowLPerH;
      const product = node('membrane').flowLPerH;
      expect(feed).toBeCloseTo(product + node('drain').flowLPerH, 6);
      const salt = product * node('membrane').tdsMgL;
      expect(salt).toBeLessThanOrEqual(feed * sampleWater.tdsMgL + 1e-9);
      const stored = design.tank ? node('tank').flowLPerH : 0;
      expect(product).toBeCloseTo(stored + node('tap').flowLPerH, 6);
    }
  });

  test('falls in pressure from street to membrane without a pump, and at every filter', () => {
    const { node } = lineOf(tankDesign, { tap: 'open', tankShare: 0.5 });
    const bars = ['street', 'feed-valve', 'prefilter-1', 'prefilter-2'].map(
      (id) => node(id).pressureBar,
    );
    expect([...bars].sort((a, b) => b - a)).toEqual(bars);
    expect(node('tap').pressureBar).toBeLessThan(node('tank').pressureBar);
  });

  test('what is left before the open tap is what the tap itself takes', () => {
    const { node } = lineOf(tankDesign, { tap: 'open', tankShare: 0.5 });
    const { flowLPerH, pressureBar } = node('tap');
    expect(pressureBar).toBeCloseTo((flowLPerH / 1000 / tankDesign.tap.kv) ** 2, 6);
  });

  test('stops with a full tank and a closed tap, and not before', () => {
    expect(lineOf(tankDesign, { tap: 'closed', tankShare: 1 }).making).toBe(false);
    expect(lineOf(tankDesign, { tap: 'closed', tankShare: 0.99 }).making).toBe(true);
    expect(lineOf(tankDesign, { tap: 'open', tankShare: 1 }).making).toBe(true);
    expect(lineOf(directDesign, { tap: 'closed', tankShare: 0 }).making).toBe(false);
  });

  test('shows the pump’s boost and the mineral’s TDS where they act', () => {
    const { node } = lineOf(full, { tap: 'open', tankShare: 0.5 });
    expect(node('pump').pressureBar).toBeGreaterThan(node('prefilter-2').pressureBar + 1);
    expect(node('mineral').tdsMgL).toBeGreaterThan(node('membrane').tdsMgL);
    expect(node('tank').tdsMgL).toBe(node('mineral').tdsMgL);
    expect(node('tap').tdsMgL).toBe(node('mineral').tdsMgL);
  });

  test('of a tankless system is the assessment’s own figures', () => {
    const assessed = assess(directDesign, sampleWater);
    if (!assessed.ok) throw new Error(assessed.failure.code);
    const { node } = lineOf(directDesign, { tap: 'open', tankShare: 0 });
    expect(node('tap').flowLPerH).toBeCloseTo(assessed.value.running.permeateFlowLPerH, 9);
  });

  test('of a system that cannot run is a named failure', () => {
    const brine = { ...sampleWater, tdsMgL: 6000, pressureBar: 2 };
    expect(waterline(tankDesign, brine, states[0]!).ok).toBe(false);
  });
});

describe('other make-ups', () => {
  const drawn = (change: Partial<SystemDesign>, state: WaterlineState = halfFull) => {
    const line = waterline({ ...tankDesign, ...change }, sampleWater, state);
    if (!line.ok) throw new Error(line.failure.code);
    const at = (id: string) => line.value.nodes.find((node) => node.id === id);
    return { nodes: line.value.nodes, at };
  };
  const halfFull: WaterlineState = { tap: 'closed', tankShare: 0.5 };

  test('behind a permeate pump the membrane feels a share of the tank', () => {
    const permeatePump = {
      kind: 'permeate-pump' as const,
      id: 'pp',
      name: 'Lifter',
      price: 70,
      backPressureShare: 0.2,
    };
    const { at } = drawn({ permeatePump });
    expect(at('membrane')!.pressureBar).toBeCloseTo(0.2 * at('tank')!.pressureBar, 9);
    expect(at('permeate-pump')!.pressureBar).toBe(at('tank')!.pressureBar);
    expect(at('membrane')!.flowLPerH).toBeGreaterThan(drawn({}).at('membrane')!.flowLPerH);
  });

  test('several elements are counted, and a refrigerator hangs on a branch behind the post filter', () => {
    const branch: Branch = {
      kind: 'refrigerator',
      innerDiameterMm: 4.3,
      lengthM: 4,
      riseM: 1,
      neededBar: 1.4,
      flowLPerMin: 1,
    };
    const { nodes, at } = drawn({ elements: 2, branches: [branch] });
    expect(at('membrane')!.count).toBe(2);
    expect(at('refrigerator')).toMatchObject({ lane: 'branch', flowLPerH: 0 });
    expect(at('refrigerator')!.pressureBar).toBeLessThan(at('tank')!.pressureBar);
    const ids = nodes.map(({ id }) => id);
    expect(ids.indexOf('refrigerator')).toBeGreaterThan(ids.indexOf('post-filter'));
  });
});
