import { tapFlow, type TapLine, tapLineLoss } from '../hydraulics/tapLine.ts';
import { type ElementPermeance, elementPermeance } from '../membrane/elementPermeance.ts';
import { type Outcome, succeed } from '../base/outcome.ts';
import { directFlow } from './point/directFlow.ts';
import { type OperatingPoint, OperatingPointSolver } from './point/operatingPoint.ts';
import { type ResolvedSystem, resolveSystem } from './point/roSystem.ts';
import { shutoffPressure } from '../tank/bladderTank.ts';
import { endsOfFill } from './filling/endOfFill.ts';
import { refuseTank } from './filling/fillTank.ts';
import { columnAt, type ProductionCurve, productionCurve } from './filling/productionCurve.ts';
import type { LitreAssessment } from './assessment.ts';
import {
  type Ageing,
  type FeedWater,
  productSideOf,
  roSystemOf,
  shutoffOf,
  type SystemDesign,
  tapLineOf,
} from './design.ts';

/** Miss that the points of a curve are solved to, over their feed flow: a tenth of what the curve between them is good for. */
const curveTolerance = 1e-6;

/** The tap's flow is nearly straight in the tank's pressure; with these points solved it is within half a percent. */
const tapPoints = 17;

/** Columns of one way that are remembered. */
const columnsKept = 32;

/** The way from the tank to the glass, told apart by its parts. */
interface Way {
  parts: Pick<SystemDesign, 'line' | 'tap' | 'postFilter'>;
  tapLine: TapLine;
  /** Flow at the open tap by the tank's pressure, by temperature. */
  flows: Map<number, Map<number, Outcome<number>>>;
  /** Flow at the nodes of curves, with what those stand for. */
  columns: { temperatureC: number; fromBar: number; toBar: number; column: Float64Array }[];
}

/** What was solved of one feed side against tanks of one precharge, up to one closing pressure. */
interface AgainstTank {
  prechargeBar: number;
  closingBar: number;
  curve: Outcome<ProductionCurve> | null;
  closes: Outcome<boolean> | null;
  running: Outcome<OperatingPoint> | null;
  litre: Outcome<LitreAssessment> | null;
}

/** One feed side in one water at one age. */
interface Conditioned {
  water: FeedWater;
  ageing: Ageing;
  system: Outcome<ResolvedSystem>;
  againstTanks: AgainstTank[];
  direct: { way: Way; point: Outcome<OperatingPoint> }[];
}

/** Pre-filters, pump, membranes, restrictor and permeate pump: all that decides what is made against a given tank. */
interface FeedSide {
  design: SystemDesign;
  conditions: Conditioned[];
}

/** Feed sides that are remembered: a search goes through them one after the other and never comes back. */
const sidesKept = 12;

const isSameSide = (a: SystemDesign, b: SystemDesign): boolean =>
  a.membrane === b.membrane &&
  a.restrictor === b.restrictor &&
  a.pump === b.pump &&
  a.elements === b.elements &&
  a.arrangement === b.arrangement &&
  a.permeatePump === b.permeatePump &&
  a.prefilters === b.prefilters;

/**
 * What has been solved so far for designs that share parts: one production curve for every tank and post stage behind the same feed side,
 * one tap flow for every tank of the same pressure. A search keeps one of these; a single question makes its own. Parts, waters and ages
 * are told apart by identity, so that a caller passes on the very objects.
 */
export class Solutions {
  private readonly permeances = new Map<object, Outcome<ElementPermeance>>();
  /** The one asked for last comes first. */
  private readonly sides: FeedSide[] = [];
  private readonly ways: Way[] = [];

  /** Production against the design's tank. Errors: those of the tank, the operating point and the curve. */
  curveOf(design: SystemDesign, water: FeedWater, ageing: Ageing): Outcome<ProductionCurve> {
    const asked = this.againstTank(design, water, ageing);
    return asked.ok ? this.curve(design, asked.value) : asked;
  }

