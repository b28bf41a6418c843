import { type Outcome, succeed } from '../../base/outcome.ts';
import type { OperatingPoint, OperatingPointSolver } from '../point/operatingPoint.ts';
import { atmosphereBar, type BladderTank } from '../../tank/bladderTank.ts';
import { type EndOfFill, endOfFill, isStalled } from './endOfFill.ts';
import type { TankFill } from './fillTank.ts';

/**
 * What a feed side (pre-filters, pump, membranes, restrictor, in one water) makes against a tank, from empty to closing.
 *
 * Production depends on nothing but the tank's pressure P, and a tank of volume Vt and precharge P0 takes up
 * `dV = Vt (P0 + 1.01325) / (P + 1.01325)^2 dP`. Vt stands outside every integral, so one curve serves every tank of that precharge:
 * the columns hold the integrals of `1/Qp`, `Qc/Qp` and `cp` over `dP / (P + 1.01325)^2`.
 */
export interface ProductionCurve extends EndOfFill {
  prechargeBar: number;
  /** At the end. */
  last: OperatingPoint;
  /** Between neighbouring nodes of all columns, from the precharge on. */
  stepBar: number;
  permeateLPerH: Float64Array;
  concentrateLPerH: Float64Array;
  /** Integrals from empty, per litre of `Vt (P0 + 1.01325)`: hours, litres to drain and milligrams of salt. */
  hours: Float64Array;
  drain: Float64Array;
  salt: Float64Array;
}

/**
 * Operating points solved along the curve, the ends included. A flow that has not fallen far is smooth: 13 hold the integrals to 1e-5,
 * with a pump's kinks to 1e-4. Where it falls below a quarter, part of the membrane may make nothing any more, at which the flow
 * bends; 161 points then hold them to 5e-3, the worst of 6,000 random systems, and mostly to 3e-4.
 */
const pointsFor = (endShare: number): number => (endShare > 0.25 ? 13 : 161);

/** Nodes of the columns, at the least. */
const leastNodes = 240;

/**
 * Solves the curve.
 * @param closingBar tank pressure at which production is to stop
 * @param productSide product-side pressure of the membrane by tank pressure; rises with it
 * Errors: those of the operating point; 'shutoff-below-precharge' if production would stop before the tank takes any water.
 */
export function productionCurve(
  solver: OperatingPointSolver,
  prechargeBar: number,
  closingBar: number,
  productSide: (tankBar: number) => number = (bar) => bar,
): Outcome<ProductionCurve> {
  const pointAt = (tankBar: number) => {
    const bar = productSide(tankBar);
    return solver.solve(() => bar);
  };
  const end = endOfFill(pointAt, prechargeBar, closingBar);
  if (!end.ok) return end;
  const { endBar, running, closing } = end.value;
  // A curve that stalls has no end to be true to: it is drawn, never filled by.
  const endShare = closing ? closing.permeateFlowLPerH / running.permeateFlowLPerH : 1;
  const solvedPoints = pointsFor(endShare);
  const points: OperatingPoint[] = [running];
  for (let i = 1; i < solvedPoints; i += 1) {
    if (i === solvedPoints - 1 && closing) {
      points.push(closing);
      break;
    }
    const point = pointAt(prechargeBar + ((endBar - prechargeBar) * i) / (solvedPoints - 1));
    if (point.ok) points.push(point.value);
    // The root of the stall may lie a hair beyond the last product: its neighbour's flows stand in for it.
    else if (i === solvedPoints - 1 && isStalled(point)) points.push(points.at(-1)!);
    else return point;
  }
  return succeed({
    prechargeBar,
    ...end.value,
    last: points.at(-1)!,
    ...columns(points, prechargeBar, endBar),
  });
}

type Columns = Pick<
  ProductionCurve,
  'stepBar' | 'permeateLPerH' | 'concentrateLPerH' | 'hours' | 'drain' | 'salt'
>;

/**
 * Fills the columns. Over one step `1/Qp` is integrated as if Qp were straight, `h ln(q0/q1)/(q0 - q1)`, which holds where the flow
 * fades to nothing; what multiplies it is smooth and taken by its mean.
 */
