import { findRoot } from '../../base/numeric/findRoot.ts';
import { type FailureCode, fail, type Outcome, succeed } from '../../base/outcome.ts';
import type { OperatingPoint } from '../point/operatingPoint.ts';

/** How a fill ends: at the closing pressure, or stalled below it. */
export interface EndOfFill {
  /** Into the empty tank. */
  running: OperatingPoint;
  endBar: number;
  /** At the end; absent where production stalled before. */
  closing: OperatingPoint | null;
  reachesClosing: boolean;
}

/** Share of the flow into the empty tank at which a system is taken to have stalled. */
export const stallShare = 0.001;

/** Failures of an operating point that mean, at some tank pressure, just "no product any more". */
const stalls: ReadonlySet<FailureCode> = new Set(['no-driving-pressure', 'pressure-below-osmotic']);

/** Whether a point could not be solved because no product is left there. */
export const isStalled = (point: Outcome<OperatingPoint>): boolean =>
  !point.ok && stalls.has(point.failure.code);

type PointAt = (tankBar: number) => Outcome<OperatingPoint>;

/** The two ends of a fill that is to close at a pressure: into the empty tank, and there; null where production has stalled before. */
export interface Ends {
  running: OperatingPoint;
  closing: OperatingPoint | null;
}

/**
 * Whether filling gets to the closing pressure, by two points alone.
 * @param pointAt operating point by tank pressure
 * Errors: those of the operating point; 'shutoff-below-precharge' if production would stop before the tank takes any water.
 */
export function endsOfFill(
  pointAt: PointAt,
  prechargeBar: number,
  closingBar: number,
): Outcome<Ends> {
  if (closingBar <= prechargeBar) {
    return fail('shutoff-below-precharge', 'tank.prechargeBar', { closingBar, prechargeBar });
  }
  const empty = pointAt(prechargeBar);
  if (!empty.ok) return empty;
  const running = empty.value;
  const closing = pointAt(closingBar);
  if (!closing.ok && !isStalled(closing)) return closing;
  const closes =
    closing.ok && closing.value.permeateFlowLPerH > stallShare * running.permeateFlowLPerH;
  return succeed({ running, closing: closes ? closing.value : null });
}

/**
 * Finds where filling ends.
 * @param pointAt operating point by tank pressure
 * Errors: those of `endsOfFill`.
 */
export function endOfFill(
  pointAt: PointAt,
  prechargeBar: number,
  closingBar: number,
): Outcome<EndOfFill> {
  const ends = endsOfFill(pointAt, prechargeBar, closingBar);
  if (!ends.ok) return ends;
  const { running, closing } = ends.value;
  if (closing) return succeed({ running, endBar: closingBar, closing, reachesClosing: true });
  const stalledFlow = stallShare * running.permeateFlowLPerH;
  const surplus = (bar: number) => {
    const point = pointAt(bar);
    return (point.ok ? point.value.permeateFlowLPerH : 0) - stalledFlow;
  };
  const search = findRoot(surplus, prechargeBar, closingBar, { tolerance: 1e-7 });
  if (search.status !== 'converged') return fail(search.status, 'stallPressureBar');
  return succeed({ running, endBar: search.x, closing: null, reachesClosing: false });
}
