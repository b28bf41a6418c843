import { tapFlow, tapLineLoss } from '../hydraulics/tapLine.ts';
import { type ElementPermeance, elementPermeance } from '../membrane/elementPermeance.ts';
import { type Outcome, succeed } from '../base/outcome.ts';
import { directFlow } from './point/directFlow.ts';
import { type OperatingPoint, OperatingPointSolver } from './point/operatingPoint.ts';
import { resolveSystem } from './point/roSystem.ts';
import { shutoffPressure } from '../tank/bladderTank.ts';
import { endsOfFill } from './filling/endOfFill.ts';
import { refuseTank } from './filling/fillTank.ts';
import { columnAt, type ProductionCurve, productionCurve } from './filling/productionCurve.ts';
import type { Assessment } from './assessment.ts';
import {
  type Ageing,
  type FeedWater,
  productSideOf,
  roSystemOf,
  shutoffOf,
  type SystemDesign,
  tapLineOf,
} from './design.ts';

/** Miss that the points of a curve are solved to, over their feed flow: a hundredth of what the curve between them is good for. */
const curveTolerance = 1e-7;

/** The tap's flow is nearly straight in the tank's pressure; with these points solved it is within half a percent. */
const tapPoints = 17;

/**
 * What has been solved so far for designs that share parts: one production curve for every tank and post stage behind the same feed side,
 * one tap flow for every tank of the same pressure. A search keeps one of these; a single question makes its own. Parts, waters and ages are
 * told apart by identity, so that a caller passes on the very objects.
 */
export class Solutions {
  private readonly ids = new WeakMap<object, number>();
  private lastId = 0;
  private readonly permeances = new Map<object, Outcome<ElementPermeance>>();
  private readonly curves = new Map<string, Outcome<ProductionCurve>>();
  private readonly closes = new Map<string, Outcome<boolean>>();
  private readonly perLitre = new Map<string, Outcome<Assessment>>();
  private readonly direct = new Map<string, Outcome<OperatingPoint>>();
  private readonly tapFlows = new Map<string, Outcome<number>>();
  private readonly tapColumns = new Map<string, Float64Array>();

  /** Production against the design's tank. Errors: those of the tank, the operating point and the curve. */
  curveOf(design: SystemDesign, water: FeedWater, ageing: Ageing): Outcome<ProductionCurve> {
    const tank = design.tank!;
    const shutoff = shutoffOf(design);
    const refused = refuseTank(tank, shutoff);
    if (refused) return refused;
    const closingBar = shutoffPressure(shutoff, water.pressureBar);
    const key = `${this.feedSideKey(design, water, ageing)}/${tank.prechargeBar}/${closingBar}`;
    return remember(this.curves, key, () => {
      const solver = this.solverOf(design, water, ageing);
      if (!solver.ok) return solver;
      return productionCurve(solver.value, tank.prechargeBar, closingBar, productSideOf(design));
    });
  }

  /**
   * Whether production closes by itself: of a tank by two points of its curve, of a tankless design by its tap. Where the whole curve is
   * asked for as well, ask for that first. Errors: those of the tank and the operating point.
   */
  closesOf(design: SystemDesign, water: FeedWater, ageing: Ageing): Outcome<boolean> {
    const { tank } = design;
    if (!tank) {
      const running = this.directOf(design, water, ageing);
      return running.ok ? succeed(true) : running;
    }
    const shutoff = shutoffOf(design);
    const refused = refuseTank(tank, shutoff);
    if (refused) return refused;
    const closingBar = shutoffPressure(shutoff, water.pressureBar);
    const key = `${this.feedSideKey(design, water, ageing)}/${tank.prechargeBar}/${closingBar}`;
    return remember(this.closes, key, () => {
      const solver = this.solverOf(design, water, ageing);
      if (!solver.ok) return solver;
      const productSide = productSideOf(design);
      const ends = endsOfFill(
        (tankBar) => solver.value.solve(() => productSide(tankBar)),
        tank.prechargeBar,
        closingBar,
      );
      return ends.ok ? succeed(ends.value.closing !== null) : ends;
    });
  }

