import { lampFeedOf } from '@katharos/job';
import {
  type Ageing,
  type FeedWater,
  type InstalledSystem,
  isUltravioletLine,
  ultravioletWaterline,
  waterline,
  type WaterlineState,
} from '@katharos/core';
import { useMemo } from 'react';
import { useDocument } from '../open/useJob.ts';

/** The job's system in a water and a state, as new or as aged; null while there is no system or no water. */
export function useSolvedLine(
  design: InstalledSystem | null,
  water: FeedWater | null,
  state: WaterlineState,
  ageing?: Ageing,
) {
  const { survey } = useDocument();
  return useMemo(() => {
    if (!design || !water) return null;
    return isUltravioletLine(design)
      ? ultravioletWaterline(design, water, lampFeedOf(survey, water.hardnessMgL), state)
      : waterline(design, water, state, ageing);
  }, [design, water, survey, state, ageing]);
}
