import { daysInMonth } from '../base/calendar.ts';

/** Disinfectant in the mains, and how much of it. */
export interface Disinfectant {
  kind: 'chlorine' | 'chloramine';
  residualMgL: number;
}

/** Grams of each that a cartridge takes up before any breaks through; a property of the part. */
export interface DisinfectantCapacity {
  chlorine: number;
  chloramine: number;
}

/**
 * Months until the carbon ahead of a membrane lets disinfectant through: capacity of all cartridges over what the whole *feed* brings,
 * for drain water passes the pre-filters too. Infinite without disinfectant.
 * @param feedLPerDay product and drain water together
 * Source: mass balance with the part's stated capacity; a capacity holds for its test flow, so that this is an upper bound and the
 * calendar stands beside it.
 */
export function carbonLifeMonths(
  capacities: readonly DisinfectantCapacity[],
  { kind, residualMgL }: Disinfectant,
  feedLPerDay: number,
): number {
  const grams = capacities.reduce((sum, capacity) => sum + capacity[kind], 0);
  const gramsPerDay = (residualMgL * feedLPerDay) / 1000;
  return gramsPerDay > 0 ? grams / gramsPerDay / daysInMonth : Infinity;
}
