import { logNormalBetween } from '../../base/numeric/normal.ts';
import { type ReadingCode, readingKind, type Seen } from './reading.ts';
import type { Given } from './uncertainty.ts';

/** How common it is that something is wrong that no fault of the list describes, over how common faults are together. */
export const noneWeight = 0.01;

/** Readings of what the system gets; whatever is wrong with it, they lie about where they were surveyed. */
const inputs: ReadonlySet<ReadingCode> = new Set([
  'feedTdsMgL',
  'temperatureC',
  'supplyPressureBar',
]);
/** How far off a reading may lie where nothing is known of what is wrong: standard deviations, in the logarithm. */
const spread = { input: 0.4, other: 1.2 } as const;
/** A reading that is none at all, such as a fill that never ends, in a system of which nothing is known. */
const chanceOfNone = 0.05;

/**
 * Log of the chance of what was read, where nothing is known of what is wrong: every reading about as far off as it can be, each for itself.
 * @param sound what a sound system would show, in the order of what was given
 */
export const logChanceOfAnything = (given: readonly Given[], sound: readonly Seen[]): number =>
  given.reduce((sum, { code, seen }, i) => {
    if (typeof seen === 'boolean') return sum + Math.log(0.5);
    const middle = Number(sound[i] ?? 0);
    if (seen === null || !(middle > 0)) return sum + Math.log(chanceOfNone);
    const half = readingKind(code).step / 2;
    const sd = inputs.has(code) ? spread.input : spread.other;
    const at = (value: number) => Math.log(Math.max(value, 1e-9) / middle) / sd;
    const low = seen <= half ? -Infinity : at(seen - half);
    return sum + logNormalBetween(low, at(seen + half));
  }, 0);
