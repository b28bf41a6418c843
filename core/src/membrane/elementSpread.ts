/** How elements of a rating differ at the factory, as standard deviations: share of rated flow and of rated salt passage. */
export const elementSpread = { flowShare: 0.15, passageShare: 0.3 } as const;
/** How restrictors of one size differ, as a standard deviation of their share of flow. */
export const restrictorSpread = 0.08;

/** Standard deviations that hold nine in ten. */
const nineInTen = 1.645;

/**
 * Product that nine in ten elements of a rating lie within, mg/L: salt passage spreads in the logarithm from element to element.
 * @param productMgL of an element just as rated
 */
export function productBand(productMgL: number): { lowMgL: number; highMgL: number } {
  const factor = Math.exp(nineInTen * elementSpread.passageShare);
  return { lowMgL: productMgL / factor, highMgL: productMgL * factor };
}