function columns(points: readonly OperatingPoint[], fromBar: number, toBar: number): Columns {
  const nodesPerInterval = Math.ceil(leastNodes / (points.length - 1));
  const count = (points.length - 1) * nodesPerInterval + 1;
  const stepBar = (toBar - fromBar) / (count - 1);
  const permeateLPerH = refined(
    points.map((point) => point.permeateFlowLPerH),
    nodesPerInterval,
  );
  const concentrateLPerH = refined(
    points.map((point) => point.concentrateFlowLPerH),
    nodesPerInterval,
  );
  const saltMgPerH = refined(
    points.map((p) => p.permeateFlowLPerH * p.permeateTdsMgL),
    nodesPerInterval,
  );
  const [hours, drain, salt] = [0, 1, 2].map(() => new Float64Array(count)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  for (let i = 1; i < count; i += 1) {
    const [q0, q1] = [permeateLPerH[i - 1]!, permeateLPerH[i]!];
    const near = Math.abs(q0 - q1) < 1e-6 * q0;
    const perFlow = near ? 2 / (q0 + q1) : Math.log(q0 / q1) / (q0 - q1);
    const a0 = fromBar + (i - 1) * stepBar + atmosphereBar;
    // Exactly the mean of 1/(P + a)^2 over the step.
    const slice = (stepBar / (a0 * (a0 + stepBar))) * perFlow;
    hours[i] = hours[i - 1]! + slice;
    drain[i] = drain[i - 1]! + (slice * (concentrateLPerH[i - 1]! + concentrateLPerH[i]!)) / 2;
    salt[i] = salt[i - 1]! + (slice * (saltMgPerH[i - 1]! + saltMgPerH[i]!)) / 2;
  }
  return { stepBar, permeateLPerH, concentrateLPerH, hours, drain, salt };
}

/** Slopes at even points by five-point differences of the fourth order (Abramowitz and Stegun 25.3.6); one-sided near the ends. */
function slopes(values: readonly number[]): number[] {
  const last = values.length - 1;
  const from = (i: number, step: 1 | -1, weights: readonly number[]) =>
    (step * weights.reduce((sum, weight, k) => sum + weight * values[i + step * k]!, 0)) / 12;
  const first = [-25, 48, -36, 16, -3];
  const second = [-3, -10, 18, -6, 1];
  return values.map((_, i) => {
    if (i === 0) return from(0, 1, first);
    if (i === 1) return from(0, 1, second);
    if (i === last) return from(last, -1, first);
    if (i === last - 1) return from(last, -1, second);
    return (values[i - 2]! - values[i + 2]! + 8 * (values[i + 1]! - values[i - 1]!)) / 12;
  });
}

/** Weights of both ends and both slopes of a cubic at even places within an interval, by how many places. */
const cubicWeights = new Map<number, Float64Array>();

function weightsOf(nodesPerInterval: number): Float64Array {
  let weights = cubicWeights.get(nodesPerInterval);
  if (!weights) {
    weights = new Float64Array(4 * nodesPerInterval);
    for (let k = 0; k < nodesPerInterval; k += 1) {
      const t = k / nodesPerInterval;
      const u = 1 - t;
      weights.set([u * u * (1 + 2 * t), u * u * t, t * t * (3 - 2 * t), -t * t * u], 4 * k);
    }
    cubicWeights.set(nodesPerInterval, weights);
  }
  return weights;
}

/** Cubics through even points with these slopes, evaluated at every node. */
function refined(values: readonly number[], nodesPerInterval: number): Float64Array {
  const last = values.length - 1;
  const slope = slopes(values);
  const weights = weightsOf(nodesPerInterval);
  const fine = new Float64Array(last * nodesPerInterval + 1);
  for (let i = 0; i < last; i += 1) {
    const y0 = values[i]!;
    const y1 = values[i + 1]!;
    const m0 = slope[i]!;
    const m1 = slope[i + 1]!;
    const least = y0 < y1 ? y0 : y1;
    for (let k = 0; k < nodesPerInterval; k += 1) {
      const w = 4 * k;
      const value =
        weights[w]! * y0 + weights[w + 1]! * m0 + weights[w + 2]! * y1 + weights[w + 3]! * m1;
      // A flow does not turn negative between two that are not.
      fine[i * nodesPerInterval + k] = value > least ? value : least;
    }
  }
  fine[fine.length - 1] = values[last]!;
  return fine;
}

/** Value of a column at a tank pressure: linear between nodes, the end values outside. */
export function columnAt(
  { prechargeBar, stepBar }: Pick<ProductionCurve, 'prechargeBar' | 'stepBar'>,
  column: Float64Array,
  tankBar: number,
): number {
  const at = (tankBar - prechargeBar) / stepBar;
  const last = column.length - 1;
  if (!(at > 0)) return column[0]!;
  if (at >= last) return column[last]!;
  const i = at | 0;
  return column[i]! + (at - i) * (column[i + 1]! - column[i]!);
}

/** The tank pressure at which the column of hours has a value, within its ends. */
export function pressureAtHours(curve: ProductionCurve, value: number): number {
  const { hours, prechargeBar, stepBar } = curve;
  let [low, high] = [0, hours.length - 1];
  if (value >= hours[high]!) return curve.endBar;
  if (value <= 0) return prechargeBar;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (hours[middle]! <= value) low = middle;
    else high = middle;
  }
  const share = (value - hours[low]!) / (hours[high]! - hours[low]!);
  return prechargeBar + (low + share) * stepBar;
}

/** What the curve's columns are multiplied by for a tank: `Vt (P0 + 1.01325)`. */
export const tankFactor = (tank: BladderTank): number =>
  tank.volumeL * (tank.prechargeBar + atmosphereBar);

/** A whole fill of a tank, read from its curve. @param shutoffPressureBar as the shut-off senses it, rise included */
export function fillOnCurve(
  curve: ProductionCurve,
  tank: BladderTank,
  shutoffPressureBar: number,
): TankFill {
  if (!curve.reachesClosing) {
    return { shutsOff: false, shutoffPressureBar, stallPressureBar: curve.endBar };
  }
  const factor = tankFactor(tank);
  const { prechargeBar, endBar } = curve;
  const usableVolumeL =
    factor * (1 / (prechargeBar + atmosphereBar) - 1 / (endBar + atmosphereBar));
  return {
    shutsOff: true,
    shutoffPressureBar,
    usableVolumeL,
    fillTimeMin: 60 * factor * curve.hours.at(-1)!,
    drainVolumeL: factor * curve.drain.at(-1)!,
    tankTdsMgL: (factor * curve.salt.at(-1)!) / usableVolumeL,
  };
}
