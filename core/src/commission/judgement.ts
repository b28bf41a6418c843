import type { Diagnosis } from './diagnosis/diagnose.ts';
import type { FaultCode } from './diagnosis/fault.ts';
import { type Suspect, suspectsOf } from './diagnosis/suspect.ts';

/** What all that was read comes to. The only probabilities that are shown, on screen and on paper. */
export interface Judgement {
  /** How likely it is that nothing is wrong, of all that these readings can tell of. */
  sound: number;
  /** The likeliest of what may be wrong instead, by the same measure; null where nothing can be told. */
  leading: Suspect | null;
  /** All that these readings can tell of, the likeliest first; their sum is 1. */
  told: Suspect[];
  /** What these readings tell nothing of. */
  untold: FaultCode[];
}

const isSound = ({ faults }: Suspect): boolean => faults[0] === 'healthy';

/**
 * Whether a system is sound, as far as its readings can tell. A fault that they could not show is not held against it; it is named, and
 * stays open.
 */
export function judgementOf({
  causes,
  beyond,
  untold,
}: Pick<Diagnosis, 'causes' | 'beyond' | 'untold'>): Judgement {
  const isTold = ({ faults }: Suspect) => !faults.some((fault) => untold.includes(fault));
  const among = suspectsOf({ causes, beyond }).filter(isTold);
  const whole = among.reduce((sum, { probability }) => sum + probability, 0);
  const told = among.map(({ faults, probability }) => ({
    faults,
    probability: probability / whole,
  }));
  return {
    sound: told.find(isSound)?.probability ?? 0,
    leading: told.find((one) => !isSound(one)) ?? null,
    told,
    untold: [...untold],
  };
}
