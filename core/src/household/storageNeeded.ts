import { borneWaitMin } from '../base/practice.ts';
import { columnAt } from '../system/filling/productionCurve.ts';
import { tankPressure, tankVolume } from '../tank/bladderTank.ts';
import type { Draw } from './household.ts';
import { minutesPerDay } from './simulateDays.ts';
import type { TankSupply } from './supply.ts';

/** Draws of a stretch of days, one after the other, as plain columns: a search goes through them for every design. */
export interface DrawColumns {
  /** Minutes since the first midnight. */
  minutes: Float64Array;
  litres: Float64Array;
  largestL: number;
}

export function drawColumns(days: readonly (readonly Draw[])[]): DrawColumns {
  const minutes = days.flatMap((draws, day) =>
    draws.map(({ minute }) => day * minutesPerDay + minute),
  );
  const litres = days.flatMap((draws) => draws.map((draw) => draw.litres));
  return {
    minutes: Float64Array.from(minutes),
    litres: Float64Array.from(litres),
    largestL: Math.max(0, ...litres),
  };
}

/**
 * Storage that draws need where a steady flow makes up for them, L: the deepest that they bring a store down which they find full, and
 * which is full again where the flow has caught up. The sequent peak algorithm (Thomas and Burden 1963). While water is drawn, for
 * `minPerL` of every litre, nothing counts as made.
 * @param lPerMin what is made, L/min; more of it never needs more storage
 */
export function storageNeeded(
  { minutes, litres }: DrawColumns,
  lPerMin: number,
  minPerL = 0,
): number {
  let deficit = 0;
  let deepest = 0;
  let closed = 0;
  for (let i = 0; i < minutes.length; i += 1) {
    const asked = minutes[i]!;
    const drawn = litres[i]!;
    const opened = asked > closed ? asked : closed;
    const left = deficit - lPerMin * (opened - closed);
    deficit = (left > 0 ? left : 0) + drawn;
    if (deficit > deepest) deepest = deficit;
    closed = opened + drawn * minPerL;
  }
  return deepest;
}

/** The day of those given that needs the most storage at a steady flow; its place among them. */
export function hardestDay(days: readonly (readonly Draw[])[], lPerMin: number): number {
  const needed = days.map((day) => storageNeeded(drawColumns([day]), lPerMin));
  const most = Math.max(...needed);
  return needed.indexOf(most);
}

/** How much sooner than by its own figure a tap counts as too slow: more than the steps of a simulated day are off by. */
const slowerTap = 1.02;

/**
 * Whether a tank lets nobody wait longer than people bear on any of these draws, told without simulating them. True is certain (the
 * days lived one by one agree, `storageNeeded.test.ts`), false is not: then they are to be lived.
 *
 * The tank stands at least as full as one that holds no more than the level at which production starts again, and is filled no faster
 * than it is there: below that level it is filling, and faster the lower it stands. If the storage that the draws need of such a one
 * leaves enough to push out the largest draw within the time that people bear, the tap is never too slow.
 */
export function letsNobodyWait(supply: TankSupply, draws: DrawColumns): boolean {
  const { curve, tank, tapLPerMin, reopenL } = supply;
  const { largestL } = draws;
  if (largestL === 0) return true;
  // Wait is the time over that of the quickest tap: of draws within the bearable the largest is the strictest for each of its litres.
  const minPerL = 1 / tapLPerMin[tapLPerMin.length - 1]! + borneWaitMin(largestL) / largestL;
  const enoughLPerMin = slowerTap / minPerL;
  let node = tapLPerMin.length - 1;
  while (node > 0 && tapLPerMin[node - 1]! >= enoughLPerMin) node -= 1;
  if (tapLPerMin[node]! < enoughLPerMin) return false;
  const leastL = tankVolume(tank, curve.prechargeBar + node * curve.stepBar);
  const madeLPerMin = columnAt(curve, curve.permeateLPerH, tankPressure(tank, reopenL)) / 60;
  return reopenL - storageNeeded(draws, madeLPerMin, minPerL) >= leastL;
}
