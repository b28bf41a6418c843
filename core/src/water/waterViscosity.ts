import { zeroCelsiusK } from './osmoticPressure.ts';

/**
 * Dynamic viscosity of water.
 * @param temperatureC degrees C, 0 to 100 (within 2.5 %)
 * @returns Pa s. Source: Vogel form, `2.414e-5 * 10^(247.8/(TK - 140))`.
 */
export function waterViscosity(temperatureC: number): number {
  return 2.414e-5 * 10 ** (247.8 / (temperatureC + zeroCelsiusK - 140));
}

/** Viscosity relative to 25 C, where parts are rated. */
export function viscosityRatio(temperatureC: number): number {
  return waterViscosity(temperatureC) / waterViscosity(25);
}
