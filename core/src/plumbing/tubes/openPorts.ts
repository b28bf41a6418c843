import {
  type InstalledSystem,
  isAddedLamp,
  isUltravioletLine,
} from '../../system/ultravioletLine.ts';
import type { Joints } from './tubeRuns.ts';
import { layOut } from './tubeRuns.ts';
import { type Place, type PlaceKind, readPlace } from '../places/place.ts';

/** How many tubes come in at a kind of place and go out of it; a tee has as many as the line divides into. */
const ports: Record<PlaceKind, { in: number; out: number } | 'divides' | 'gathers'> = {
  'feed-valve': { in: 0, out: 1 },
  regulator: { in: 1, out: 1 },
  'leak-stop': { in: 1, out: 1 },
  prefilter: { in: 1, out: 1 },
  solenoid: { in: 1, out: 1 },
  pump: { in: 1, out: 1 },
  // Feed in and out, product in and out.
  shutoff: { in: 2, out: 2 },
  // Feed in; product and drain out.
  membrane: { in: 1, out: 2 },
  'feed-tee': 'divides',
  'brine-tee': 'gathers',
  'product-tee': 'gathers',
  restrictor: { in: 1, out: 1 },
  // Product in and out, drain in and out.
  'permeate-pump': { in: 2, out: 2 },
  'pressure-switch': { in: 1, out: 1 },
  'tank-tee': 'divides',
  tank: { in: 1, out: 0 },
  mineral: { in: 1, out: 1 },
  'post-filter': { in: 1, out: 1 },
  lamp: { in: 1, out: 1 },
  'air-gap': { in: 1, out: 1 },
  drain: { in: 1, out: 0 },
  tee: 'divides',
  valve: { in: 1, out: 1 },
  branch: { in: 1, out: 0 },
  tap: { in: 1, out: 0 },
  dispenser: { in: 1, out: 0 },
  'unit-union': { in: 0, out: 1 },
  'tap-union': { in: 1, out: 0 },
};

/** Ports that no tube meets, or more than one; housings in a row pass the water on by their heads. */
export function openPorts(system: InstalledSystem, joints: Joints): string[] {
  const { runs, made } = layOut(system, joints);
  const row = system.prefilters
    .slice(1)
    .map((_, i): [Place, Place] => [`prefilter-${i + 1}`, `prefilter-${i + 2}`]);
  const links: [Place, Place][] = [
    ...runs.map(({ from, to }): [Place, Place] => [from, to]),
    ...made,
    ...row,
  ];
  const places = new Set(links.flat());
  const open: string[] = [];
  for (const place of places) {
    const into = links.filter(([, to]) => to === place).length;
    const out = links.filter(([from]) => from === place).length;
    const wanted = ports[readPlace(place).kind];
    const fits =
      wanted === 'divides'
        ? into === 1 && out >= 2
        : wanted === 'gathers'
          ? into >= 2 && out === 1
          : into === wanted.in && out === wanted.out;
    if (!fits) open.push(`${place}: ${into} in, ${out} out`);
  }
  const must: Place[] = isAddedLamp(system)
    ? ['lamp']
    : isUltravioletLine(system)
      ? ['lamp', 'tap']
      : ['membrane', 'restrictor', 'drain', system.tap.dispenser ? 'dispenser' : 'tap'];
  for (const place of must) if (!places.has(place)) open.push(`${place}: not joined`);
  return open;
}
