import type { Outcome } from '../base/outcome.ts';
import type { Assessment } from './assessment.ts';
import { assess } from './assess.ts';
import {
  type SizingWaters,
  type Ageing,
  agedMembrane,
  newMembrane,
  type SystemDesign,
} from './design.ts';
import { Solutions } from './solutions.ts';

/** What a design is looked at in, from kind to hard. */
export const conditionKeys = [
  'as-measured',
  'cold-and-low',
  'aged',
  'all-three',
  'warm-and-high',
] as const;
export type ConditionKey = (typeof conditionKeys)[number];

/** A design as measured; in the coldest water at the lowest pressure; with an aged membrane; with all three together; and in the warmest water at the highest pressure. */
export function assessConditions(
  design: SystemDesign,
  { today, worst, warm }: SizingWaters,
  aged: Ageing = agedMembrane,
  solutions = new Solutions(),
): Record<ConditionKey, Outcome<Assessment>> {
  return {
    'as-measured': assess(design, today, newMembrane, solutions),
    'cold-and-low': assess(design, worst, newMembrane, solutions),
    aged: assess(design, today, aged, solutions),
    'all-three': assess(design, worst, aged, solutions),
    'warm-and-high': assess(design, warm, newMembrane, solutions),
  };
}
