/**
 * Darcy friction factor over all regimes, laminar to fully rough.
 * @param reynolds above 0; @param relativeRoughness roughness over bore
 * Source: S. W. Churchill, Chemical Engineering 84 (1977) 91-92.
 */
export function frictionFactor(reynolds: number, relativeRoughness: number): number {
  const rough = 2.457 * Math.log(1 / ((7 / reynolds) ** 0.9 + 0.27 * relativeRoughness));
  const sum = sixteenth(rough) + sixteenth(37530 / reynolds);
  const laminar = (8 / reynolds) ** 4;
  return 8 * (laminar * laminar * laminar + 1 / (sum * Math.sqrt(sum))) ** (1 / 12);
}

/** To the sixteenth power, by squares: this runs inside every search for a flow. */
function sixteenth(x: number): number {
  const fourth = x * x * x * x;
  return fourth * fourth * fourth * fourth;
}
