/**
 * Concentration at the membrane wall over that in the channel, less the product: `exp(0.7 Y)`.
 * @param recovery of this element, 0 to 1
 * Source: the customary film-theory fit for spiral elements.
 */
export function concentrationPolarisation(recovery: number): number {
  return Math.exp(0.7 * recovery);
}
