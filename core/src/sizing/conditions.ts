import type { Outcome } from '../outcome.ts';
import { assess, type Assessment } from './assess.ts';
import type { SizingWaters } from './requirements.ts';
import { Solutions } from './solutions.ts';
import { type Ageing, agedMembrane, newMembrane, type SystemDesign } from './systemDesign.ts';

/** What a design is looked at in, from kind to hard. */
export const conditionKeys = ['as-measured', 'cold-and-low', 'aged', 'all-three'] as const;
export type ConditionKey = (typeof conditionKeys)[number];

/** A design as measured; in the coldest water at the lowest pressure; with an aged membrane; with all three together. */
export function assessConditions(
  design: SystemDesign,
  { today, worst }: SizingWaters,
  aged: Ageing = agedMembrane,
  solutions = new Solutions(),
): Record<ConditionKey, Outcome<Assessment>> {
  return {
    'as-measured': assess(design, today, newMembrane, solutions),
    'cold-and-low': assess(design, worst, newMembrane, solutions),
    aged: assess(design, today, aged, solutions),
    'all-three': assess(design, worst, aged, solutions),
  };
}
