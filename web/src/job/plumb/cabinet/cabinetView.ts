import type { Body, Box, Cabinet, Placed } from '@katharos/core';

/** Dragging snaps to this, and to edges within three of it, m. */
const snapM = 0.01;

export type Place = Pick<Placed, 'x' | 'y' | 'z' | 'lies' | 'turned'>;
/** A box as it is seen, m from the left upper corner of the view. */
export interface FlatBox {
  x: number;
  y: number;
  w: number;
  h: number;
}

/** The cabinet seen from the door or from above, and what moving something in that view means for its place. */
export interface CabinetView {
  across: number;
  down: number;
  flat: (box: Box) => FlatBox;
  /** Where a thing stands when its left upper corner is dropped there: drawn to walls and to the edges of its neighbours. */
  dropped: (one: Placed, x: number, y: number, others: readonly Box[]) => Place;
  /** Where it stands after a key's step: nothing draws it anywhere, else a centimetre would never leave a wall. */
  nudged: (one: Placed, dx: number, dy: number) => Place;
}

const clamp = (value: number, most: number): number =>
  Math.min(Math.max(value, 0), Math.max(most, 0));

function snapped(value: number, size: number, whole: number, edges: readonly number[]): number {
  const near = [0, whole - size, ...edges.flatMap((edge) => [edge, edge - size])]
    .filter((edge) => Math.abs(edge - value) < 3 * snapM)
    .sort((one, other) => Math.abs(one - value) - Math.abs(other - value))[0];
  return clamp(near ?? Math.round(value / snapM) * snapM, whole - size);
}

export function cabinetView(view: 'front' | 'above', cabinet: Cabinet): CabinetView {
  const front = view === 'front';
  const across = cabinet.width;
  const down = front ? cabinet.height : cabinet.depth;
  // From the door height counts from the floor up; from above the back wall is at the top.
  const flat = (box: Box): FlatBox =>
    front
      ? { x: box.x, y: cabinet.height - box.y - box.height, w: box.width, h: box.height }
      : { x: box.x, y: box.z, w: box.width, h: box.depth };
  const placeAt = ({ y, z, height, lies, turned }: Placed, left: number, top: number): Place => ({
    x: left,
    ...(front ? { y: cabinet.height - top - height, z } : { y, z: top }),
    lies,
    ...(turned ? { turned } : {}),
  });
  return {
    across,
    down,
    flat,
    dropped: (one, x, y, others) => {
      const { w, h } = flat(one);
      const seen = others.map(flat);
      const columns = seen.flatMap((other) => [other.x, other.x + other.w]);
      const rows = seen.flatMap((other) => [other.y, other.y + other.h]);
      return placeAt(one, snapped(x, w, across, columns), snapped(y, h, down, rows));
    },
    nudged: (one, dx, dy) => {
      const { x, y, w, h } = flat(one);
      return placeAt(one, clamp(x + dx, across - w), clamp(y + dy, down - h));
    },
  };
}

/** What can be done with a thing besides moving it, as it would be said; null where nothing can. */
export function turning(body: Body, one: Placed): string | null {
  if (body.mayLie) return one.lies ? 'Stand it up' : 'Lay it down';
  if (!body.hangs || body.width === body.depth) return null;
  return one.turned ? 'Hang it on the back wall' : 'Hang it on the side wall';
}

/** Where a thing stands when it is laid down, stood up, or hung on another wall: it stays in the cabinet. */
export function turnedOver(body: Body, one: Placed, cabinet: Cabinet): Place {
  const { x, y, z, lies } = one;
  if (body.mayLie) return { x, y, z, lies: !lies };
  if (one.turned) return { x: clamp(x, cabinet.width - body.width), y, z: 0, lies };
  const onLeft = x + one.width / 2 < cabinet.width / 2;
  return {
    x: onLeft ? 0 : Math.max(cabinet.width - body.depth, 0),
    y,
    z: clamp(z, cabinet.depth - body.width),
    lies,
    turned: true,
  };
}
