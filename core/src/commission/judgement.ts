import type { Diagnosis } from './diagnosis/diagnose.ts';
import type { FaultCode } from './diagnosis/fault.ts';
import { type Suspect, suspectsOf } from './diagnosis/suspect.ts';

/** What all that was read comes to. */
export interface Judgement {
  /** How likely it is that nothing is wrong, of all that these readings can tell of. */
  sound: number;
  /** The likeliest of what may be wrong instead, by the same measure; null where nothing can be told. */
  leading: Suspect | null;
  /** What these readings tell nothing of. */
  untold: FaultCode[];
}

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
  const told = suspectsOf({ causes, beyond }).filter(isTold);
  const whole = told.reduce((sum, { probability }) => sum + probability, 0);
  const isSound = ({ faults }: Suspect) => faults[0] === 'healthy';
  const share = (one: Suspect | undefined) => (one?.probability ?? 0) / whole;
  const first = told.find((one) => !isSound(one));
  return {
    sound: share(told.find(isSound)),
    leading: first ? { faults: first.faults, probability: share(first) } : null,
    untold: [...untold],
  };
}
