import { firstOutOfRange } from '../base/guard.ts';
import { limits } from '../base/limits.ts';
import { viscosityRatio } from '../water/waterViscosity.ts';

/** A filter's pressure drop at one flow, at 25 C. */
export interface FilterDrop {
  dropBar: number;
  atFlowLPerH: number;
}

/**
 * Hydraulic resistance of a filter: the drop is linear in flow and in viscosity, as in any packed bed at these speeds (Darcy).
 * @returns bar per L/h at the water's temperature
 */
export function filterResistance(filter: FilterDrop | undefined, temperatureC: number): number {
  return filter ? (filter.dropBar / filter.atFlowLPerH) * viscosityRatio(temperatureC) : 0;
}

/** Refuses a filter whose rating is not physical. */
export function refuseFilter(path: string, filter: FilterDrop) {
  return firstOutOfRange([
    [`${path}.dropBar`, filter.dropBar, limits.dropBar],
    [`${path}.atFlowLPerH`, filter.atFlowLPerH, limits.flowLPerH],
  ]);
}
