import { isTanklessUnit } from '../../system/design.ts';
import { type InstalledSystem, isUltravioletLine } from '../../system/ultravioletLine.ts';
import { type Place, placeFacts, readPlace } from './place.ts';
import { sizeOfBore, type TubeSize } from './tubeSize.ts';

/** Size of the port at a place, or null where it comes in the tube's size or takes the widest. */
export function portSize(system: InstalledSystem, place: Place): TubeSize | null {
  const { kind } = readPlace(place);
  const unit = isUltravioletLine(system) ? null : system.unit;
  // The tee inside a unit is the unit's own product port.
  if (unit?.piped && kind === 'tank-tee') return unit.ports.product;
  if (placeFacts(place).port !== 'own') return null;
  if (isUltravioletLine(system)) return sizeOfBore(system.line.innerDiameterMm);
  // A tankless unit has a wide feed port and narrow ones for product and drain, also where no unit is named.
  if (kind === 'prefilter') return unit?.ports.feed ?? (isTanklessUnit(system) ? '3/8"' : '1/4"');
  return '1/4"';
}
