/**
 * Darcy friction factor over all regimes, laminar to fully rough.
 * @param reynolds above 0; @param relativeRoughness roughness over bore
 * Source: S. W. Churchill, Chemical Engineering 84 (1977) 91-92.
 */
export function frictionFactor(reynolds: number, relativeRoughness: number): number {
  const a = (2.457 * Math.log(1 / ((7 / reynolds) ** 0.9 + 0.27 * relativeRoughness))) ** 16;
  const b = (37530 / reynolds) ** 16;
  return 8 * ((8 / reynolds) ** 12 + (a + b) ** -1.5) ** (1 / 12);
}
