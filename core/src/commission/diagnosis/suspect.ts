import type { FaultCode } from './fault.ts';

export interface RankedFault {
  fault: FaultCode;
  probability: number;
}

/** Two faults at once. */
export interface RankedPair {
  faults: readonly [FaultCode, FaultCode];
  probability: number;
}

/** What lies beyond a single fault of the list, as shares of all that may be. */
export interface Beyond {
  pairs: RankedPair[];
  none: number;
}

/** What may be behind the readings: a fault, two at once, or with no fault named none of these. */
export interface Suspect {
  faults: readonly FaultCode[];
  probability: number;
}

/** How likely it is that it is a single fault of the list, or nothing. */
export const shareOfSingles = (beyond: Beyond | null): number =>
  beyond
    ? 1 - beyond.none - beyond.pairs.reduce((sum, { probability }) => sum + probability, 0)
    : 1;

/** All that may be, the likeliest first; their sum is 1. */
export function suspectsOf({
  causes,
  beyond,
}: {
  causes: readonly RankedFault[];
  beyond: Beyond | null;
}): Suspect[] {
  const single = shareOfSingles(beyond);
  return [
    ...causes.map(({ fault, probability }) => ({
      faults: [fault],
      probability: probability * single,
    })),
    ...(beyond?.pairs ?? []),
    ...(beyond ? [{ faults: [], probability: beyond.none }] : []),
  ].sort((a, b) => b.probability - a.probability);
}
