import { type Part, partsOf, type UnitPart } from '../catalogue/parts.ts';
import { isTanklessUnit, type SystemDesign } from './design.ts';

/** Parts of a design that a unit may hold. */
const holdable = (design: SystemDesign): Part[] =>
  [
    design.membrane,
    design.restrictor,
    design.pump,
    design.solenoid,
    design.shutoff,
    design.permeatePump,
    design.tank,
  ].filter((part) => part !== null);

/** Why a unit does not take a design's parts. */
export type UnitMisfit = 'cartridges' | 'vessels' | 'built-in' | 'tank' | 'driven-otherwise';

/** Whether a unit's maker built the tank in, or it makes water only while the tap is open. */
const isClosed = (unit: UnitPart): boolean => unit.tankless === true || unit.innerTank === true;

/** Why the design's unit does not take its other parts; null where it does, or where the system is put together loosely. */
export const unitMisfit = (design: SystemDesign): UnitMisfit | null =>
  design.unit && misfitOf(design.unit, design);

/** Why a unit does not take a design's parts, whatever unit the design has; null where it does. */
function misfitOf(unit: UnitPart, design: SystemDesign): UnitMisfit | null {
  if (unit.cartridges !== design.prefilters.length) return 'cartridges';
  if (unit.vessels < design.elements) return 'vessels';
  const own = holdable(design);
  if (!unit.holds.every((held) => own.some(({ id }) => id === held))) return 'built-in';
  if ((unit.tankless === true) !== (design.tank === null)) return 'tank';
  if ((unit.innerTank === true) !== (design.tank?.internal === true)) return 'tank';
  // Into a closed unit nothing is put that drives the water otherwise.
  const driving = [design.pump, design.solenoid, design.shutoff, design.permeatePump];
  return isClosed(unit) && driving.some((part) => part && !isHeld({ unit }, part))
    ? 'driven-otherwise'
    : null;
}

/** Whether a part comes with the design's unit and is not bought, mounted or joined beside it. */
export const isHeld = ({ unit }: Pick<SystemDesign, 'unit'>, part: Pick<Part, 'id'>): boolean =>
  unit?.holds.includes(part.id) === true;

/** Whether a design's parts exist in a unit alone: an inner tank, an element of a tankless one. */
export const asksForUnit = (design: SystemDesign): boolean =>
  design.tank?.internal === true || isTanklessUnit(design);

/**
 * The design in the unit of the catalogue that takes its parts: the one that it has while that does, else the cheapest for what it saves;
 * loose where none does.
 */
export function withUnit(design: SystemDesign, catalogue: readonly Part[]): SystemDesign {
  if (design.unit && unitMisfit(design) === null) return design;
  const fitting = partsOf(catalogue, 'unit').filter((unit) => misfitOf(unit, design) === null);
  const dearness = (unit: UnitPart) =>
    unit.price -
    holdable(design).reduce((sum, part) => sum + (isHeld({ unit }, part) ? part.price : 0), 0);
  const [unit = null] = fitting.sort((a, b) => dearness(a) - dearness(b));
  return { ...design, unit };
}
