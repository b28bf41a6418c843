import { type Place, readPlace } from '../places/place.ts';
import type { TubeFunction } from '../places/tubeFunction.ts';
import { housedUnit } from './bodies.ts';
import type { Box, Cabinet, Placed } from './placing.ts';

/** Where a tube begins or ends, m: x from the left wall, y from the floor, z from the back wall. */
export type Port = readonly [x: number, y: number, z: number];

/** One end of a tube at a place: whether the water comes in there, and what it is. */
export interface TubeEndAt {
  place: Place;
  comesIn: boolean;
  function: TubeFunction;
}

/** A body where it stands, and which way it looks: to the door, or from the side wall that it hangs on. */
export interface Standing extends Placed {
  onWall: 'back' | 'left' | 'right';
}

export const standing = (box: Placed, cabinet: Cabinet): Standing => ({
  ...box,
  onWall: !box.turned ? 'back' : box.x + box.width / 2 < cabinet.width / 2 ? 'left' : 'right',
});

/** Where along a body from its own left to its own right, and how high above its foot in m; halfway between its front and its back. */
function alongBody(box: Standing, share: number, heightM: number): Port {
  const y = box.y + heightM;
  if (box.onWall === 'back') return [box.x + share * box.width, y, box.z + box.depth / 2];
  // Seen from the cabinet's middle, left is towards the door on the left wall and towards the back on the right one.
  const fromBack = box.onWall === 'left' ? 1 - share : share;
  return [box.x + box.width / 2, y, box.z + fromBack * box.depth];
}

/** Where within a box, as shares of its width, height and depth. */
const within = (box: Box, x: number, y: number, z = 0.5): Port => [
  box.x + x * box.width,
  box.y + y * box.height,
  box.z + z * box.depth,
];

/**
 * Port of a body that stands by itself, as these are made: a reactor's inlet below and its outlet above, a pump's and a leak stop's at
 * their ends, a tank's nipple on top, or at its end when it lies: towards the door, or across the cabinet, towards the unit.
 */
export function bodyPort({ place, comesIn }: TubeEndAt, box: Standing, unit: Box | null): Port {
  switch (place) {
    case 'lamp':
      return within(box, 0.5, comesIn ? 0 : 1);
    case 'tank': {
      if (!box.lies) return within(box, 0.5, 1);
      if (box.turned) return within(box, 0.5, 0.5, 1);
      // Laid down with its valve towards the unit.
      const unitIsLeft = unit !== null && unit.x + unit.width / 2 < box.x + box.width / 2;
      return within(box, unitIsLeft ? 0 : 1, 0.5);
    }
    default:
      return alongBody(box, comesIn ? 0 : 1, box.height / 2);
  }
}

/** Ports of a unit that its maker piped: in a row at the top of its back, feed, drain, product. */
const pipedRow: Readonly<Partial<Record<TubeFunction, number>>> = { feed: 0.25, drain: 0.5 };

export const pipedUnitPort = ({ function: role }: TubeEndAt, box: Box): Port =>
  within(box, pipedRow[role] ?? 0.75, 0.9, 0);

/**
 * Port of a housed unit. Feed goes through the housings' heads from left to right and up to the elements' caps on the right; product
 * and drain come out of them on the left, where their fittings hang; what follows lies on top, again from left to right. In a series
 * every other element lies the other way round, so that its feed is where the drain of the one before comes out.
 */
export function housedUnitPort(
  { place, comesIn }: TubeEndAt,
  box: Standing,
  series: boolean,
): Port {
  const { housingM, headM, elementM } = housedUnit;
  const at = (share: number, heightM: number) =>
    alongBody(box, share, Math.min(heightM, box.height));
  const left = 0;
  const right = 1;
  const element = (index: number) => housingM + (Math.floor((index - 1) / 2) + 0.5) * elementM;
  const { kind, index } = readPlace(place);
  switch (kind) {
    case 'prefilter':
      return at(comesIn ? left : right, headM);
    case 'membrane': {
      const turned = series && index % 2 === 0;
      return at(comesIn !== turned ? right : left, element(index));
    }
    case 'feed-tee':
      return at(right, element(1));
    case 'restrictor':
    case 'brine-tee':
    case 'product-tee':
    case 'pressure-switch':
    case 'tank-tee':
      return at(left, element(1));
    case 'solenoid':
    case 'shutoff':
      return at(0.5, box.height);
    default:
      return at(comesIn ? left : right, box.height);
  }
}