  /** The design with a shell of one litre; what a shell's size does not change is worked out once for all sizes. */
  perLitreOf(
    design: SystemDesign,
    water: FeedWater,
    curve: ProductionCurve,
    solve: () => Outcome<Assessment>,
  ): Outcome<Assessment> {
    const key = `${this.id(curve)}/${this.lineKey(design)}/${this.id(water)}`;
    return remember(this.perLitre, key, solve);
  }

  /** Operating point of a tankless design with its tap open. Errors: those of `directFlow`. */
  directOf(design: SystemDesign, water: FeedWater, ageing: Ageing): Outcome<OperatingPoint> {
    const key = `${this.feedSideKey(design, water, ageing)}/${this.lineKey(design)}`;
    return remember(this.direct, key, () => {
      const permeance = this.permeanceOf(design);
      if (!permeance.ok) return permeance;
      const system = { ...roSystemOf(design, water, ageing), tapLine: tapLineOf(design) };
      return directFlow(system, permeance.value);
    });
  }

  /** Flow at the open tap from a tank at a pressure, L/min; nothing where the tank cannot lift the water, which is an answer too. */
  tapFlowOf(design: SystemDesign, water: FeedWater, tankBar: number): Outcome<number> {
    const key = `${this.lineKey(design)}/${water.temperatureC}/${tankBar}`;
    return remember(this.tapFlows, key, () => {
      const line = tapLineOf(design);
      const { temperatureC } = water;
      if (tankBar <= tapLineLoss(line, 0, temperatureC).totalBar) return succeed(0);
      const flow = tapFlow({ ...line, sourcePressureBar: tankBar, temperatureC });
      return flow.ok ? succeed(flow.value.flowLPerMin) : flow;
    });
  }

  /** The tap's flow at the nodes of a curve, L/min: another column of it. */
  tapColumnOf(design: SystemDesign, water: FeedWater, curve: ProductionCurve): Float64Array {
    const key = `${this.lineKey(design)}/${this.id(curve)}`;
    return remember(this.tapColumns, key, () => {
      const { prechargeBar, endBar } = curve;
      const stepBar = (endBar - prechargeBar) / (tapPoints - 1);
      const solved = Float64Array.from({ length: tapPoints }, (_, i) => {
        const flow = this.tapFlowOf(design, water, prechargeBar + i * stepBar);
        return flow.ok ? flow.value : 0;
      });
      return curve.hours.map((_, i) =>
        columnAt({ prechargeBar, stepBar }, solved, prechargeBar + i * curve.stepBar),
      );
    });
  }

  permeanceOf({ membrane }: SystemDesign): Outcome<ElementPermeance> {
    return remember(this.permeances, membrane.rating, () => elementPermeance(membrane.rating));
  }

  private solverOf(
    design: SystemDesign,
    water: FeedWater,
    ageing: Ageing,
  ): Outcome<OperatingPointSolver> {
    const permeance = this.permeanceOf(design);
    if (!permeance.ok) return permeance;
    const resolved = resolveSystem(roSystemOf(design, water, ageing), permeance.value);
    return resolved.ok
      ? succeed(new OperatingPointSolver(resolved.value, curveTolerance))
      : resolved;
  }

  private feedSideKey(design: SystemDesign, water: FeedWater, ageing: Ageing): string {
    const { membrane, elements, arrangement, restrictor, pump, permeatePump } = design;
    const bank = `${this.id(membrane)}x${elements}${arrangement === 'series' ? 's' : 'p'}`;
    const ahead = `${this.id(pump)}-${this.id(design.prefilters)}-${this.id(permeatePump)}`;
    return `${bank}/${this.id(restrictor)}/${ahead}/${this.id(water)}/${this.id(ageing)}`;
  }

  private lineKey({ line, tap, postFilter }: SystemDesign): string {
    return `${this.id(line)}-${this.id(tap)}-${this.id(postFilter)}`;
  }

  private id(thing: object | null): number {
    if (thing === null) return 0;
    let id = this.ids.get(thing);
    if (id === undefined) {
      id = this.lastId += 1;
      this.ids.set(thing, id);
    }
    return id;
  }
}

function remember<K, V>(held: Map<K, V>, key: K, solve: () => V): V {
  let value = held.get(key);
  if (value === undefined) {
    value = solve();
    held.set(key, value);
  }
  return value;
}
