import { type KitPart, type Part, partsOf } from '../../catalogue/parts.ts';
import { slotsOf } from '../../system/slots.ts';
import { type InstalledSystem, isUltravioletLine } from '../../system/ultravioletLine.ts';
import type { ScheduledTube } from '../tubes/tubeSchedule.ts';
import type { TubeSize } from '../places/tubeSize.ts';
import type { StepPart, WorkStep } from './workStep.ts';

/** One line of what goes into the van. */
export interface PartsLine {
  /** The catalogue's id, or the fitting's role where the catalogue has none of it. */
  id: string;
  /** What steps call it: a part's id in the system, or the role of a fitting. */
  key: string;
  name: string;
  quantity: number;
  /** How much of that comes in the kit. */
  inKit: number;
  unit: 'piece' | 'm';
  /** Price of the line in the firm's currency; null where the catalogue does not hold the part. */
  price: number | null;
}

const tubeKeys: Record<TubeSize, string> = {
  '1/4"': 'tube-quarter',
  '3/8"': 'tube-three-eighths',
};

/** What a kit brings, by what steps call it: ids of parts, roles of fittings, metres of tube. */
function kitContents(kit: KitPart | null): Map<string, number> {
  const contents = new Map<string, number>();
  const add = (key: string, quantity: number) =>
    contents.set(key, (contents.get(key) ?? 0) + quantity);
  for (const { id, quantity } of kit?.holds ?? []) add(id, quantity);
  for (const { role, quantity } of kit?.fittings ?? []) add(role, quantity);
  for (const { size, lengthM } of kit?.tubes ?? []) add(tubeKeys[size], lengthM);
  return contents;
}

/**
 * All that an order of work puts in, in the order in which it is first needed, and the tube that is cut for it, rounded up to a
 * tenth of a metre. Parts of the system have the names and prices that they were chosen with, fittings those of the catalogue.
 */
export function partsList(
  system: InstalledSystem,
  steps: readonly Pick<WorkStep, 'parts'>[],
  tubes: readonly Pick<ScheduledTube, 'size' | 'cutM'>[],
  catalogue: readonly Part[],
): PartsLine[] {
  const own = new Map(slotsOf(system).map(({ part }) => [part.id, part]));
  const fittings = new Map<string, Part>(
    // The first of a role is the one that the firm uses.
    [...partsOf(catalogue, 'fitting')].reverse().map((part) => [part.role, part]),
  );
  const kit = isUltravioletLine(system) ? null : system.kit;
  const left = kitContents(kit);
  const line = ({ key, quantity }: StepPart, unit: PartsLine['unit']): PartsLine => {
    const part = own.get(key) ?? fittings.get(key);
    const brought = Math.min(left.get(key) ?? 0, quantity);
    left.set(key, (left.get(key) ?? 0) - brought);
    return {
      id: part?.id ?? key,
      key,
      name: part?.name ?? key,
      quantity,
      inKit: brought,
      unit,
      price: part ? part.price * (quantity - brought) : null,
    };
  };
  const taken = new Map<string, number>();
  for (const { key, quantity } of steps.flatMap(({ parts }) => parts))
    taken.set(key, (taken.get(key) ?? 0) + quantity);
  const metres = (size: TubeSize) =>
    tubes.filter((tube) => tube.size === size).reduce((sum, { cutM }) => sum + cutM, 0);
  return [
    ...(kit ? [line({ key: kit.id, quantity: 1 }, 'piece')] : []),
    ...[...taken].map(([key, quantity]) => line({ key, quantity }, 'piece')),
    ...(Object.keys(tubeKeys) as TubeSize[])
      .filter((size) => metres(size) > 0)
      .map((size) =>
        line({ key: tubeKeys[size], quantity: Math.ceil(metres(size) * 10 - 1e-9) / 10 }, 'm'),
      ),
  ];
}
