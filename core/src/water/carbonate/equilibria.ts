import { zeroCelsiusK } from '../osmoticPressure.ts';

/** log10 of the carbonate system's constants at zero ionic strength. */
export interface CarbonateConstants {
  logK1: number;
  logK2: number;
  logKs: number;
  logKw: number;
}

/**
 * First and second dissociation of carbonic acid, solubility of calcite, dissociation of water.
 * @param temperatureC degrees C, 0 to 90
 * Source: Plummer and Busenberg, Geochim. Cosmochim. Acta 46 (1982) 1011-1040; Kw: Stumm and Morgan's fit.
 */
export function carbonateConstants(temperatureC: number): CarbonateConstants {
  const tk = temperatureC + zeroCelsiusK;
  const logTk = Math.log10(tk);
  return {
    logK1: -356.3094 - 0.06091964 * tk + 21834.37 / tk + 126.8339 * logTk - 1684915 / tk ** 2,
    logK2: -107.8871 - 0.03252849 * tk + 5151.79 / tk + 38.92561 * logTk - 563713.9 / tk ** 2,
    logKs: -171.9065 - 0.077993 * tk + 2839.319 / tk + 71.595 * logTk,
    logKw: -(4470.99 / tk - 6.0875 + 0.01706 * tk),
  };
}

/** mol/L of ions for each mg/L of dissolved solids: the customary estimate of ionic strength. */
export const ionicStrengthPerTds = 2.5e-5;

/** mg CaCO3 per equivalent of alkalinity, and per mole of calcium. */
export const mgCaCO3PerEquivalent = 50045;
export const mgCaCO3PerMole = 100087;
/** mg per mole of carbon dioxide. */
export const mgCO2PerMole = 44010;

/**
 * Activity coefficient of an ion of the given charge.
 * @param ionicStrength mol/L, up to about 0.5
 * Source: Davies' equation with A from the dielectric constant `60954/(TK + 116) - 68.937`.
 */
export function activityCoefficient(
  charge: number,
  ionicStrength: number,
  temperatureC: number,
): number {
  const tk = temperatureC + zeroCelsiusK;
  const dielectric = 60954 / (tk + 116) - 68.937;
  const a = 1.82e6 * (dielectric * tk) ** -1.5;
  const root = Math.sqrt(ionicStrength);
  return 10 ** (-a * charge * charge * (root / (1 + root) - 0.3 * ionicStrength));
}
