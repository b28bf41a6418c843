import { describe, expect, test } from '@jest/globals';
import type { WaterlineNode } from '@katharos/core';
import { layOutWaterline, pipesOf, pipeWidth, saltShare, topPressure } from './layout.ts';

const node = (
  id: string,
  pressureBar: number,
  change: Partial<WaterlineNode> = {},
): WaterlineNode => ({
  id,
  kind: 'carbon',
  lane: 'main',
  partName: null,
  pressureBar,
  flowLPerH: 20,
  tdsMgL: 300,
  ...change,
});

const nodes: WaterlineNode[] = [
  node('street', 4),
  node('membrane', 1, { flowLPerH: 6, tdsMgL: 15 }),
  node('restrictor', 0, { kind: 'restrictor', lane: 'drain', flowLPerH: 14, tdsMgL: 420 }),
  node('drain', 0, { kind: 'drain', lane: 'drain', flowLPerH: 14, tdsMgL: 420 }),
  node('tank', 1, { lane: 'tank', flowLPerH: -90, tdsMgL: 15 }),
  node('tap', 0.4, { flowLPerH: 96, tdsMgL: 15 }),
];
const options = { length: 1000, depth: 200, margin: 20, topBar: 5 };

describe('the layout of the waterline', () => {
  const { nodes: placed, pipes, floor } = layOutWaterline(nodes, options);

  test('has the pipes that it has without a drawing', () => {
    expect(pipes.map(({ id, from, to }) => ({ id, from: from.node.id, to: to.node.id }))).toEqual(
      pipesOf(nodes),
    );
  });

  test('stands evenly along the flow, inside the drawing', () => {
    const pitch = placed.slice(1).map((next, i) => next.along - placed[i]!.along);
    for (const step of pitch) expect(step).toBeCloseTo(pitch[0]!, 9);
    for (const { along, level } of placed) {
      expect(along).toBeGreaterThan(0);
      expect(along).toBeLessThan(options.length);
      expect(level).toBeGreaterThanOrEqual(options.margin);
      expect(level).toBeLessThanOrEqual(options.depth - options.margin);
    }
  });

  test('is higher where the pressure is, in proportion, with the drain below the floor', () => {
    const level = (id: string) => placed.find((p) => p.node.id === id)!.level;
    expect((floor - level('street')) / (floor - level('membrane'))).toBeCloseTo(4, 9);
    expect(level('drain')).toBeGreaterThan(floor);
    expect(placed.some((p) => p.node.kind === 'restrictor')).toBe(false);
  });

  test('joins the components as the water goes, the drain as an end', () => {
    expect(pipes.map(({ id, flowLPerH, tdsMgL }) => [id, flowLPerH, tdsMgL])).toEqual([
      ['street>membrane', 20, 300],
      ['membrane>drain', 14, 420],
      ['membrane>tank', 6, 15],
      ['tank>tap', 96, 15],
    ]);
  });

  test('draws a pipe’s area, not its width, by the flow, and a dry one as a hairline', () => {
    const [one, four] = [pipeWidth(10, 100) - 3, pipeWidth(40, 100) - 3];
    expect(four / one).toBeCloseTo(2, 9);
    expect(pipeWidth(0, 100)).toBe(2);
    expect(pipeWidth(100, 100)).toBe(14);
  });

  test('shows salt on one scale for every job, and keeps its top still for small changes', () => {
    expect([saltShare(0), saltShare(5), saltShare(2500), saltShare(9000)]).toEqual([0, 0, 1, 1]);
    expect(saltShare(300)).toBeGreaterThan(saltShare(100));
    expect(topPressure(nodes)).toBe(topPressure([node('street', 4.1)]));
    expect(topPressure([node('street', 0.5)])).toBe(2);
  });
});
