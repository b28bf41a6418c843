import { sound } from './condition.ts';
import { observe, tankBarAt } from './observe.ts';
import type { BranchKind } from '../hydraulics/branchPressure.ts';
import { filterResistance } from '../hydraulics/prefilterDrop.ts';
import { tapLineLoss } from '../hydraulics/tapLine.ts';
import { tubeLoss } from '../hydraulics/tubeLoss.ts';
import { type Outcome, succeed } from '../base/outcome.ts';
import type { Assessment } from './assessment.ts';
import { assess } from './assess.ts';
import { idleDrainLPerDay } from './closing.ts';
import { remineralise } from './remineralise.ts';
import {
  type Ageing,
  type FeedWater,
  newMembrane,
  shutoffOf,
  type SystemDesign,
  tapLineOf,
} from './design.ts';
import { risePressure } from '../water/waterDensity.ts';
import { shutoffPressure } from '../tank/bladderTank.ts';

/** What a component on the line is. */
export type NodeKind =
  | 'street'
  | 'feed-valve'
  | 'existing'
  | 'sediment'
  | 'carbon'
  | 'solenoid'
  | 'pump'
  | 'shutoff'
  | 'membrane'
  | 'permeate-pump'
  | 'restrictor'
  | 'drain'
  | 'mineral'
  | 'tank'
  | 'lamp'
  | 'post-filter'
  | BranchKind
  | 'tap';

/** One component with the water as it leaves it. */
export interface WaterlineNode {
  id: string;
  kind: NodeKind;
  /** On the way from street to glass, or on a branch that leaves it. */
  lane: 'main' | 'drain' | 'tank' | 'branch';
  /** Name of the part, where one was chosen. */
  partName: string | null;
  /** Equal parts that it stands for. */
  count?: number;
  pressureBar: number;
  flowLPerH: number;
  /** As a meter on the NaCl scale shows it; behind minerals that is less than their mass. */
  tdsMgL: number;
}

export interface WaterlineState {
  tap: 'closed' | 'open';
  /** Share of the tank's usable water that is in it, 0 to 1. */
  tankShare: number;
}

/** The system as one line of water, live: pressure, flow and TDS behind every component. */
export interface Waterline {
  nodes: WaterlineNode[];
  /** Production runs, or the shut-off holds it. */
  making: boolean;
}

/**
 * Computes the line in a state. Nodes of the main lane come in the order of flow, each branch after the node it leaves.
 * Errors: those of the operating point and the tap flow.
 */
export function waterline(
  design: SystemDesign,
  water: FeedWater,
  state: WaterlineState,
  ageing: Ageing = newMembrane,
): Outcome<Waterline> {
  const assessed = assess(design, water, ageing);
  if (!assessed.ok) return assessed;
  const { fill } = assessed.value;
  const minerals = remineralise(design, assessed.value);
  if (!design.tank)
    return succeed(directLine(design, water, assessed.value, minerals?.meterTdsMgL, state));

  const closingBar = shutoffPressure(shutoffOf(design), water.pressureBar);
  const fullBar = fill?.shutsOff === false ? fill.stallPressureBar : closingBar;
  const tankBar = tankBarAt(design.tank, fullBar, state.tankShare);
  const stopped = state.tap === 'closed' && state.tankShare >= 1 && fill?.shutsOff === true;
  const seen = observe(
    design,
    { ...sound, ageing },
    { tank: 'open', tankBar, tap: state.tap },
    water,
  );
  if (!seen.ok) return seen;
  const { point, drawnLPerH } = seen.value;
  const running = stopped ? { ...point, ...still(design, water) } : point;
  const product = {
    flowLPerH: running.permeateFlowLPerH,
    tdsMgL: assessed.value.productTdsMgL,
    bar: tankBar,
  };
  return succeed({
    making: !stopped,
    nodes: [
      ...feedNodes(design, water, running.feedFlowLPerH, running.membranePressureBar),
      membraneNode(design, product, stopped ? tankBar : running.permeateBackPressureBar),
      ...drainNodes(design, running.concentrateFlowLPerH, running.concentrateTdsMgL),
      ...(design.permeatePump ? [permeatePumpNode(design.permeatePump.name, product)] : []),
      ...(design.mineral?.place === 'before-tank'
        ? [mineralNode(design, product, minerals?.meterTdsMgL)]
        : []),
      {
        id: 'tank',
        kind: 'tank',
        lane: 'tank',
        partName: design.tank.name,
        pressureBar: tankBar,
        flowLPerH: running.permeateFlowLPerH - drawnLPerH,
        tdsMgL: tankTds(design, assessed.value.productTdsMgL, minerals?.meterTdsMgL),
      },
      ...tapNodes(design, water, tankBar, drawnLPerH, product.tdsMgL, minerals?.meterTdsMgL),
    ],
  });
}

const tankTds = (design: SystemDesign, product: number, withMinerals: number | undefined) =>
  design.mineral?.place === 'before-tank' ? (withMinerals ?? product) : product;

/** Flows of a system that makes nothing: none, or what runs to drain where nothing closes the feed. Pressures are those of the supply. */
const still = (design: SystemDesign, water: FeedWater) => {
  const idleLPerH = idleDrainLPerDay(design, water) / 24;
  return {
    feedFlowLPerH: idleLPerH,
    permeateFlowLPerH: 0,
    concentrateFlowLPerH: idleLPerH,
    concentrateTdsMgL: water.tdsMgL,
    membranePressureBar: water.pressureBar,
  };
};

