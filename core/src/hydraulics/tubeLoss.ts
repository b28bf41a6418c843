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

/**
 * Friction loss in a run of tube.
 * @param flowLPerH L/h, 0 or more
 * @returns bar. Source: Darcy-Weisbach with Churchill's friction factor. Fittings are not included; they are counted as length.
 */
export function tubeLoss(tube: Tube, flowLPerH: number, temperatureC: number): number {
  if (flowLPerH <= 0) return 0;
  const bore = tube.innerDiameterMm / 1000;
  const density = waterDensity(temperatureC);
  const speed = flowLPerH / 3.6e6 / ((Math.PI / 4) * bore * bore);
  const reynolds = (density * speed * bore) / waterViscosity(temperatureC);
  const factor = frictionFactor(reynolds, roughnessM / bore);
  return (factor * (tube.lengthM / bore) * density * speed * speed) / 2 / 1e5;
}
