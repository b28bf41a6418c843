import { temperatureCorrectionFactor } from '../membrane/temperatureCorrectionFactor.ts';
import { type Outcome, succeed } from '../base/outcome.ts';
import { Solutions } from '../system/solutions.ts';
import { type Ageing, type FeedWater, newMembrane, type SystemDesign } from '../system/design.ts';
import { type BladderTank, tankVolume } from '../tank/bladderTank.ts';
import type { ProductionCurve } from '../system/filling/productionCurve.ts';

/** A tank behind the tap, with everything looked up that would otherwise be solved again and again. */
export interface TankSupply {
  kind: 'tank';
  curve: ProductionCurve;
  tank: BladderTank;
  /** Usable water of the full tank, L. */
  fullL: number;
  /** Water in the tank below which production starts again, L. */
  reopenL: number;
  /** Flow at the open tap at the nodes of the curve, L/min. */
  tapLPerMin: Float64Array;
}

/** A unit without a tank, which makes what is drawn. */
export interface DirectSupply {
  kind: 'direct';
  productLPerMin: number;
  drainLPerMin: number;
  productMgL: number;
  feedMgL: number;
  /** Salt permeance of the bank at the water's temperature, L/h, and product that stands behind it, L. */
  saltPermeanceLPerH: number;
  standingL: number;
}

/** What stands behind the tap through a day. */
export type Supply = TankSupply | DirectSupply;

/**
 * Share of the closing pressure at which production starts again. Default: a switch of 2.8 bar starts at 2.1, a valve that closes at
 * two thirds of the supply starts at half of it.
 */
export const reopenShare = 0.75;

/** Product side and first metre of tube of one element, L. Default. */
const standingPerElementL = 0.12;

/** Prepares a design in a water for simulated days. Errors: those of `assess`. */
export function supplyOf(
  design: SystemDesign,
  water: FeedWater,
  ageing: Ageing = newMembrane,
  solutions = new Solutions(),
): Outcome<Supply> {
  return design.tank
    ? tankSupply(design, design.tank, water, ageing, solutions)
    : directSupply(design, water, ageing, solutions);
}

function tankSupply(
  design: SystemDesign,
  tank: BladderTank,
  water: FeedWater,
  ageing: Ageing,
  solutions: Solutions,
): Outcome<Supply> {
  const solved = solutions.curveOf(design, water, ageing);
  if (!solved.ok) return solved;
  const curve = solved.value;
  return succeed({
    kind: 'tank',
    curve,
    tank,
    fullL: tankVolume(tank, curve.endBar),
    reopenL: tankVolume(tank, reopenShare * curve.endBar),
    tapLPerMin: solutions.tapColumnOf(design, water, curve),
  });
}

function directSupply(
  design: SystemDesign,
  water: FeedWater,
  ageing: Ageing,
  solutions: Solutions,
): Outcome<Supply> {
  const solved = solutions.directOf(design, water, ageing);
  if (!solved.ok) return solved;
  const permeance = solutions.permeanceOf(design);
  if (!permeance.ok) return permeance;
  const running = solved.value;
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
