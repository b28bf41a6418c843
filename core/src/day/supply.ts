import { tapFlow, tapLineLoss } from '../hydraulics/tapLine.ts';
import { elementPermeance } from '../membrane/elementPermeance.ts';
import { temperatureCorrectionFactor } from '../membrane/temperatureCorrectionFactor.ts';
import { type Outcome, succeed } from '../outcome.ts';
import { assess, type Assessment } from '../sizing/assess.ts';
import {
  type Ageing,
  type FeedWater,
  newMembrane,
  roSystemOf,
  type SystemDesign,
  tapLineOf,
} from '../sizing/systemDesign.ts';
import { OperatingPointSolver } from '../system/operatingPoint.ts';
import { resolveSystem } from '../system/roSystem.ts';
import { tankPressure, tankVolume } from '../tank/bladderTank.ts';
import { type FillPath, fillPath } from '../tank/fillPath.ts';
import type { TankFill } from '../tank/fillTank.ts';

/** What stands behind the tap through a day, with everything looked up that would otherwise be solved again and again. */
export type Supply =
  | {
      kind: 'tank';
      path: FillPath;
      shutsOff: boolean;
      /** Water in the tank below which production starts again, L. */
      reopenL: number;
      /** Flow at the open tap, L/min, by water in the tank, L. */
      tapLitres: Float64Array;
      tapLPerMin: Float64Array;
      /** Drain flow of a unit that never shuts off, once its tank has stalled, L/min. */
      stalledDrainLPerMin: number;
    }
  | {
      kind: 'direct';
      productLPerMin: number;
      drainLPerMin: number;
      productMgL: number;
      feedMgL: number;
      /** Salt permeance of the bank at the water's temperature, L/h, and product that stands behind it, L. */
      saltPermeanceLPerH: number;
      standingL: number;
    };

/**
 * Share of the closing pressure at which production starts again. Default: a switch of 2.8 bar starts at 2.1, a valve that closes at
 * two thirds of the supply starts at half of it.
 */
export const reopenShare = 0.75;

/** The tap's flow is nearly a straight line in the tank's water; thirteen nodes hold it to half a percent. */
const tapNodes = 13;

/** Product side and first metre of tube of one element, L. Default. */
const standingPerElementL = 0.12;

/** Prepares a design in a water for simulated days. Errors: those of `assess`. */
export function supplyOf(
  design: SystemDesign,
  water: FeedWater,
  ageing: Ageing = newMembrane,
): Outcome<Supply> {
  const assessed = assess(design, water, ageing);
  if (!assessed.ok) return assessed;
  const { fill } = assessed.value;
  return fill
    ? tankSupply(design, water, ageing, fill)
    : directSupply(design, water, ageing, assessed.value);
}

function tankSupply(
  design: SystemDesign,
  water: FeedWater,
  ageing: Ageing,
  fill: TankFill,
): Outcome<Supply> {
  const tank = design.tank!;
  const resolved = resolveSystem(roSystemOf(design, water, ageing));
  if (!resolved.ok) return resolved;
  const solver = new OperatingPointSolver(resolved.value);
  const { shutsOff } = fill;
  const endBar = shutsOff ? fill.shutoffPressureBar : fill.stallPressureBar;
  const path = fillPath(solver, tank, endBar);
  if (!path.ok) return path;
  const stalled = solver.solve(() => endBar);
  if (!stalled.ok) return stalled;

  const line = tapLineOf(design);
  const liftBar = tapLineLoss(line, 0, water.temperatureC).totalBar;
  const tapLitres = Float64Array.from(
    { length: tapNodes },
    (_, i) => (path.value.fullL * i) / (tapNodes - 1),
  );
  const tapLPerMin = tapLitres.map((litres) => {
    const sourcePressureBar = tankPressure(tank, litres);
    if (sourcePressureBar <= liftBar) return 0;
    const flow = tapFlow({ ...line, sourcePressureBar, temperatureC: water.temperatureC });
    return flow.ok ? flow.value.flowLPerMin : 0;
  });
  return succeed({
    kind: 'tank',
    path: path.value,
    shutsOff,
    reopenL: tankVolume(tank, reopenShare * endBar),
    tapLitres,
    tapLPerMin,
    stalledDrainLPerMin: stalled.value.concentrateFlowLPerH / 60,
  });
}

function directSupply(
  design: SystemDesign,
  water: FeedWater,
  ageing: Ageing,
  { running }: Assessment,
): Outcome<Supply> {
  const permeance = elementPermeance(design.membrane.rating);
  if (!permeance.ok) return permeance;
  const aged = ageing.flowFactor * ageing.saltPassageFactor;
  const warm = temperatureCorrectionFactor(water.temperatureC);
  return succeed({
    kind: 'direct',
    productLPerMin: running.permeateFlowLPerH / 60,
    drainLPerMin: running.concentrateFlowLPerH / 60,
    productMgL: running.permeateTdsMgL,
    feedMgL: water.tdsMgL,
    saltPermeanceLPerH: permeance.value.salt * design.elements * aged * warm,
    standingL: standingPerElementL * design.elements,
  });
}
