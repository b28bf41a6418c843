import { wear } from '../../base/practice.ts';
import { type Outcome, succeed } from '../../base/outcome.ts';
import type { History } from './history.ts';
import { weighHistory } from './weighHistory.ts';

/** So sure has it to be that a drop is doubled before a filter is due by it. What is usual alone comes to 0.76 and so says nothing. */
const sureEnough = 0.8;

/** Grows as `1 + c (months/6)^1.5`; see `loadings`. */
const monthsUntil = (factor: number, c: number): number => 6 * ((factor - 1) / c) ** (2 / 3);

/**
 * Months from new after which pre-filters have, with four chances in five, twice the drop of new ones; null where visits do not tell of it,
 * or tell that they stay open.
 * Errors: those of `trend`. Source: the same reduction, which weighs six rates of loading by supply, drain flow and gauge.
 * Validity: cartridges of one row as one; what loads is taken to be the sediment filter.
 */
export function dropDoubledAfter(history: History): Outcome<number | null> {
  const weighed = weighHistory(history);
  if (!weighed.ok) return weighed;
  let sum = 0;
  for (const { c, share } of [...weighed.value.loading].sort((a, b) => b.c - a.c)) {
    sum += share;
    if (c > 0 && sum >= sureEnough) return succeed(monthsUntil(wear.prefilterEndFactor, c));
  }
  return succeed(null);
}
