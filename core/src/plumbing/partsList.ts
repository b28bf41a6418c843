import { type FittingRole, type Part, partsOf } from '../catalogue/parts.ts';
import { type InstalledSystem, isUltravioletLine } from '../ultraviolet/ultravioletLine.ts';
import { cutLength, type TubeRun, tubeRuns } from './tubeRuns.ts';

/** One line of what goes into the van. */
export interface PartsLine {
  id: string;
  name: string;
  quantity: number;
  unit: 'piece' | 'm';
  /** Price of the line in the firm's currency; null where the catalogue does not hold the part. */
  price: number | null;
}

export interface PlumbingChoices {
  regulator: boolean;
  leakStop: boolean;
  /** Measured routes by run id, m; runs that are not in it keep their usual route. */
  routes: Readonly<Record<string, number>>;
}

/** The parts of a design and everything that joins them, in the order in which the water meets them. */
export function partsList(
  design: InstalledSystem,
  catalogue: readonly Part[],
  { regulator, leakStop, routes }: PlumbingChoices,
): PartsLine[] {
  const runs = tubeRuns(design);
  const fitting = (
    role: FittingRole,
    quantity: number,
    unit: PartsLine['unit'] = 'piece',
  ): PartsLine => {
    const part = partsOf(catalogue, 'fitting').find((candidate) => candidate.role === role);
    const price = part ? part.price * quantity : null;
    return { id: part?.id ?? role, name: part?.name ?? role, quantity, unit, price };
  };
  const pieces = (part: Part | null | undefined, quantity = 1): PartsLine[] =>
    part
      ? [{ id: part.id, name: part.name, quantity, unit: 'piece', price: part.price * quantity }]
      : [];
  const tube = (role: FittingRole, size: TubeRun['size']): PartsLine[] => {
    const metres = runs
      .filter((run) => run.size === size)
      .reduce((sum, run) => sum + cutLength(run, routes[run.id] ?? run.routeM), 0);
    return metres > 0 ? [fitting(role, Math.ceil(metres * 10) / 10, 'm')] : [];
  };
  const ahead = [
    fitting('feed-adapter', 1),
    ...(leakStop ? [fitting('leak-stop', 1)] : []),
    ...(regulator ? [fitting('regulator', 1)] : []),
  ];
  const tubes = [...tube('tube-quarter', '1/4"'), ...tube('tube-three-eighths', '3/8"')];
  if (isUltravioletLine(design)) {
    const own = [...design.prefilters, design.lamp, design.tap];
    return mergeSame([...ahead, ...own.flatMap((part) => pieces(part)), ...tubes]);
  }
  return mergeSame([
    ...ahead,
    ...design.prefilters.flatMap((part) => pieces(part)),
    ...pieces(design.pump),
    ...pieces(design.shutoff),
    ...pieces(design.membrane, design.elements),
    ...pieces(design.restrictor),
    ...pieces(design.permeatePump),
    fitting('drain-saddle', 1),
    ...pieces(design.mineral?.part),
    ...pieces(design.tank),
    ...(design.tank ? [fitting('tank-valve', 1)] : []),
    ...pieces(design.postFilter),
    ...pieces(design.lamp),
    ...pieces(design.tap),
    ...tubes,
  ]);
}

/** Two equal cartridges are one line of two. */
function mergeSame(lines: PartsLine[]): PartsLine[] {
  const merged = new Map<string, PartsLine>();
  for (const line of lines) {
    const held = merged.get(line.id);
    if (!held) {
      merged.set(line.id, { ...line });
      continue;
    }
    held.quantity += line.quantity;
    held.price = held.price === null || line.price === null ? null : held.price + line.price;
  }
  return [...merged.values()];
}
