import { wear } from '../../base/practice.ts';
import { type Outcome, succeed } from '../../base/outcome.ts';
import type { History } from './history.ts';
import { loadings } from './membranePressure.ts';
import { weighHistory } from './weighHistory.ts';

/** How fast a system's pre-filters load, by all that its visits read. */
export interface PrefilterLoading {
  /** Months from new until the drop is at the end of a life (twice that of a new one): the median; null where it is not reached. */
  doublesAfterMonths: number | null;
  /** How much the visits told beyond what is usual: 0 for nothing, 1 where one rate alone is left. */
  told: number;
}

/** Grows as `1 + c (months/6)^1.5`; see `loadings`. */
const monthsUntil = (factor: number, c: number): number => 6 * ((factor - 1) / c) ** (2 / 3);

/**
 * Errors: those of `trend`. Source: the same reduction, which weighs six rates of loading by supply, drain flow and gauge.
 * Validity: cartridges of one row as one; what loads is taken to be the sediment filter.
 */
export function prefilterLoading(history: History): Outcome<PrefilterLoading> {
  const weighed = weighHistory(history);
  if (!weighed.ok) return weighed;
  const { loading } = weighed.value;
  const shareOf = (c: number) => loading.find((one) => one.c === c)?.share ?? 0;
  // The quicker first: the median of the time is where half of the weight is past.
  let sum = 0;
  let median = 0;
  for (const { c } of [...loadings].sort((a, b) => b.c - a.c)) {
    sum += shareOf(c);
    median = c;
    if (sum >= 0.5) break;
  }
  const entropy = (shares: readonly number[]): number =>
    shares.reduce((bits, share) => (share > 0 ? bits - share * Math.log2(share) : bits), 0);
  const before = entropy(loadings.map(({ share }) => share));
  return succeed({
    doublesAfterMonths: median > 0 ? monthsUntil(wear.prefilterEndFactor, median) : null,
    told: Math.max(1 - entropy(loading.map(({ share }) => share)) / before, 0),
  });
}
