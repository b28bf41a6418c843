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
  /** Depth of the drawing across the flow, and what is left free at both sides of it. */
  depth: number;
  margin: number;
  /** Pressure at the far side of the drawing. */
  topBar: number;
  /** How far below the floor the drain lies, so that its pipe is seen to leave even where product has hardly any pressure. */
  drainFall?: number;
}

/** The pipes of a line by name, without a drawing: ends of branches do not lead on. */
export function pipesOf(
  nodes: readonly WaterlineNode[],
): { id: string; from: string; to: string }[] {
  const pipes: { id: string; from: string; to: string }[] = [];
  let last: string | undefined;
  for (const { id, lane } of placed(nodes)) {
    if (last) pipes.push({ id: `${last}>${id}`, from: last, to: id });
    if (leadsOn(lane)) last = id;
  }
  return pipes;
}

/** Drain and branches are ends; what follows them leaves from where they left. */
const leadsOn = (lane: WaterlineNode['lane']): boolean => lane !== 'drain' && lane !== 'branch';

/** Components that take a place of their own on the line; the restrictor is drawn on the drain's way down. */
const placed = (nodes: readonly WaterlineNode[]) =>
  nodes.filter((node) => node.kind !== 'restrictor');

/**
 * Lays the nodes out evenly along the flow, each at the level of its pressure: the line is at once the plan of the system and its
 * pressure profile. The drain falls to the floor; the tank stands on the line between membrane and tap.
 */
export function layOutWaterline(
  nodes: readonly WaterlineNode[],
  { length, depth, margin, topBar, drainFall = 26 }: LayoutOptions,
): WaterlineLayout {
  const shown = placed(nodes);
  // Each node stands in the middle of an equal share of the length, where its column of the readout is.
  const pitch = length / shown.length;
  const levelOf = (bar: number) =>
    depth - margin - drainFall - (Math.max(bar, 0) / topBar) * (depth - 2 * margin - drainFall);
  const all = shown.map((node, i): PlacedNode => ({
    node,
    along: (i + 0.5) * pitch,
    level: node.lane === 'drain' ? levelOf(0) + drainFall : levelOf(node.pressureBar),
  }));
  const pipes: PlacedPipe[] = [];
  let last: PlacedNode | undefined;
  for (const next of all) {
    if (last) pipes.push(pipeBetween(last, next));
    if (leadsOn(next.node.lane)) last = next;
  }
  return { nodes: all, pipes, floor: levelOf(0), length };
}

/** A pipe carries what flows in it: to the tank and to the drain their own flow, else the upstream node's. */
function pipeBetween(from: PlacedNode, to: PlacedNode): PlacedPipe {
  const own = to.node.lane === 'drain' || to.node.lane === 'branch';
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

/** How far before a component its pipe begins to bend to the component's level, pixels. */
export const bendLength = (from: number, to: number): number => Math.min(34, (to - from) / 2);

/** The highest pressure on the line, rounded up so that the drawing does not jump with every reading. */
export const topPressure = (nodes: readonly WaterlineNode[]): number =>
  Math.max(2, Math.ceil(Math.max(...nodes.map((node) => node.pressureBar)) * 1.05));

/** Width of a pipe for a flow: area, not width, grows with the flow, as in the tube itself. */
export const pipeWidth = (flowLPerH: number, largestLPerH: number): number =>
  flowLPerH <= 0 ? 2 : 3 + 11 * Math.sqrt(flowLPerH / Math.max(largestLPerH, 1e-9));

/** Ends of the scale of salt, mg/L: good product, and brackish water. One scale for every job, so that colours can be compared. */
const freshMgL = 5;
const brackishMgL = 2500;

/** Share of salt in colour and grain, 0 for product and 1 for brackish water; logarithmic, as taste is. */
export function saltShare(tdsMgL: number): number {
  const share = Math.log(Math.max(tdsMgL, freshMgL) / freshMgL) / Math.log(brackishMgL / freshMgL);
  return Math.min(1, share);
}
