/** How an element gives up its preservative with the product that it makes. */
export interface Preservative {
  /** Strength of the first product, mg/L. */
  firstMgL: number;
  /** Product that wets the elements, L: most of it leaves with a few of these. */
  holdUpL: number;
  /** Part that leaves slowly, out of glue lines and spacer: a share of the first strength, and the product that it takes, L. */
  tailShare: number;
  tailVolumeL: number;
}

/** Product that a domestic element holds, L. */
export const usualHoldUpL = 0.4;
/** The slow part: nobody measures it, so a firm may set it. */
export const usualTail = { share: 0.03, volumeL: 6 };

/** What a mass of preservative makes of the first product, mg/L: all of it leaves in the end. */
export const firstStrength = (
  massMg: number,
  { holdUpL, tailShare, tailVolumeL }: Omit<Preservative, 'firstMgL'>,
): number => massMg / ((1 - tailShare) * holdUpL + tailShare * tailVolumeL);

/**
 * Strength of the product as a share of the first, after so much of it:
 * `(1 - w) exp(-V/Ve) + w exp(-V/Vt)`. @param productL made since the first drop, L
 */
export const releasedStrength = (
  { holdUpL, tailShare, tailVolumeL }: Preservative,
  productL: number,
): number =>
  (1 - tailShare) * Math.exp(-productL / holdUpL) + tailShare * Math.exp(-productL / tailVolumeL);

/** Preservative that leaves while the product goes from one volume to another, L of product at the first strength: the strength's integral. */
export const releasedBetween = (
  { holdUpL, tailShare, tailVolumeL }: Preservative,
  fromL: number,
  toL: number,
): number => {
  const left = (volumeL: number) =>
    volumeL * (Math.exp(-fromL / volumeL) - Math.exp(-toL / volumeL));
  return (1 - tailShare) * left(holdUpL) + tailShare * left(tailVolumeL);
};
