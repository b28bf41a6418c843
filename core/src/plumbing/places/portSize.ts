import { isTanklessUnit } from '../../system/design.ts';
import { type InstalledSystem, isUltravioletLine } from '../../system/ultravioletLine.ts';
import { type Place, placeFacts, readPlace } from './place.ts';
import { sizeOfBore, type TubeSize } from './tubeSize.ts';

/** Size of the port at a place, or null where it comes in the tube's size or takes the widest. */
export function portSize(system: InstalledSystem, place: Place): TubeSize | null {
  if (placeFacts(place).port !== 'own') return null;
  if (isUltravioletLine(system)) return sizeOfBore(system.line.innerDiameterMm);
  // A tankless unit has a wide feed port and narrow ones for product and drain.
  return isTanklessUnit(system) && readPlace(place).kind === 'prefilter' ? '3/8"' : '1/4"';
}
