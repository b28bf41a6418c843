import type { Outcome } from '../outcome.ts';
import { assess, type Assessment } from './assess.ts';
import type { SizingWaters } from './requirements.ts';
import { agedMembrane, newMembrane, type SystemDesign } from './systemDesign.ts';

/** What a design is looked at in, from kind to hard. */
export const conditionKeys = ['as-measured', 'cold-and-low', 'aged', 'all-three'] as const;
export type ConditionKey = (typeof conditionKeys)[number];

/** A design as measured; in the coldest water at the lowest pressure; with an aged membrane; with all three together. */
export function assessConditions(
  design: SystemDesign,
  { today, worst }: SizingWaters,
): Record<ConditionKey, Outcome<Assessment>> {
  return {
    'as-measured': assess(design, today, newMembrane),
    'cold-and-low': assess(design, worst, newMembrane),
    aged: assess(design, today, agedMembrane),
    'all-three': assess(design, worst, agedMembrane),
  };
}