  /**
   * Whether production closes by itself: of a tank by two points of its curve, of a tankless design by its tap. Where the whole curve is
   * asked for as well, ask for that first. Errors: those of the tank and the operating point.
   */
  closesOf(design: SystemDesign, water: FeedWater, ageing: Ageing): Outcome<boolean> {
    if (!design.tank) {
      const running = this.directOf(design, water, ageing);
      return running.ok ? succeed(true) : running;
    }
    const asked = this.againstTank(design, water, ageing);
    if (!asked.ok) return asked;
    const { system, tank } = asked.value;
    tank.closes ??= closing(design, system, tank);
    return tank.closes;
  }

  /**
   * The design with a shell of one litre, without its tap: what neither the shell's size nor the way to the glass changes is worked out
   * once for all of them. @param assess by the production curve
   */
  litreOf(
    design: SystemDesign,
    water: FeedWater,
    ageing: Ageing,
    assess: (curve: ProductionCurve) => Outcome<LitreAssessment>,
  ): Outcome<LitreAssessment> {
    const asked = this.againstTank(design, water, ageing);
    if (!asked.ok) return asked;
    const { tank } = asked.value;
    if (!tank.litre) {
      const curve = this.curve(design, asked.value);
      tank.litre = curve.ok ? assess(curve.value) : curve;
    }
    return tank.litre;
  }

  /** Operating point into the empty tank, or of a tankless design with its tap open. Errors: those of the operating point. */
  runningOf(design: SystemDesign, water: FeedWater, ageing: Ageing): Outcome<OperatingPoint> {
    if (!design.tank) return this.directOf(design, water, ageing);
    const asked = this.againstTank(design, water, ageing);
    if (!asked.ok) return asked;
    const { system, tank } = asked.value;
    if (tank.curve?.ok) return succeed(tank.curve.value.running);
    const bar = productSideOf(design)(tank.prechargeBar);
    tank.running ??= new OperatingPointSolver(system, curveTolerance).solve(() => bar);
    return tank.running;
  }

  /** Operating point of a tankless design with its tap open. Errors: those of `directFlow`. */
  directOf(design: SystemDesign, water: FeedWater, ageing: Ageing): Outcome<OperatingPoint> {
    const { direct } = this.conditioned(design, water, ageing);
    const way = this.wayOf(design);
    let known = direct.find((one) => one.way === way);
    if (!known) {
      const permeance = this.permeanceOf(design);
      const system = { ...roSystemOf(design, water, ageing), tapLine: way.tapLine };
      known = { way, point: permeance.ok ? directFlow(system, permeance.value) : permeance };
      direct.push(known);
    }
    return known.point;
  }

  /** Flow at the open tap from a tank at a pressure, L/min; nothing where the tank cannot lift the water, which is an answer too. */
  tapFlowOf(design: SystemDesign, water: FeedWater, tankBar: number): Outcome<number> {
    return flowAt(this.wayOf(design), water.temperatureC, tankBar);
  }

  /** The tap's flow at the nodes of a curve, L/min: another column of it. */
  tapColumnOf(design: SystemDesign, water: FeedWater, curve: ProductionCurve): Float64Array {
    const way = this.wayOf(design);
    const { temperatureC } = water;
    const { prechargeBar: fromBar, endBar: toBar, stepBar } = curve;
    const count = curve.hours.length;
    const known = way.columns.find(
      (one) =>
        one.column.length === count &&
        one.fromBar === fromBar &&
        one.toBar === toBar &&
        one.temperatureC === temperatureC,
    );
    if (known) return known.column;
    const wideBar = (toBar - fromBar) / (tapPoints - 1);
    const solved = Float64Array.from({ length: tapPoints }, (_, i) => {
      const flow = flowAt(way, temperatureC, fromBar + i * wideBar);
      return flow.ok ? flow.value : 0;
    });
    const wide = { prechargeBar: fromBar, stepBar: wideBar };
    const column = new Float64Array(count);
    for (let i = 0; i < count; i += 1) column[i] = columnAt(wide, solved, fromBar + i * stepBar);
    way.columns.push({ temperatureC, fromBar, toBar, column });
    if (way.columns.length > columnsKept) way.columns.shift();
    return column;
  }

  permeanceOf({ membrane }: SystemDesign): Outcome<ElementPermeance> {
    let known = this.permeances.get(membrane.rating);
    if (!known) {
      known = elementPermeance(membrane.rating);
      this.permeances.set(membrane.rating, known);
    }
    return known;
  }

