import { waterDensity } from '../water/waterDensity.ts';
import { waterViscosity } from '../water/waterViscosity.ts';
import { frictionFactor } from './frictionFactor.ts';

/** A run of tube. */
export interface Tube {
  innerDiameterMm: number;
  lengthM: number;
}

/** Roughness of drawn polyethylene tube, m. */
const roughnessM = 1.5e-6;

/** What a flow's friction needs of the water: density in kg/m3 and viscosity in Pa s. */
export interface FlowingWater {
  density: number;
  viscosity: number;
}

export const flowingWater = (temperatureC: number): FlowingWater => ({
  density: waterDensity(temperatureC),
  viscosity: waterViscosity(temperatureC),
});

/**
 * Friction loss in a run of tube.
 * @param flowLPerH L/h, 0 or more
 * @returns bar. Source: Darcy-Weisbach with Churchill's friction factor. Fittings are not included; they are counted as length.
 */
export const tubeLoss = (tube: Tube, flowLPerH: number, temperatureC: number): number =>
  frictionLoss(tube, flowLPerH, flowingWater(temperatureC));

/** The same, for many flows of one water. */
export function frictionLoss(
  { innerDiameterMm, lengthM }: Tube,
  flowLPerH: number,
  { density, viscosity }: FlowingWater,
): number {
  if (flowLPerH <= 0) return 0;
  const bore = innerDiameterMm / 1000;
  const speed = flowLPerH / 3.6e6 / ((Math.PI / 4) * bore * bore);
  const reynolds = (density * speed * bore) / viscosity;
  const factor = frictionFactor(reynolds, roughnessM / bore);
  return (factor * (lengthM / bore) * density * speed * speed) / 2 / 1e5;
}
