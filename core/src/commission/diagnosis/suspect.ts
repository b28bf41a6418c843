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

/** All that may be, the likeliest first; their sum is 1. */
export function suspectsOf({
  causes,
  beyond,
}: {
  causes: readonly RankedFault[];
  beyond: Beyond | null;
}): Suspect[] {
  const { pairs, none } = beyond ?? { pairs: [], none: 0 };
  const single = 1 - none - pairs.reduce((sum, { probability }) => sum + probability, 0);
  return [
    ...causes.map(({ fault, probability }) => ({
      faults: [fault],
      probability: probability * single,
    })),
    ...pairs,
    ...(beyond ? [{ faults: [], probability: none }] : []),
  ].sort((a, b) => b.probability - a.probability);
}
