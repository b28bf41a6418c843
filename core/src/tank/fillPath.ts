import type { Outcome } from '../outcome.ts';
import { fail, succeed } from '../outcome.ts';
import type { OperatingPoint, OperatingPointSolver } from '../system/operatingPoint.ts';
import { type BladderTank, tankPressure, tankVolume } from './bladderTank.ts';

/**
 * Everything that filling a tank does, as a function of the water in it: production depends on nothing but the tank's pressure, so
 * one pass from empty to the end serves every later question of "how much, how long" by looking up.
 */
export interface FillPath {
  /** Water in the tank at the nodes, L, rising. */
  litres: Float64Array;
  /** Since empty: minutes, drain water in L, salt in mg. */
  minutes: Float64Array;
  drainL: Float64Array;
  saltMg: Float64Array;
  /** Water at which production stops or has stalled, L. */
  fullL: number;
}

/** Intervals of the path; each is Simpson's rule over two solves, within 1e-4 of the adaptive integral (`fillPath.test.ts`). */
const intervals = 48;

/**
 * Solves the path of one fill.
 * @param endBar product-side tank pressure at which production stops, or stalls; above the precharge
 * @param riseBar of the tank above the unit
 * Nodes are closer together towards the end, where production fades. Errors: those of the operating point.
 */
export function fillPath(
  solver: OperatingPointSolver,
  tank: BladderTank,
  endBar: number,
  riseBar = 0,
): Outcome<FillPath> {
  const fullL = tankVolume(tank, endBar);
  if (!(fullL > 0)) {
    return fail('shutoff-below-precharge', 'tank.prechargeBar', {
      closingBar: endBar,
      prechargeBar: tank.prechargeBar,
    });
  }
  const path: FillPath = {
    litres: new Float64Array(intervals + 1),
    minutes: new Float64Array(intervals + 1),
    drainL: new Float64Array(intervals + 1),
    saltMg: new Float64Array(intervals + 1),
    fullL,
  };
  const litresAt = (share: number) => fullL * (1 - (1 - share) ** 2);
  const pointAt = (litres: number): Outcome<OperatingPoint> => {
    const bar = tankPressure(tank, litres) + riseBar;
    return solver.solve(() => bar);
  };
  const empty = pointAt(0);
  if (!empty.ok) return empty;
  let left = empty.value;
  for (let i = 0; i < intervals; i += 1) {
    const [from, to] = [litresAt(i / intervals), litresAt((i + 1) / intervals)];
    const middle = pointAt((from + to) / 2);
    const right = pointAt(to);
    if (!middle.ok) return middle;
    if (!right.ok) return right;
    const simpson = (rate: (point: OperatingPoint) => number) =>
      ((to - from) / 6) * (rate(left) + 4 * rate(middle.value) + rate(right.value));
    path.litres[i + 1] = to;
    path.minutes[i + 1] = path.minutes[i]! + simpson((p) => 60 / p.permeateFlowLPerH);
    path.drainL[i + 1] =
      path.drainL[i]! + simpson((p) => p.concentrateFlowLPerH / p.permeateFlowLPerH);
    path.saltMg[i + 1] = path.saltMg[i]! + simpson((p) => p.permeateTdsMgL);
    left = right.value;
  }
  return succeed(path);
}

/** Value of one column where another has a value: linear between nodes, the end values outside. Both columns rise. */
export function lookUp(xs: Float64Array, ys: Float64Array, x: number): number {
  const last = xs.length - 1;
  if (x <= xs[0]!) return ys[0]!;
  if (x >= xs[last]!) return ys[last]!;
  let [low, high] = [0, last];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (xs[middle]! <= x) low = middle;
    else high = middle;
  }
  const share = (x - xs[low]!) / (xs[high]! - xs[low]!);
  return ys[low]! + share * (ys[high]! - ys[low]!);
}