  private curve(design: SystemDesign, { system, tank }: Asked): Outcome<ProductionCurve> {
    const { prechargeBar, closingBar } = tank;
    tank.curve ??= productionCurve(
      new OperatingPointSolver(system, curveTolerance),
      prechargeBar,
      closingBar,
      productSideOf(design),
    );
    return tank.curve;
  }

  private againstTank(design: SystemDesign, water: FeedWater, ageing: Ageing): Outcome<Asked> {
    const { prechargeBar } = design.tank!;
    const shutoff = shutoffOf(design);
    const refused = refuseTank(design.tank!, shutoff);
    if (refused) return refused;
    const { system, againstTanks } = this.conditioned(design, water, ageing);
    if (!system.ok) return system;
    const closingBar = shutoffPressure(shutoff, water.pressureBar);
    let tank = againstTanks.find(
      (one) => one.prechargeBar === prechargeBar && one.closingBar === closingBar,
    );
    if (!tank) {
      tank = { prechargeBar, closingBar, curve: null, closes: null, running: null, litre: null };
      againstTanks.push(tank);
    }
    return succeed({ system: system.value, tank });
  }

  private conditioned(design: SystemDesign, water: FeedWater, ageing: Ageing): Conditioned {
    const { conditions } = this.sideOf(design);
    let known = conditions.find((one) => one.water === water && one.ageing === ageing);
    if (!known) {
      const system = this.resolved(design, water, ageing);
      known = { water, ageing, system, againstTanks: [], direct: [] };
      conditions.push(known);
    }
    return known;
  }

  private sideOf(design: SystemDesign): FeedSide {
    const at = this.sides.findIndex((side) => isSameSide(side.design, design));
    if (at === 0) return this.sides[0]!;
    const side = at > 0 ? this.sides.splice(at, 1)[0]! : { design, conditions: [] };
    this.sides.unshift(side);
    if (this.sides.length > sidesKept) this.sides.pop();
    return side;
  }

  private wayOf(design: SystemDesign): Way {
    const { line, tap, postFilter } = design;
    let way = this.ways.find(
      ({ parts }) => parts.tap === tap && parts.postFilter === postFilter && parts.line === line,
    );
    if (!way) {
      const tapLine = tapLineOf(design);
      way = { parts: { line, tap, postFilter }, tapLine, flows: new Map(), columns: [] };
      this.ways.push(way);
    }
    return way;
  }

  private resolved(
    design: SystemDesign,
    water: FeedWater,
    ageing: Ageing,
  ): Outcome<ResolvedSystem> {
    const permeance = this.permeanceOf(design);
    return permeance.ok
      ? resolveSystem(roSystemOf(design, water, ageing), permeance.value)
      : permeance;
  }
}

/** A feed side, and what was solved of it against such a tank before. */
interface Asked {
  system: ResolvedSystem;
  tank: AgainstTank;
}

function closing(
  design: SystemDesign,
  system: ResolvedSystem,
  { prechargeBar, closingBar }: AgainstTank,
): Outcome<boolean> {
  const productSide = productSideOf(design);
  const solver = new OperatingPointSolver(system, curveTolerance);
  const ends = endsOfFill(
    (tankBar) => solver.solve(() => productSide(tankBar)),
    prechargeBar,
    closingBar,
  );
  return ends.ok ? succeed(ends.value.closing !== null) : ends;
}

function flowAt({ tapLine, flows }: Way, temperatureC: number, tankBar: number): Outcome<number> {
  let byPressure = flows.get(temperatureC);
  if (!byPressure) flows.set(temperatureC, (byPressure = new Map<number, Outcome<number>>()));
  let flow = byPressure.get(tankBar);
  if (!flow) byPressure.set(tankBar, (flow = tapFlowFrom(tapLine, temperatureC, tankBar)));
  return flow;
}

function tapFlowFrom(line: TapLine, temperatureC: number, tankBar: number): Outcome<number> {
  if (tankBar <= tapLineLoss(line, 0, temperatureC).totalBar) return succeed(0);
  const flow = tapFlow({ ...line, sourcePressureBar: tankBar, temperatureC });
  return flow.ok ? succeed(flow.value.flowLPerMin) : flow;
}
