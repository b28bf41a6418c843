import {
  type Ageing,
  type DaysInTheHouse,
  type FeedWater,
  type Household,
  liveSampledDays,
  type Outcome,
  succeed,
  supplyOf,
  type SystemDesign,
} from '@katharos/core';
import { expose } from 'comlink';

export interface LivedDays extends DaysInTheHouse {
  /** Usable water of the full tank, and level at which production starts again, L; null without a tank. */
  tank: { fullL: number; reopenL: number } | null;
}

/** Eight weeks of a household, off the interface's thread. */
const days = {
  live: (
    design: SystemDesign,
    water: FeedWater,
    ageing: Ageing,
    household: Household,
  ): Outcome<LivedDays> => {
    const supply = supplyOf(design, water, ageing);
    if (!supply.ok) return supply;
    const { value } = supply;
    return succeed({
      ...liveSampledDays(value, household),
      tank: value.kind === 'tank' ? { fullL: value.fullL, reopenL: value.reopenL } : null,
    });
  },
};
export type DaysWorker = typeof days;
expose(days);
