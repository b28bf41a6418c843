import { type Branch, branchPressure } from '../hydraulics/branchPressure.ts';
import { tankPressure } from '../tank/bladderTank.ts';
import type { Assessment } from './assessment.ts';
import type { SystemDesign } from './design.ts';

/** Pressure that reaches a branch while it draws, bar: from a full tank, and from one half drawn. */
export interface BranchReach {
  fullBar: number;
  drawnBar: number;
}

/** What a branch gets in the worst case, bar. Nought without a tank, in which no pressure stands by. */
export function branchReach(
  { tank, postFilter }: Pick<SystemDesign, 'tank' | 'postFilter'>,
  branch: Branch,
  worst: Assessment | null,
): BranchReach {
  const { fill = null, water, usableVolumeL = 0 } = worst ?? {};
  const restingBar = fill ? (fill.shutsOff ? fill.shutoffPressureBar : fill.stallPressureBar) : 0;
  const temperatureC = water?.temperatureC ?? 10;
  const at = (sourceBar: number) =>
    branchPressure(branch, postFilter?.filter, sourceBar, temperatureC);
  return {
    fullBar: at(restingBar),
    drawnBar: at(tank && worst ? tankPressure(tank, usableVolumeL / 2) : 0),
  };
}

/** Whether a branch would never see the pressure it wants, not even from a full tank: then it is not laid. */
export const isBranchRefused = (
  design: Pick<SystemDesign, 'tank' | 'postFilter'>,
  branch: Branch,
  worst: Assessment | null,
): boolean => design.tank !== null && branchReach(design, branch, worst).fullBar < branch.neededBar;
