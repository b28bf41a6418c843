import { isTanklessUnit } from '../../sizing/systemDesign.ts';
import { type InstalledSystem, isUltravioletLine } from '../../ultraviolet/ultravioletLine.ts';
import { sizeOfBore, type TubeSize } from './tubeSize.ts';

/** Places whose port is made in one size; whatever else a tube ends at is bought in the tube's own. */
const fixed =
  /^(prefilter-\d+|membrane(-\d+)?|shutoff|restrictor|permeate-pump|pump|pressure-switch|mineral|post-filter|lamp)$/;

/** Size of the port at a place, or null where it comes in the tube's size. */
export function portSize(system: InstalledSystem, place: string): TubeSize | null {
  if (!fixed.test(place)) return null;
  if (isUltravioletLine(system)) return sizeOfBore(system.line.innerDiameterMm);
  // A tankless unit has a wide feed port and narrow ones for product and drain.
  return isTanklessUnit(system) && place.startsWith('prefilter') ? '3/8"' : '1/4"';
}
