import { findRoot } from '../../base/numeric/findRoot.ts';
import { integrate } from '../../base/numeric/integrate.ts';
import { fail, type Outcome, succeed } from '../../base/outcome.ts';
import { type TapLine, tapLineLoss } from '../../hydraulics/tapLine.ts';
import { endOfFill } from '../../system/filling/endOfFill.ts';
import type { OperatingPoint, OperatingPointSolver } from '../../system/point/operatingPoint.ts';
import { atmosphereBar, type BladderTank, tankVolume } from '../../tank/bladderTank.ts';
import { risePressure } from '../../water/waterDensity.ts';

/** Filling a tank once, or draining it. */
export interface Passage {
  timeMin: number;
  /** Product that was made meanwhile, L. */
  madeL: number;
  /** Concentrate that ran off meanwhile, L. */
  drainL: number;
}

/** A tank that is filled and drained over and over, in the same way each time. */
export interface TankCycle {
  /** Water in the full tank, L, without what stays in its folds. */
  fullL: number;
  /** Water left in it by a draining, L, without what stays in its folds. */
  leftL: number;
  /** What stays in folds and neck, L. */
  heelL: number;
  /** Into a new, dry tank: its folds are filled too. */
  first: Passage;
  later: Passage;
  /** Through the open tap. */
  draining: Passage;
}

/** How a draining is done. */
export interface Draining {
  /** Whether the feed stays open meanwhile, as where a household only opens the tap. */
  feedOpen: boolean;
  /** Tank pressure at which production starts again, bar gauge; the closing pressure where there is no dead band. */
  reopensBar?: number | undefined;
  /** It is over when the tank itself gives no more than this, L/min. */
  trickleLPerMin: number;
}

interface BladderCycleGiven {
  solver: OperatingPointSolver;
  temperatureC: number;
  tank: BladderTank;
  productSide?: ((tankBar: number) => number) | undefined;
  heelL: number;
  /** Pressure on the product line at which production stops, bar gauge. */
  closingBar: number;
  tapLine: TapLine;
  draining: Draining;
}

const tolerance = { tolerance: 1e-6 };

/**
 * A bladder tank's fills and drainings, by the tank's law and the tap's falling curve.
 * @returns where it stalls, bar gauge, if it never shuts off
 * Units: bar gauge, L, min. Errors: those of `operatingPoint`; 'shutoff-below-precharge'; 'tank-not-emptied' where the full tank gives no
 * more than the trickle.
 */
export function bladderCycle(
  given: BladderCycleGiven,
): Outcome<{ stallsAtBar: number } | { cycle: TankCycle }> {
  const { solver, temperatureC, tank, heelL, closingBar, tapLine, draining } = given;
  const { productSide = (bar: number) => bar } = given;
  const riseBar = risePressure(tank.riseM ?? 0, temperatureC);
  let failed: Outcome<OperatingPoint> | undefined;
  const pointAt = (tankBar: number) => {
    const backBar = productSide(tankBar + riseBar);
    return solver.solve(() => backBar);
  };
  const makes = (tankBar: number): OperatingPoint | null => {
    const point = pointAt(tankBar);
    if (point.ok) return point.value;
    failed ??= point;
    return null;
  };
  const emptyBar = tank.prechargeBar;
  const fullBar = closingBar - riseBar;
  const end = endOfFill(pointAt, emptyBar, fullBar);
  if (!end.ok) return end;
  if (!end.value.reachesClosing) return succeed({ stallsAtBar: end.value.endBar });

  /** Water that a bar of pressure moves, L/bar. */
  const volumeSlope = (bar: number) =>
    (tank.volumeL * (emptyBar + atmosphereBar)) / (bar + atmosphereBar) ** 2;
  const passed = (fromBar: number, toBar: number, flows: Flows): Outcome<Passage> => {
    if (toBar <= fromBar) return succeed({ timeMin: 0, madeL: 0, drainL: 0 });
    const sum = integrate(
      (bar, into) => {
        const { movesLPerH, makesLPerH, drainsLPerH } = flows(bar);
        const hours = volumeSlope(bar) / movesLPerH;
        into[0] = 60 * hours;
        into[1] = hours * makesLPerH;
        into[2] = hours * drainsLPerH;
      },
      3,
      fromBar,
      toBar,
      tolerance,
    );
    if (failed && !failed.ok) return failed;
    if (sum.status !== 'converged') return fail(sum.status, 'timeMin');
    const [timeMin, madeL, drainL] = sum.values as [number, number, number];
    return succeed({ timeMin, madeL, drainL });
  };

  /** The open tap's flow out of the tank, L/h. */
  const tapAt = (bar: number): number => tapFlowAt(tapLine, bar + riseBar, temperatureC);
  const reopensBar = draining.feedOpen
    ? Math.min(draining.reopensBar ?? fullBar, fullBar)
    : -Infinity;
  const alone: Flows = (bar) => ({ movesLPerH: tapAt(bar), makesLPerH: 0, drainsLPerH: 0 });
  const together: Flows = (bar) => {
    const point = makes(bar);
    const made = point?.permeateFlowLPerH ?? 0;
    return {
      movesLPerH: tapAt(bar) - made,
      makesLPerH: made,
      drainsLPerH: point?.concentrateFlowLPerH ?? 0,
    };
  };
  const trickle = 60 * draining.trickleLPerMin;
  const surplus = (flows: Flows) => (bar: number) => flows(bar).movesLPerH - trickle;
  if (surplus(reopensBar >= fullBar ? together : alone)(fullBar) <= 0) {
    return fail('tank-not-emptied', 'tapLine', { trickleLPerMin: draining.trickleLPerMin });
  }
  if (failed && !failed.ok) return failed;
  const parts: { flows: Flows; fromBar: number; toBar: number }[] = [];
  let leftBar = fullBar;
  for (const [flows, low] of [
    [alone, Math.max(reopensBar, emptyBar)],
    [together, emptyBar],
  ] as const) {
    if (low >= leftBar) continue;
    const over = surplus(flows);
    // With the jump at which production starts again nothing more may come of it.
    if (over(leftBar) <= 0) break;
    let stop = low;
    if (over(low) <= 0) {
      const search = findRoot(over, low, leftBar, { tolerance: 1e-10 });
      if (search.status !== 'converged') return fail(search.status, 'leftInTankL');
      stop = search.x;
    }
    parts.push({ flows, fromBar: stop, toBar: leftBar });
    leftBar = stop;
    if (stop > low) break;
  }
  const drained = addUp(parts.map(({ flows, fromBar, toBar }) => passed(fromBar, toBar, flows)));
  if (!drained.ok) return drained;

  const filling: Flows = (bar) => {
    const point = makes(bar);
    const made = point?.permeateFlowLPerH ?? 1;
    return { movesLPerH: made, makesLPerH: made, drainsLPerH: point?.concentrateFlowLPerH ?? 0 };
  };
  const later = passed(leftBar, fullBar, filling);
  if (!later.ok) return later;
  const rest = passed(emptyBar, leftBar, filling);
  if (!rest.ok) return rest;
  const { running } = end.value;
  const heelHours = heelL / running.permeateFlowLPerH;
  const heel: Passage = {
    timeMin: 60 * heelHours,
    madeL: heelL,
    drainL: heelHours * running.concentrateFlowLPerH,
  };
  const first = addUp([later, rest, succeed(heel)]);
  if (!first.ok) return first;
  return succeed({
    cycle: {
      fullL: tankVolume(tank, fullBar),
      leftL: tankVolume(tank, leftBar),
      heelL,
      first: first.value,
      later: later.value,
      draining: drained.value,
    },
  });
}

