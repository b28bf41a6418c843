import { wear } from '../base/practice.ts';

/** A reactor's rating: the dose it gives at a flow in water of a transmittance. */
export interface LampRating {
  ratedFlowLPerH: number;
  ratedDoseMjCm2: number;
}

/** Transmittance (per cm, at 254 nm) at which small reactors are rated, and the light's way through the water in one, cm. Defaults. */
export const ratedTransmittance = 0.95;
const pathCm = 2;

/** Share of the light that water leaves over a path, averaged along it: `(1 - 10^(-aL)) / (a L ln 10)`, a the absorbance per cm. */
function waterFactor(transmittance: number): number {
  const absorbance = -Math.log10(transmittance) * pathCm;
  return absorbance < 1e-9 ? 1 : (1 - 10 ** -absorbance) / (absorbance * Math.LN10);
}

/**
 * Dose at a flow, mJ/cm2: the rated one, in inverse proportion to the flow, less what the water absorbs more than at the rating.
 * @param transmittance per cm at 254 nm, above 0 to 1
 * Source: water factor of Bolton and Linden (2003), plug flow. A new lamp.
 */
export function ultravioletDose(
  { ratedFlowLPerH, ratedDoseMjCm2 }: LampRating,
  flowLPerH: number,
  transmittance: number,
): number {
  const clarity = waterFactor(transmittance) / waterFactor(ratedTransmittance);
  return ratedDoseMjCm2 * (ratedFlowLPerH / flowLPerH) * clarity;
}

/** A membrane holds back what absorbs ultraviolet; its product transmits at least this, per cm. Default. */
export const productTransmittance = 0.95;

/** The dose that is left at the end of the lamp's life, mJ/cm2: what a lamp is judged by. */
export const agedDose: typeof ultravioletDose = (lamp, flowLPerH, transmittance) =>
  wear.lampEndShare * ultravioletDose(lamp, flowLPerH, transmittance);

/** Dose that an aged lamp gives product at a flow, mJ/cm2. */
export const productDose = (lamp: LampRating, flowLPerH: number): number =>
  agedDose(lamp, flowLPerH, productTransmittance);
