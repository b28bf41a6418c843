import { zeroCelsiusK } from '../water/osmoticPressure.ts';

/**
 * Temperature correction of a thin-film membrane's water and salt permeability, 1 at 25 C.
 * @param temperatureC degrees C, 0 to 45
 * @returns `exp(K (1/298.15 - 1/TK))`, K = 2640 at 25 C and above, 3020 below: the usual pair for polyamide elements.
 */
export function temperatureCorrectionFactor(temperatureC: number): number {
  const k = temperatureC >= 25 ? 2640 : 3020;
  return Math.exp(k * (1 / 298.15 - 1 / (temperatureC + zeroCelsiusK)));
}
