import type { Assessment } from './assess.ts';
import { practiceLimits } from './requirements.ts';

/** Saturation index of the concentrate from which calcite grows on an element in months, not years. Default. */
const soonLsi = 0.5;

/** Whether the concentrate scales an element early: supersaturated by more than a slow film, and hard enough to feed it. */
export const scalesSoon = ({ concentrateLsi, water }: Assessment): boolean =>
  concentrateLsi > soonLsi && water.hardnessMgL > practiceLimits.hardMgL;
