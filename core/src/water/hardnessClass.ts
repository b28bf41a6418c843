export type HardnessClass = 'soft' | 'moderately-hard' | 'hard' | 'very-hard';

/**
 * The customary class of a hardness, mg/L as calcium carbonate; whoever is told a figure knows by it what it means.
 * Source: US Geological Survey, classes of water hardness (0-60, 61-120, 121-180, more).
 */
export const hardnessClass = (hardnessMgL: number): HardnessClass =>
  hardnessMgL <= 60
    ? 'soft'
    : hardnessMgL <= 120
      ? 'moderately-hard'
      : hardnessMgL <= 180
        ? 'hard'
        : 'very-hard';
