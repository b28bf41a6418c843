import { filterResistance, type FilterDrop } from './prefilterDrop.ts';
import { risePressure } from '../water/waterDensity.ts';
import { tubeLoss } from './tubeLoss.ts';

/** A branch of the product line to a machine that opens its own valve, such as a refrigerator. */
export interface Branch {
  innerDiameterMm: number;
  lengthM: number;
  /** Height of its inlet above the tank's connection, m. */
  riseM: number;
  /** Pressure that the machine wants at its inlet while it draws, bar, and the flow it draws then, L/min. */
  neededBar: number;
  flowLPerMin: number;
}

/**
 * Pressure at the far end of a branch while its machine draws, bar gauge; below 0 where the source cannot feed it.
 * @param sourceBar at the tank, or at the product port of a tankless unit
 * Source: as the tap line, Darcy-Weisbach with Churchill's friction factor.
 */
export function branchPressure(
  branch: Branch,
  postFilter: FilterDrop | undefined,
  sourceBar: number,
  temperatureC: number,
): number {
  const flowLPerH = branch.flowLPerMin * 60;
  return (
    sourceBar -
    filterResistance(postFilter, temperatureC) * flowLPerH -
    tubeLoss(branch, flowLPerH, temperatureC) -
    risePressure(branch.riseM, temperatureC)
  );
}
