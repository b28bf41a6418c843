import { judged } from '../base/practice.ts';
import type { Diagnosis, RankedFault } from './diagnosis/diagnose.ts';
import { type FaultCode, faultKind } from './diagnosis/fault.ts';

/** What all that was read comes to. */
export interface Judgement {
  /** How likely it is that nothing is wrong, of all that these readings can tell of. */
  sound: number;
  /** The likeliest of what may be wrong instead, by the same measure; null where nothing can be told. */
  leading: RankedFault | null;
  /** What these readings tell nothing of: it is as likely as it was before anything was read. */
  untold: FaultCode[];
}

/**
 * Whether a system is sound, as far as its readings can tell. A fault to which the readings say neither yes nor no is not held against
 * it; it is named, and stays open.
 * @param weights how common each fault is, as the diagnosis was given them
 */
export function judgementOf(
  { causes }: Pick<Diagnosis, 'causes'>,
  weights: Partial<Record<FaultCode, number>> = {},
): Judgement {
  const perWeight = ({ fault, probability }: RankedFault) =>
    probability / (weights[fault] ?? faultKind(fault).weight);
  const healthy = causes.find(({ fault }) => fault === 'healthy')!;
  const isUntold = (cause: RankedFault): boolean => {
    const ratio = perWeight(cause) / perWeight(healthy);
    return ratio > 1 / judged.untoldTimes && ratio < judged.untoldTimes;
  };
  const faults = causes.filter(({ fault }) => fault !== 'healthy');
  const told = faults.filter((cause) => !isUntold(cause));
  const whole = healthy.probability + told.reduce((sum, { probability }) => sum + probability, 0);
  const [first] = told;
  return {
    sound: healthy.probability / whole,
    leading: first ? { fault: first.fault, probability: first.probability / whole } : null,
    untold: faults.filter(isUntold).map(({ fault }) => fault),
  };
}
