import { flushTimes, washout } from '../../base/practice.ts';
import type { Outcome } from '../../base/outcome.ts';
import {
  type FeedWater,
  newMembrane,
  productSideOf,
  roSystemOf,
  shutoffOf,
  type SystemDesign,
  tapLineOf,
} from '../../system/design.ts';
import { type WashoutPlan, washoutPlan, type WashoutTask } from './washoutPlan.ts';

/** How a design is washed out in a water; `feedClosed` where its tank only empties with the feed closed. */
export interface WashedOut extends WashoutPlan {
  feedClosed: boolean;
}

/**
 * Washing a design out: by the kit's instruction as the floor and by what is left of the preservative, whichever is more. Strengths are
 * shares of the first product's.
 * @param sealed whether its cartridges are sealed, which then run longer at the open tap
 * @param tanks that the firm throws away at least; null for what is customary
 * Errors: those of `washoutPlan`.
 */
export function washedOut(
  design: SystemDesign,
  water: FeedWater,
  sealed: boolean,
  tanks: number | null,
): Outcome<WashedOut> {
  const { tank, postFilter, mineral } = design;
  const kitTanks = design.kit?.leastTankCycles;
  const task: WashoutTask = {
    ...roSystemOf(design, water, newMembrane),
    tapLine: tapLineOf(design),
    ...(tank && {
      tank: { volumeL: tank.volumeL, prechargeBar: tank.prechargeBar },
      shutoff: shutoffOf(design),
      productSide: productSideOf(design),
    }),
    preservative: { firstPermeateMgL: 1 },
    targetShare: washout.leftShare,
    leastCycles: Math.max(kitTanks ?? 0, tanks ?? kitTanks ?? washout.leastTankCycles),
    heelShare: washout.heelShare,
    trickleLPerMin: washout.trickleLPerMin,
    rinseMin: flushTimes.membraneRinse,
    leastMinutes: sealed ? flushTimes.sealedOpenTap : flushTimes.openTap,
    postStagesL: [
      ...(postFilter ? [washout.postFilterL] : []),
      ...(mineral ? [mineral.part.media.bedVolumeL * washout.bedVoids] : []),
    ],
  };
  const open = washoutPlan(task);
  if (open.ok) return { ok: true, value: { ...open.value, feedClosed: false } };
  if (open.failure.code !== 'tank-not-emptied') return open;
  const closed = washoutPlan({ ...task, drain: { feed: 'closed' } });
  return closed.ok ? { ok: true, value: { ...closed.value, feedClosed: true } } : closed;
}
