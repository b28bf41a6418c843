import { practiceLimits } from '../../base/practice.ts';
import type { SizingWaters, FeedWater } from '../../system/design.ts';
import type { DecisionTopic } from './decision.ts';
import { decideRegulator } from './driveDecisions.ts';

/** What was decided that changes not the design but the water ahead of it or the parts around it. */
export interface SupplySettings {
  /** Pressure at which a regulator holds the supply, bar; null without one. */
  regulatorBar: number | null;
  softener: boolean;
  /** A scale inhibitor stands ahead of the unit. */
  inhibitor: boolean;
  leakStop: boolean;
}

/** Pressures at which regulators are set: the strict school's, and just under the other's limit, bar. */
export const regulatorSettings = { strict: 4.1, wide: 5.5 } as const;

/** Options that were chosen against the proposal, by topic. */
export type Overruled = Partial<Record<DecisionTopic, string>>;

/** The settings that follow from the survey, and from what a person decided instead. */
export function supplySettings(
  highestSupplyBar: number,
  overruled: Overruled = {},
): SupplySettings {
  const needed = decideRegulator(highestSupplyBar).choice === 'yes';
  const regulator = overruled.regulator ?? (needed ? 'strict' : 'none');
  return {
    regulatorBar:
      regulator === 'strict' || regulator === 'wide' ? regulatorSettings[regulator] : null,
    softener: overruled.scaling === 'soften',
    inhibitor: overruled.scaling === 'inhibit',
    leakStop: overruled['leak-stop'] !== 'none',
  };
}

/**
 * The waters behind regulator and softener. A softener exchanges calcium for sodium in equal charge: hardness falls, dissolved solids
 * rise by 2 x 22.99 - 40.08 mg per 100.09 mg of hardness, alkalinity and pH stay.
 */
export function treatedWaters(waters: SizingWaters, settings: SupplySettings): SizingWaters {
  const { regulatorBar, softener } = settings;
  const treat = (water: FeedWater): FeedWater => {
    const hardnessMgL = softener
      ? Math.min(water.hardnessMgL, practiceLimits.softenedMgL)
      : water.hardnessMgL;
    const exchanged = water.hardnessMgL - hardnessMgL;
    return {
      ...water,
      hardnessMgL,
      tdsMgL: water.tdsMgL + (exchanged * (2 * 22.99 - 40.08)) / 100.09,
      pressureBar: Math.min(water.pressureBar, regulatorBar ?? Infinity),
    };
  };
  const { today, worst, warm, disinfectant } = waters;
  return { today: treat(today), worst: treat(worst), warm: treat(warm), disinfectant };
}