/** Flows at a tank pressure, L/h: into or out of the tank, and what is made and runs off beside it. */
type Flows = (bar: number) => { movesLPerH: number; makesLPerH: number; drainsLPerH: number };

function addUp(passages: readonly Outcome<Passage>[]): Outcome<Passage> {
  const sum: Passage = { timeMin: 0, madeL: 0, drainL: 0 };
  for (const one of passages) {
    if (!one.ok) return one;
    sum.timeMin += one.value.timeMin;
    sum.madeL += one.value.madeL;
    sum.drainL += one.value.drainL;
  }
  return succeed(sum);
}

/** Flow at which a line's loss is a pressure, L/h; none below its rise. */
function tapFlowAt(line: TapLine, bar: number, temperatureC: number): number {
  const miss = (flow: number) => tapLineLoss(line, flow, temperatureC).totalBar - bar;
  const driving = -miss(0);
  if (driving <= 0) return 0;
  // The tap alone would pass this; everything else in the line only takes from it. A hair more keeps the ends apart.
  const most = 1000.1 * line.tapKv * Math.sqrt(driving);
  return findRoot(miss, 0, most, { tolerance: 1e-10, maxEvaluations: 200 }).x;
}

/** A small tank inside a unit, without an air cushion, emptied by its own outlet at a steady flow. */
export interface OpenTank {
  volumeL: number;
  emptyFlowLPerMin: number;
}

/**
 * An open tank's fills and drainings, at the steady point of its back pressure.
 * Errors: 'tank-not-emptied' where the outlet gives no more than what is made meanwhile and the trickle.
 */
export function openTankCycle(
  { volumeL, emptyFlowLPerMin }: OpenTank,
  { permeateFlowLPerH: made, concentrateFlowLPerH: drains }: OperatingPoint,
  heelShare: number,
  { feedOpen, trickleLPerMin }: Omit<Draining, 'reopensBar'>,
): Outcome<TankCycle> {
  const meanwhile = feedOpen ? 1 : 0;
  const givesLPerH = 60 * emptyFlowLPerMin - meanwhile * made;
  if (givesLPerH <= 60 * trickleLPerMin) {
    return fail('tank-not-emptied', 'openTank.emptyFlowLPerMin', { trickleLPerMin });
  }
  const heelL = heelShare * volumeL;
  const fullL = volumeL - heelL;
  const filled = (litres: number): Passage => ({
    timeMin: (60 * litres) / made,
    madeL: litres,
    drainL: (litres / made) * drains,
  });
  const hours = fullL / givesLPerH;
  return succeed({
    fullL,
    leftL: 0,
    heelL,
    first: filled(volumeL),
    later: filled(fullL),
    draining: {
      timeMin: 60 * hours,
      madeL: meanwhile * hours * made,
      drainL: meanwhile * hours * drains,
    },
  });
}
