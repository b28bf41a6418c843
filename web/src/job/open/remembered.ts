import { weakMapMemoize } from '@reduxjs/toolkit';

/**
 * A reckoning that remembers what it was asked about, by the very objects. A page that is drawn a second time, by another of its parts or
 * because drawing it was put down for something more urgent, does not reckon a second time; `useMemo` forgets what was put down.
 */
export const remembered: <A extends unknown[], R>(
  reckon: (...asked: A) => R,
) => (...asked: A) => R = weakMapMemoize;
