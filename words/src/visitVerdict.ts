import { type AcceptanceLimits, limitsFound, type Verdict } from '@katharos/core';
import type { Reader } from './reader.ts';
import { limitSentence, verdictSentences } from './verdict.ts';

/**
 * The verdict after a visit: the firm's limits, and beside a new membrane what it should do. An aged one is held against its own years,
 * which the trend tells.
 */
export const visitVerdictSentences = (
  verdict: Verdict,
  limits: AcceptanceLimits,
  isNew: boolean,
  reader: Reader,
): string[] => [
  ...(isNew
    ? verdictSentences(verdict, reader)
    : [`Rejection is ${reader.percent(verdict.rejection.measured, 1)}.`]),
  ...limitsFound(verdict, limits).map((limit) => limitSentence(limit, reader)),
];
