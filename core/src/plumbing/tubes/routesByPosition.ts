import type { Cabinet, Obstacle, Placed } from '../cabinet/placing.ts';
import type { TubeRun } from './tubeRuns.ts';

/** Where tubes begin and end under a sink, m. */
type Port = readonly [x: number, y: number, z: number];

/** Tube does not run straight along edges: corners and bends take this much more. Default. */
const bends = 1.1;
/** Where the stop valve of the cold supply usually stands. Default, as a share of width and height. */
const valveAt = { x: 0.3, y: 0.5 } as const;

const ownBody = new Set(['tank', 'pump', 'lamp', 'permeate-pump', 'leak-stop']);
/** Places at the counter and beyond the cabinet. */
const leavesUnit =
  /^(tap|dispenser|air-gap|tee-.*|valve-.*|refrigerator|ice-maker|second-tap|machine)$/;

/**
 * Lengths of the runs that cross the cabinet, from where their ends stand: along edges, as tube is laid, with a tenth more for bends.
 * Runs within the unit and to places outside the cabinet are not among them.
 */
export function routesByPosition(
  runs: readonly TubeRun[],
  cabinet: Cabinet,
  placed: readonly Placed[],
  obstacles: readonly Obstacle[],
): Record<string, number> {
  const top = (id: string): Port | null => {
    const box = placed.find((one) => one.id === id);
    return box ? [box.x + box.width / 2, box.y + box.height, box.z + box.depth / 2] : null;
  };
  const trap = obstacles.find(({ id }) => id === 'trap');
  const port = (node: string): Port | null => {
    // A regulator screws onto the valve.
    if (node === 'feed-valve' || node === 'regulator')
      return [valveAt.x * cabinet.width, valveAt.y * cabinet.height, 0];
    if (node === 'drain') {
      return trap
        ? [trap.x + trap.width / 2, trap.y + trap.height / 2, trap.z + trap.depth / 2]
        : [cabinet.width / 2, 0.6 * cabinet.height, 0.15];
    }
    if (ownBody.has(node)) return top(node);
    return leavesUnit.test(node) ? null : top('unit');
  };
  return Object.fromEntries(
    runs.flatMap((run): [string, number][] => {
      const [from, to] = [port(run.from), port(run.to)];
      if (!from || !to || run.function === 'unit') return [];
      const length = from.reduce<number>((sum, place, i) => sum + Math.abs(place - to[i]!), 0);
      return length > 0.05 ? [[run.id, Math.ceil(length * bends * 100) / 100]] : [];
    }),
  );
}