function directLine(
  design: SystemDesign,
  water: FeedWater,
  { running }: Assessment,
  withMineralsMgL: number | undefined,
  state: WaterlineState,
): Waterline {
  const making = state.tap === 'open';
  const now = making
    ? running
    : { ...running, ...still(design, water), permeateBackPressureBar: 0 };
  const { permeateFlowLPerH: flow, permeateTdsMgL: tdsMgL, permeateBackPressureBar: bar } = now;
  const product = { flowLPerH: flow, tdsMgL, bar };
  return {
    making,
    nodes: [
      ...feedNodes(design, water, now.feedFlowLPerH, now.membranePressureBar),
      membraneNode(design, product, bar),
      ...drainNodes(design, now.concentrateFlowLPerH, now.concentrateTdsMgL),
      ...tapNodes(design, water, bar, flow, tdsMgL, withMineralsMgL),
    ],
  };
}

/** Street, valve, pre-filters and pump, with the pressure left behind each at this feed flow. */
export function feedNodes(
  design: Pick<SystemDesign, 'prefilters' | 'solenoid' | 'shutoff' | 'pump'>,
  water: FeedWater,
  feedFlow: number,
  membraneBar: number,
): WaterlineNode[] {
  const at = (
    id: string,
    kind: NodeKind,
    partName: string | null,
    pressureBar: number,
  ): WaterlineNode => ({
    id,
    kind,
    lane: 'main',
    partName,
    pressureBar,
    flowLPerH: feedFlow,
    tdsMgL: water.tdsMgL,
  });
  let bar = water.pressureBar;
  const nodes = [at('street', 'street', null, bar), at('feed-valve', 'feed-valve', null, bar)];
  design.prefilters.forEach((part, i) => {
    bar -= filterResistance(part.filter, water.temperatureC) * feedFlow;
    nodes.push(
      at(`prefilter-${i + 1}`, part.media === 'sediment' ? 'sediment' : 'carbon', part.name, bar),
    );
  });
  if (design.solenoid) nodes.push(at('solenoid', 'solenoid', design.solenoid.name, bar));
  if (design.pump) {
    // A pump that its switch has stopped passes the supply's pressure on.
    if (feedFlow > 0) bar = membraneBar;
    nodes.push(at('pump', 'pump', design.pump.name, bar));
  }
  if (design.shutoff) nodes.push(at('shutoff', 'shutoff', design.shutoff.name, bar));
  return nodes;
}

interface Product {
  flowLPerH: number;
  tdsMgL: number;
  bar: number;
}

const membraneNode = (
  design: SystemDesign,
  product: Product,
  pressureBar: number,
): WaterlineNode => ({
  id: 'membrane',
  kind: 'membrane',
  lane: 'main',
  partName: design.membrane.name,
  ...(design.elements > 1 ? { count: design.elements } : {}),
  pressureBar,
  flowLPerH: product.flowLPerH,
  tdsMgL: product.tdsMgL,
});

const permeatePumpNode = (partName: string, product: Product): WaterlineNode => ({
  id: 'permeate-pump',
  kind: 'permeate-pump',
  lane: 'main',
  partName,
  pressureBar: product.bar,
  flowLPerH: product.flowLPerH,
  tdsMgL: product.tdsMgL,
});

const mineralNode = (
  design: SystemDesign,
  product: Product,
  tdsMgL = product.tdsMgL,
): WaterlineNode => ({
  id: 'mineral',
  kind: 'mineral',
  lane: 'main',
  partName: design.mineral!.part.name,
  pressureBar: product.bar,
  flowLPerH: product.flowLPerH,
  tdsMgL,
});

const drainNodes = (design: SystemDesign, flowLPerH: number, tdsMgL: number): WaterlineNode[] =>
  (['restrictor', 'drain'] as const).map((kind) => ({
    id: kind,
    kind,
    lane: 'drain',
    partName: kind === 'restrictor' ? design.restrictor.name : null,
    // Both stand behind the orifice, in the open.
    pressureBar: 0,
    flowLPerH,
    tdsMgL,
  }));

function tapNodes(
  design: SystemDesign,
  water: FeedWater,
  sourceBar: number,
  flowLPerH: number,
  productMgL: number,
  withMineralsMgL: number | undefined,
): WaterlineNode[] {
  const nodes: WaterlineNode[] = [];
  let bar = sourceBar;
  const before = design.mineral?.place === 'before-tank';
  let tdsMgL = before ? (withMineralsMgL ?? productMgL) : productMgL;
  const push = (id: string, kind: NodeKind, partName: string | null) =>
    nodes.push({ id, kind, lane: 'main', partName, pressureBar: bar, flowLPerH, tdsMgL });
  if (design.postFilter) {
    bar -= filterResistance(design.postFilter.filter, water.temperatureC) * flowLPerH;
    push('post-filter', 'post-filter', design.postFilter.name);
  }
  // Ahead of a bed in the line: what that gives back would coat the lamp's sleeve.
  if (design.lamp) push('lamp', 'lamp', design.lamp.name);
  if (design.mineral && !before) {
    tdsMgL = withMineralsMgL ?? productMgL;
    push('mineral', 'mineral', design.mineral.part.name);
  }
  for (const { kind, riseM } of design.branches) {
    // At rest: it draws now and then, and what reaches it then is said where it is decided.
    const rise = risePressure(riseM, water.temperatureC);
    nodes.push({
      id: kind,
      kind,
      lane: 'branch',
      partName: null,
      pressureBar: Math.max(bar - rise, 0),
      flowLPerH: 0,
      tdsMgL,
    });
  }
  const loss = tapLineLoss(tapLineOf(design), 0, water.temperatureC).riseBar;
  const { innerDiameterMm, lengthM } = design.line;
  bar -= loss + tubeLoss({ innerDiameterMm, lengthM }, flowLPerH, water.temperatureC);
  push('tap', 'tap', design.tap.name);
  return nodes;
}
