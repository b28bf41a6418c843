import { lifeMonths } from '../../base/practice.ts';
import { type FaultCode, faultCodes, faultKind } from './fault.ts';

/** What a firm found at the end of its visits: how often each was what was mended, and how often nothing was wrong. */
export type Found = Partial<Record<FaultCode, number>>;

/** Share of all visits, by what is found at them. */
export type Odds = Partial<Record<FaultCode, number>>;

/** Visits of its own after which a firm's findings count as much as what is usual: a default of practice. */
const countsAsMuchAfter = 40;

const always = faultCodes.filter((fault) => !faultKind(fault).onlyAsked);
const whole = always.reduce((sum, fault) => sum + faultKind(fault).weight, 0);

/** How often each is found, where nobody knows better. */
export const usualOdds = (fault: FaultCode): number => faultKind(fault).weight / whole;

/**
 * How often each is found by a firm: what is usual, and its own findings, weighed by how many they are.
 * Source: the mean of a Dirichlet distribution about what is usual.
 */
export function learnedOdds(found: Found): Record<FaultCode, number> {
  const visits = always.reduce((sum, fault) => sum + (found[fault] ?? 0), 0);
  return Object.fromEntries(
    faultCodes.map((fault) => [
      fault,
      (countsAsMuchAfter * usualOdds(fault) + (found[fault] ?? 0)) / (countsAsMuchAfter + visits),
    ]),
  ) as Record<FaultCode, number>;
}

/** Odds as weights of the faults; what a firm says nothing of stands at what is usual. */
export const weightsOf = (odds: Odds): Odds =>
  Object.fromEntries(Object.entries(odds).map(([fault, share]) => [fault, share * whole]));

/** Faults that a part only comes to by its years, with its customary life in months. */
const wornAfterMonths: Partial<Record<FaultCode, number>> = {
  'prefilter-blocked': lifeMonths.sediment,
  'carbon-spent': lifeMonths.carbon,
  'post-filter-blocked': lifeMonths.postFilter,
  'membrane-oxidised': lifeMonths.membrane,
  'membrane-scaled': lifeMonths.membrane,
  'membrane-old': lifeMonths.membrane,
};

/** Of a part that was fitted today this much of the usual weight is left: it may be wrong from the start, or was not new. */
const leastWeight = 0.02;

/**
 * Weights that know how old the parts are: what wears weighs as much as usual from half of its life on, and next to nothing on the day it
 * was fitted.
 * @param ageMonths by fault, of the part that it is about; @param odds of the firm, as weights
 */
export function agedWeights(
  ageMonths: (fault: FaultCode) => number,
  odds: Odds = {},
): Record<FaultCode, number> {
  return Object.fromEntries(
    faultCodes.map((fault) => {
      const weight = odds[fault] ?? faultKind(fault).weight;
      const life = wornAfterMonths[fault];
      const share = life === undefined ? 1 : (2 * ageMonths(fault)) / life;
      return [fault, weight * Math.min(Math.max(share, leastWeight), 1)];
    }),
  ) as Record<FaultCode, number>;
}
