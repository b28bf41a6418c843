import type { Tube } from '../../hydraulics/tubeLoss.ts';

/** Water in runs of tube, L. */
export const tubesVolume = (tubes: readonly Tube[]): number =>
  tubes.reduce(
    (sum, { innerDiameterMm, lengthM }) =>
      sum + (Math.PI / 4) * innerDiameterMm ** 2 * lengthM * 1e-3,
    0,
  );
