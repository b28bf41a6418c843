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
