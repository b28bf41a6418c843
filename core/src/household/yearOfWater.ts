import { type Draw, litresOf } from './household.ts';

/** Where a year's water goes, m3. */
export interface YearOfWater {
  streetM3: number;
  drainM3: number;
  productM3: number;
  /** What the product is drawn for. */
  uses: { kind: Draw['kind']; m3: number }[];
}

/**
 * A year of a daily demand, by what sampled days draw it for, and what goes to drain for a litre of product. The days say what for and not
 * how much: guests come to a few weeks by chance. What comes in equals what goes out.
 */
export function yearOfWater(
  demandLPerDay: number,
  days: readonly (readonly Draw[])[],
  drainLPerProductL: number,
): YearOfWater {
  const productM3 = (365 * demandLPerDay) / 1000;
  const draws = days.flat();
  const drawnL = litresOf(draws);
  const byKind = new Map<Draw['kind'], number>();
  for (const { kind, litres } of draws) {
    byKind.set(kind, (byKind.get(kind) ?? 0) + (litres / drawnL) * productM3);
  }
  const uses = [...byKind].map(([kind, m3]) => ({ kind, m3 })).sort((a, b) => b.m3 - a.m3);
  const drainM3 = productM3 * drainLPerProductL;
  return { streetM3: productM3 + drainM3, drainM3, productM3, uses };
}
