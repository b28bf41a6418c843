import type { Part } from '../catalogue/parts.ts';
import type { SystemDesign } from './design.ts';
import { type InstalledSystem, isAddedLamp, isUltravioletLine } from './ultravioletLine.ts';

/** Where a part stands in a system, in the order in which a household would name them. */
export const slotKeys = [
  'prefilter',
  'pump',
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
}

/** The parts that a system is made of; of a lamp that was added only the lamp, for the rest was there. */
export function slotsOf(system: InstalledSystem): Slot[] {
  if (isAddedLamp(system)) return [slot('lamp', system.lamp)];
  const prefilters = system.prefilters.map((part, i): Slot => ({
    key: 'prefilter',
    index: i + 1,
    part,
    count: 1,
  }));
  const rest = isUltravioletLine(system)
    ? [slot('lamp', system.lamp), slot('tap', system.tap)]
    : membraneSlots(system);
  return [...prefilters, ...rest];
}

const slot = (key: SlotKey, part: Part, count = 1): Slot => ({ key, index: 1, part, count });

function membraneSlots(design: SystemDesign): Slot[] {
  const parts: [SlotKey, Part | null | undefined, number?][] = [
    ['pump', design.pump],
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
  return parts.flatMap(([key, part, count]) => (part ? [slot(key, part, count)] : []));
}

/** Price of a system's own parts, in the firm's currency. */
export const partsPrice = (system: InstalledSystem): number =>
  slotsOf(system).reduce((sum, { part, count }) => sum + part.price * count, 0);
