import { weakMapMemoize } from '@reduxjs/toolkit';

/**
 * A reckoning that remembers what it was asked about, by the very objects. A page that is drawn a second time, by another of its parts or
 * because drawing it was put down for something more urgent, does not reckon a second time; `useMemo` forgets what was put down.
 */
export const remembered: <A extends unknown[], R>(
  reckon: (...asked: A) => R,
) => (...asked: A) => R = weakMapMemoize;

/** Takes these of an object's values, as the very same object for as long as they are the same. */
export function picked<T extends object, K extends keyof T>(
  keys: readonly K[],
): (of: T) => Pick<T, K> {
  const pick = remembered(
    (...values: T[K][]) => Object.fromEntries(keys.map((key, i) => [key, values[i]])) as Pick<T, K>,
  );
  return (of) => pick(...keys.map((key) => of[key]));
}
