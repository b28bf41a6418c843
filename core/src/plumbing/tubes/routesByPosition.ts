import { type InstalledSystem, isUltravioletLine } from '../../system/ultravioletLine.ts';
import {
  bodyPort,
  housedUnitPort,
  pipedUnitPort,
  standing,
  type Port,
  type TubeEndAt,
} from '../cabinet/ports.ts';
import type { Cabinet, Obstacle, Placed } from '../cabinet/placing.ts';
import { placeFacts } from '../places/place.ts';
import { isMakerPiped } from '../../system/design.ts';
import type { TubeRun } from './tubeRuns.ts';

/** Tube does not run straight along edges: corners and bends take this much more. Default. */
const bends = 1.1;
/** Tube that leaves one port and turns into the next is at least this long, m: a tighter bend kinks. Default. */
const shortestM = 0.12;
/** Where the stop valve of the cold supply usually stands, as a share of width and height, until it is measured. Default. */
const valveAt = { x: 0.3, y: 0.5 } as const;

interface Arrangement {
  cabinet: Cabinet;
  placed: readonly Placed[];
  obstacles: readonly Obstacle[];
}

/**
 * Lengths of the runs whose ends both stand in the cabinet, from port to port: along edges, as tube is laid, with a tenth more for
 * bends, rounded up to a centimetre. Runs to places outside the cabinet are not among them, nor is a regulator's, which screws onto
 * the stop valve. Lengths in m; errors: none.
 */
export function routesByPosition(
  system: InstalledSystem,
  runs: readonly TubeRun[],
  arrangement: Arrangement,
): Record<string, number> {
  const unit = unitOf(system);
  return Object.fromEntries(
    runs.flatMap(({ id, from, to, function: role }): [string, number][] => {
      const start = portAt({ place: from, comesIn: false, function: role }, unit, arrangement);
      const end = portAt({ place: to, comesIn: true, function: role }, unit, arrangement);
      if (!start || !end || to === 'regulator') return [];
      const apart = start.reduce<number>((sum, place, i) => sum + Math.abs(place - end[i]!), 0);
      return [[id, Math.max(Math.ceil(apart * bends * 100 - 1e-6) / 100, shortestM)]];
    }),
  );
}

type Unit = 'piped' | 'housed' | 'housed-in-series';

const unitOf = (system: InstalledSystem): Unit => {
  if (isUltravioletLine(system)) return 'housed';
  const closed = system.unit ? system.unit.mounting === 'stands' : isMakerPiped(system);
  return closed ? 'piped' : system.arrangement === 'series' ? 'housed-in-series' : 'housed';
};

function portAt(end: TubeEndAt, kind: Unit, arrangement: Arrangement): Port | null {
  const { cabinet, placed, obstacles } = arrangement;
  const { place } = end;
  const { stands } = placeFacts(place);
  const bodyOf = (id: string) => {
    const box = placed.find((one) => one.id === id);
    return box ? standing(box, cabinet) : null;
  };
  const unit = bodyOf('unit');
  switch (stands) {
    case 'stop-valve':
      return (
        middleOf(obstacles, 'stop-valve') ?? [
          valveAt.x * cabinet.width,
          valveAt.y * cabinet.height,
          0,
        ]
      );
    case 'waste':
      return middleOf(obstacles, 'trap') ?? [cabinet.width / 2, 0.6 * cabinet.height, 0.15];
    case 'body': {
      const box = bodyOf(place);
      // What the maker built in has no place of its own.
      return box && bodyPort(end, box, unit);
    }
    case 'unit':
      if (!unit) return null;
      return kind === 'piped'
        ? pipedUnitPort(end, unit)
        : housedUnitPort(end, unit, kind === 'housed-in-series');
    default:
      return null;
  }
}

function middleOf(obstacles: readonly Obstacle[], id: string): Port | null {
  const box = obstacles.find((one) => one.id === id);
  return box ? [box.x + box.width / 2, box.y + box.height / 2, box.z + box.depth / 2] : null;
}
