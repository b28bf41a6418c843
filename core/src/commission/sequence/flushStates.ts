import {
  type InstalledSystem,
  isAddedLamp,
  isUltravioletLine,
} from '../../system/ultravioletLine.ts';
import type { FlushFacts } from '../flush/flushPlan.ts';
import type { FlushStep } from '../flush/flushStep.ts';
import { type Effect, flushEffects } from './effects.ts';
import { before, missing, type Simple, type SiteState, type Valve } from './siteState.ts';

/** How far water has come: nothing beyond is wet yet. */
export type WaterReach = 'house' | 'feed-side' | 'product' | 'tank';

/** How valves, plugs and water stand while a step of the flush is done. */
export interface FlushState extends Simple {
  reach: WaterReach;
}

/** A site as the work leaves it and the flush finds it. */
export const workDone = (
  system: InstalledSystem,
  { hotSide }: Pick<FlushFacts, 'hotSide'>,
): SiteState => {
  const without = missing(system);
  const closed = (key: keyof Simple): Valve => (without.has(key) ? 'open' : 'closed');
  return {
    ...before(system),
    house: closed('house'),
    hotSide: hotSide ? 'closed' : 'open',
    feed: 'closed',
    tank: closed('tank'),
    branches: closed('branches'),
  };
};

/**
 * How everything stands while each step is done, step by step: which valves are open, what is plugged in, and how far water has come.
 */
export function flushStates(
  system: InstalledSystem,
  flush: readonly FlushStep[],
  facts: Pick<FlushFacts, 'hotSide'>,
): FlushState[] {
  let state: Simple = workDone(system, facts);
  const reaches: WaterReach[] = ['house', 'feed-side', 'product', 'tank'];
  // Water that stood in a system that is there stays in it.
  let reach: WaterReach = isAddedLamp(system) ? 'feed-side' : 'house';
  let shut = isUltravioletLine(system) ? 0 : system.branches.length;
  return flush.map((step) => {
    const effect = flushEffects[step.code] as (data: FlushStep['data']) => Effect;
    const { during, leaves = {} } = effect(step.data);
    const now: Simple = { ...state, ...leaves, ...during };
    const furthest = reaches.indexOf(reachOf(system, now));
    if (furthest > reaches.indexOf(reach)) reach = reaches[furthest]!;
    state = { ...state, ...leaves };
    if (step.code === 'open-branch' && (shut -= 1) === 0) state = { ...state, branches: 'open' };
    return { ...now, branches: state.branches, reach };
  });
}

/** Where water gets to as everything stands. */
function reachOf(
  system: InstalledSystem,
  { house, feed, bucketTube, membrane, tank }: Simple,
): WaterReach {
  if (house === 'closed' || feed === 'closed') return 'house';
  if (bucketTube === 'off' || membrane === 'out') return 'feed-side';
  const hasTank = !isUltravioletLine(system) && system.tank !== null;
  return hasTank && tank === 'open' ? 'tank' : 'product';
}
