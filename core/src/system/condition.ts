import type { FeedSideTrouble } from './point/roSystem.ts';
import type { RoSystem } from './point/roSystem.ts';
import { type Ageing, newMembrane, type SystemDesign } from './design.ts';

/** How a design stands against what it was built as; a fault is put here. Factors multiply what the part's rating gives. */
export interface Condition extends FeedSideTrouble {
  ageing: Ageing;
  /** Drop of the pre-filters over new: a blocked one is many times it. */
  prefilterFactor: number;
  /** Boost of the pump: 0 where it does not run, and water passes it. */
  pumpFactor: number;
  /** Flow of the restrictor: 10 where it is missing, a tenth where it is blocked. */
  restrictorFactor: number;
  /** Drop of the post filter over new. */
  postFilterFactor: number;
  /** Air charge of the tank over what it was set to. */
  prechargeFactor: number;
}

/** As it was built, with an element as new. */
export const sound: Condition = {
  ageing: newMembrane,
  prefilterFactor: 1,
  pumpFactor: 1,
  restrictorFactor: 1,
  postFilterFactor: 1,
  prechargeFactor: 1,
};

/** The design's parts as they are in a condition, where that is a matter of a part alone. */
export function partsIn(design: SystemDesign, condition: Condition): SystemDesign {
  if (condition === sound) return design;
  const { prefilterFactor, pumpFactor, restrictorFactor, postFilterFactor, prechargeFactor } =
    condition;
  const { prefilters, pump, restrictor, postFilter, tank } = design;
  return {
    ...design,
    prefilters: prefilters.map((part) => ({
      ...part,
      filter: { ...part.filter, dropBar: part.filter.dropBar * prefilterFactor },
    })),
    pump: pump && {
      ...pump,
      pump: {
        ...pump.pump,
        curve: pump.pump.curve.map((at) => ({ ...at, boostBar: at.boostBar * pumpFactor })),
      },
    },
    restrictor: {
      ...restrictor,
      restrictor: {
        ...restrictor.restrictor,
        flowMlMin: restrictor.restrictor.flowMlMin * restrictorFactor,
      },
    },
    postFilter: postFilter && {
      ...postFilter,
      filter: { ...postFilter.filter, dropBar: postFilter.filter.dropBar * postFilterFactor },
    },
    tank: tank && { ...tank, prechargeBar: tank.prechargeBar * prechargeFactor },
  };
}

/** A feed side with what is wrong besides its parts. */
export const troubled = (system: RoSystem, { feedValveKv, leakMlMin }: Condition): RoSystem =>
  feedValveKv === undefined && leakMlMin === undefined
    ? system
    : { ...system, trouble: { feedValveKv, leakMlMin } };
