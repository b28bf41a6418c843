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
