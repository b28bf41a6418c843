import type { EndCriterion, EndKind } from './flushStep.ts';

/** A reading of one place, with the moment it was taken, ms of the epoch. */
export interface TimedReading {
  value: number;
  at: number;
}

/**
 * Whether the last readings stay together: over at least `overMin` minutes up to the last, none is further than a share from it. One reading
 * alone is never steady.
 */
export function isSteady(
  readings: readonly TimedReading[],
  withinShare: number,
  overMin: number,
): boolean {
  const sorted = [...readings].sort((a, b) => a.at - b.at);
  const last = sorted.at(-1);
  if (!last) return false;
  const since = last.at - overMin * 60_000;
  // The newest that is old enough, and all behind it.
  const first = sorted.findLastIndex(({ at }) => at <= since);
  return (
    first >= 0 &&
    sorted
      .slice(first)
      .every(({ value }) => Math.abs(value - last.value) <= withinShare * last.value)
  );
}

/** Readings of one step, each kind by itself, in the core's units: mg/L, mg/L and L. */
export type StepReadings = Record<'tds' | 'strip' | 'litres', readonly TimedReading[]>;

/** Which ends of a step its readings show; the rest is seen by eye. */
export function endsRead(
  ends: readonly EndCriterion[],
  { tds, strip, litres }: StepReadings,
): EndKind[] {
  const last = [...strip].sort((a, b) => a.at - b.at).at(-1);
  const run = litres.reduce((sum, { value }) => sum + value, 0);
  const isMet = (end: EndCriterion): boolean => {
    switch (end.kind) {
      case 'tds-steady':
        return isSteady(tds, end.withinShare, end.overMin);
      case 'strip':
        return last !== undefined && last.value < end.underMgL;
      case 'litres':
        return run >= end.litres;
      default:
        return false;
    }
  };
  return ends.filter(isMet).map(({ kind }) => kind);
}
