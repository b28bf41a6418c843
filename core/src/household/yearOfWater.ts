import type { Draw } from './household.ts';

/** Where a year's water goes, m3. */
export interface YearOfWater {
  streetM3: number;
  drainM3: number;
  productM3: number;
  /** What the product is drawn for. */
  uses: { kind: Draw['kind']; m3: number }[];
}

/** A year of a household from sampled days and what goes to drain for a litre of product. What comes in equals what goes out. */
export function yearOfWater(
  days: readonly (readonly Draw[])[],
  drainLPerProductL: number,
): YearOfWater {
  const scale = 365 / Math.max(days.length, 1) / 1000;
  const byKind = new Map<Draw['kind'], number>();
  for (const { kind, litres } of days.flat()) {
    byKind.set(kind, (byKind.get(kind) ?? 0) + litres * scale);
  }
  const uses = [...byKind].map(([kind, m3]) => ({ kind, m3 })).sort((a, b) => b.m3 - a.m3);
  const productM3 = uses.reduce((sum, { m3 }) => sum + m3, 0);
  const drainM3 = productM3 * drainLPerProductL;
  return { streetM3: productM3 + drainM3, drainM3, productM3, uses };
}
