import { lampFeedOf, type Survey } from '@katharos/job';
import {
  type Ageing,
  type FeedWater,
  type InstalledSystem,
  isUltravioletLine,
  type UltravioletLine,
  ultravioletWaterline,
  waterline,
  type WaterlineState,
} from '@katharos/core';
import { remembered } from '../open/remembered.ts';
import { useDocument } from '../open/useJob.ts';

const solvedLine = remembered(waterline);
const solvedLamp = remembered(
  (line: UltravioletLine, water: FeedWater, survey: Survey, state: WaterlineState) =>
    ultravioletWaterline(line, water, lampFeedOf(survey, water.hardnessMgL), state),
);

/** The job's system in a water and a state, as new or as aged; null while there is no system or no water. */
export function useSolvedLine(
  design: InstalledSystem | null,
  water: FeedWater | null,
  state: WaterlineState,
  ageing?: Ageing,
) {
  const { survey } = useDocument();
  if (!design || !water) return null;
  return isUltravioletLine(design)
    ? solvedLamp(design, water, survey, state)
    : solvedLine(design, water, state, ageing);
}
