import { closesHot } from '../../plumbing/order/houseSteps.ts';
import type { WorkFacts } from '../../plumbing/order/workFacts.ts';
import { type InstalledSystem, isAddedLamp } from '../../system/ultravioletLine.ts';
import type { Tube } from '../../hydraulics/tubeLoss.ts';
import { type FlushFacts, type FlushWays, usualFlushWays } from '../flush/flushPlan.ts';

/** What a flush is told beside system and plumbing. */
export type FlushCircumstances = Pick<
  FlushFacts,
  'regulatorBar' | 'disinfectant' | 'sanitise' | 'germsFound' | 'visits'
> & {
  ways: FlushWays;
};

/** Whether a mixer's hot side is closed with the cold while the feed is joined. */
export const hotSideOf = (system: InstalledSystem, feed: WorkFacts['feed']): boolean =>
  !isAddedLamp(system) && closesHot(system, feed);

const plainCircumstances: FlushCircumstances = {
  regulatorBar: null,
  disinfectant: null,
  sanitise: false,
  ways: usualFlushWays,
};

/** What a flush needs to know of a plumbing. */
export function flushFactsOf(
  system: InstalledSystem,
  { feed, tubes }: Pick<WorkFacts, 'feed' | 'tubes'>,
  circumstances: FlushCircumstances = plainCircumstances,
): FlushFacts {
  const last = `prefilter-${system.prefilters.length}`;
  return {
    ...circumstances,
    hotSide: hotSideOf(system, feed),
    bucketTube: tubes.find(({ from }) => from === last)?.label ?? null,
    regulatorBar: isAddedLamp(system) ? null : circumstances.regulatorBar,
    feedTubes: tubes
      .filter((tube) => tube.function === 'feed')
      .map(({ boreMm, takenM }): Tube => ({ innerDiameterMm: boreMm, lengthM: takenM })),
  };
}
