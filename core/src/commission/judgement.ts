import type { Diagnosis, RankedFault } from './diagnosis/diagnose.ts';
import type { FaultCode } from './diagnosis/fault.ts';

/** What all that was read comes to. */
export interface Judgement {
  /** How likely it is that nothing is wrong, of all that these readings can tell of. */
  sound: number;
  /** The likeliest of what may be wrong instead, by the same measure; null where nothing can be told. */
  leading: RankedFault | null;
  /** What these readings tell nothing of. */
  untold: FaultCode[];
}

/**
 * Whether a system is sound, as far as its readings can tell. A fault that they could not show is not held against it; it is named, and
 * stays open.
 */
export function judgementOf({ causes, untold }: Pick<Diagnosis, 'causes' | 'untold'>): Judgement {
  const told = causes.filter(({ fault }) => !untold.includes(fault));
  const whole = told.reduce((sum, { probability }) => sum + probability, 0);
  const share = (one: RankedFault | undefined) => (one?.probability ?? 0) / whole;
  const first = told.find(({ fault }) => fault !== 'healthy');
  return {
    sound: share(told.find(({ fault }) => fault === 'healthy')),
    leading: first ? { fault: first.fault, probability: share(first) } : null,
    untold: [...untold],
  };
}
