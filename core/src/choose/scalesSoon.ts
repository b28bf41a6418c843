import type { Assessment } from '../system/assessment.ts';
import { practiceLimits } from '../base/practice.ts';

/** Whether the concentrate scales an element early: supersaturated by more than a slow film, and hard enough to feed it. */
export const scalesSoon = ({ concentrateLsi, water }: Assessment): boolean =>
  concentrateLsi > practiceLimits.soonLsi && water.hardnessMgL > practiceLimits.hardMgL;
