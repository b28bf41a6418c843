import { sanitised } from '../../base/practice.ts';
import { tubesVolume } from './tubesVolume.ts';
import type { Tube } from '../../hydraulics/tubeLoss.ts';
import { ChainSolver } from './stirredChain.ts';

/** Sanitising with bleach, cartridges and membrane out. */
export interface Sanitising {
  /** Housings and other stirred volumes in the order of the flow, L. */
  stagesL: readonly number[];
  tubes?: readonly Tube[];
  /** Free chlorine that is aimed at, mg/L. */
  doseMgL?: number;
  /** Available chlorine of the bleach, g/L. */
  bleachGPerL?: number;
  contactMin?: number;
  /** How fast free chlorine is used up, 1/h. */
  decayPerH?: number;
  /** Free chlorine of the mains, mg/L. */
  feedChlorineMgL?: number;
  /** Above the mains' own, what a strip no longer shows, mg/L. */
  residualMgL?: number;
  rinseFlowLPerMin: number;
}

/**
 * A customary strength for drinking-water fittings; household bleach of about 5 % available chlorine. The label of the product comes first.
 */
export const usualSanitising = {
  doseMgL: sanitised.doseMgL as number,
  bleachGPerL: 50,
  contactMin: sanitised.contactMin as number,
  decayPerH: 0,
  feedChlorineMgL: 0,
  residualMgL: 0.1,
};

export interface SanitisingPlan {
  wettedVolumeL: number;
  bleachMl: number;
  endOfContactMgL: number;
  exposureMgMinPerL: number;
  rinseVolumeL: number;
  rinseTimeMin: number;
}

/**
 * What goes in, how long it acts, and how much water takes it out again: until the outlet stands at the residual above what the mains
 * have themselves. Free chlorine falls as `exp(-k t)`; the stages are stirred, the tubes are not.
 * Units: L, mL, mg/L, min.
 */
export function sanitisingPlan(given: Sanitising): SanitisingPlan {
  const { stagesL, tubes = [], rinseFlowLPerMin, ...rest } = given;
  const { doseMgL, bleachGPerL, contactMin, decayPerH, feedChlorineMgL, residualMgL } = {
    ...usualSanitising,
    ...rest,
  };
  const tubesL = tubesVolume(tubes);
  const wettedVolumeL = stagesL.reduce((sum, volumeL) => sum + volumeL, tubesL);
  const decay = decayPerH / 60;
  const spent = -Math.expm1(-decay * contactMin);
  const endOfContactMgL = doseMgL * (1 - spent);
  const excess = endOfContactMgL - feedChlorineMgL;
  const rinseVolumeL =
    excess <= residualMgL
      ? 0
      : tubesL +
        new ChainSolver({
          volumesL: stagesL,
          startsAt: stagesL.map(() => excess),
          inflow: [],
        }).lastAbove(residualMgL);
  return {
    wettedVolumeL,
    bleachMl: (doseMgL * wettedVolumeL) / bleachGPerL,
    endOfContactMgL,
    exposureMgMinPerL: doseMgL * (decay > 0 ? spent / decay : contactMin),
    rinseVolumeL,
    rinseTimeMin: rinseVolumeL / rinseFlowLPerMin,
  };
}
