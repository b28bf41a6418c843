import type { WaterlineNode } from '@katharos/core';

/** Where a component stands: `along` the flow, and at the `level` of its pressure. Both in pixels of the drawing. */
export interface PlacedNode {
  node: WaterlineNode;
  along: number;
  level: number;
}

export interface PlacedPipe {
  id: string;
  from: PlacedNode;
  to: PlacedNode;
  flowLPerH: number;
  tdsMgL: number;
}

export interface WaterlineLayout {
  nodes: PlacedNode[];
  pipes: PlacedPipe[];
  /** Level of no pressure. */
  floor: number;
  length: number;
}

export interface LayoutOptions {
  length: number;
  /** Depth of the drawing across the flow. */
  depth: number;
  margin: number;
  /** Pressure at the far side of the drawing. */
  topBar: number;
}

/** Components that take a place of their own on the line; the restrictor is drawn on the drain's way down. */
const placed = (nodes: readonly WaterlineNode[]) =>
  nodes.filter((node) => node.kind !== 'restrictor');

/**
 * Lays the nodes out evenly along the flow, each at the level of its pressure: the line is at once the plan of the system and its
 * pressure profile. The drain falls to the floor; the tank stands on the line between membrane and tap.
 */
export function layOutWaterline(
  nodes: readonly WaterlineNode[],
  { length, depth, margin, topBar }: LayoutOptions,
): WaterlineLayout {
  const shown = placed(nodes);
  const pitch = shown.length > 1 ? (length - 2 * margin) / (shown.length - 1) : 0;
  const levelOf = (bar: number) =>
    depth - margin - (Math.max(bar, 0) / topBar) * (depth - 2 * margin);
  const all = shown.map((node, i): PlacedNode => ({
    node,
    along: margin + i * pitch,
    level: levelOf(node.pressureBar),
  }));
  const pipes: PlacedPipe[] = [];
  let last: PlacedNode | undefined;
  for (const next of all) {
    if (last) pipes.push(pipeBetween(last, next));
    // The drain is an end; what follows it leaves from the membrane.
    if (next.node.lane !== 'drain') last = next;
  }
  return { nodes: all, pipes, floor: levelOf(0), length };
}

/** A pipe carries what flows in it: to the tank and to the drain their own flow, else the upstream node's. */
function pipeBetween(from: PlacedNode, to: PlacedNode): PlacedPipe {
  const own = to.node.lane === 'drain';
  const tapSide = from.node.lane === 'tank';
  const flowLPerH = own ? to.node.flowLPerH : tapSide ? to.node.flowLPerH : from.node.flowLPerH;
  return {
    id: `${from.node.id}>${to.node.id}`,
    from,
    to,
    flowLPerH,
    tdsMgL: own ? to.node.tdsMgL : from.node.tdsMgL,
  };
}

/** The highest pressure on the line, rounded up so that the drawing does not jump with every reading. */
export const topPressure = (nodes: readonly WaterlineNode[]): number =>
  Math.max(2, Math.ceil(Math.max(...nodes.map((node) => node.pressureBar)) * 1.05));

/** Width of a pipe for a flow: area, not width, grows with the flow, as in the tube itself. */
export const pipeWidth = (flowLPerH: number, largestLPerH: number): number =>
  flowLPerH <= 0 ? 2 : 3 + 11 * Math.sqrt(flowLPerH / Math.max(largestLPerH, 1e-9));

/** Share of salt in a colour and in the grain, 0 for product and 1 for the strongest water shown; logarithmic, as taste is. */
export function saltShare(tdsMgL: number, strongestMgL: number): number {
  const low = Math.log(5);
  const high = Math.log(Math.max(strongestMgL, 50));
  return Math.min(1, Math.max(0, (Math.log(Math.max(tdsMgL, 5)) - low) / (high - low)));
}
