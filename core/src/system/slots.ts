import type { KitPart, Part } from '../catalogue/parts.ts';
import type { SystemDesign } from './design.ts';
import { isHeld } from './unit.ts';
import { type InstalledSystem, isAddedLamp, isUltravioletLine } from './ultravioletLine.ts';

/** Where a part stands in a system, in the order in which a household would name them. */
export const slotKeys = [
  'kit',
  'unit',
  'prefilter',
  'pump',
  'solenoid',
  'shutoff',
  'membrane',
  'restrictor',
  'permeate-pump',
  'mineral',
  'tank',
  'post-filter',
  'lamp',
  'tap',
] as const;
export type SlotKey = (typeof slotKeys)[number];

/** A part of a system, with where it stands and how many there are of it. */
export interface Slot {
  key: SlotKey;
  /** From 1, for the pre-filters in their row. */
  index: number;
  part: Part;
  count: number;
  /** It comes with the unit and is not bought beside it. */
  held: boolean;
  /** How many of it come in the kit. */
  inKit: number;
}

/** The parts that a system is made of; of a lamp that was added only the lamp, for the rest was there. */
export function slotsOf(system: InstalledSystem): Slot[] {
  if (isAddedLamp(system)) return [slot('lamp', system.lamp)];
  const prefilters = system.prefilters.map((part, i): Slot => ({
    key: 'prefilter',
    index: i + 1,
    part,
    count: 1,
    held: false,
    inKit: 0,
  }));
  const rest = isUltravioletLine(system)
    ? [slot('lamp', system.lamp), slot('tap', system.tap)]
    : membraneSlots(system);
  if (isUltravioletLine(system)) return [...prefilters, ...rest];
  const { unit, kit } = system;
  const own = [...(unit ? [slot('unit', unit)] : []), ...prefilters, ...rest];
  return kit ? [slot('kit', kit), ...packed(own, kit)] : own;
}

const slot = (key: SlotKey, part: Part, count = 1, held = false): Slot => ({
  key,
  index: 1,
  part,
  count,
  held,
  inKit: 0,
});

function membraneSlots(design: SystemDesign): Slot[] {
  const parts: [SlotKey, Part | null | undefined, number?][] = [
    ['pump', design.pump],
    ['solenoid', design.solenoid],
    ['shutoff', design.shutoff],
    ['membrane', design.membrane, design.elements],
    ['restrictor', design.restrictor],
    ['permeate-pump', design.permeatePump],
    ['mineral', design.mineral?.part],
    ['tank', design.tank],
    ['post-filter', design.postFilter],
    ['lamp', design.lamp],
    ['tap', design.tap],
  ];
  return parts.flatMap(([key, part, count]) =>
    part ? [slot(key, part, count, isHeld(design, part))] : [],
  );
}

/** The same with what comes in a kit marked; two slots of one part share what there is. */
function packed(slots: readonly Slot[], kit: KitPart): Slot[] {
  const left = new Map(kit.holds.map(({ id, quantity }) => [id, quantity]));
  return slots.map((one) => {
    const inKit = one.held ? 0 : Math.min(left.get(one.part.id) ?? 0, one.count);
    left.set(one.part.id, (left.get(one.part.id) ?? 0) - inKit);
    return { ...one, inKit };
  });
}

/** Price of a system's own parts, in the firm's currency; what a unit or a kit holds is in its price. */
export const partsPrice = (system: InstalledSystem): number =>
  slotsOf(system).reduce(
    (sum, { part, count, held, inKit }) => sum + (held ? 0 : part.price * (count - inKit)),
    0,
  );
