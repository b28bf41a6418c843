/** A box in a cabinet, m: x from the left wall, y from the floor, z from the back wall towards the door. */
export interface Box {
  x: number;
  y: number;
  z: number;
  width: number;
  height: number;
  depth: number;
}

export interface Cabinet {
  width: number;
  height: number;
  depth: number;
}

/** Something that is in the way. */
export interface Obstacle extends Box {
  id: string;
}

/** A thing to place: its body, and the room it needs below and in front of it for service. */
export interface Body {
  id: string;
  width: number;
  height: number;
  depth: number;
  /** Room to leave free under it (cartridges come out downwards), m. */
  below: number;
  /** Room to leave free beside it and behind it, m. */
  gap: number;
  /** Whether nothing may stand between it and the door, so that it is reached without moving anything. */
  frontFree: boolean;
  /** Whether it hangs on a wall, by its back; otherwise it stands on the floor. */
  hangs: boolean;
  /** Whether it may lie on its side. */
  mayLie: boolean;
}

export interface Placed extends Box {
  id: string;
  lies: boolean;
  /** It hangs with its back on a side wall, or lies from back to door: what is usually across runs along the cabinet's depth. */
  turned?: boolean | undefined;
}

export interface Fit {
  /** Everything that found a place. */
  placed: Placed[];
  /** What did not. */
  left: string[];
  tried: number;
}

/** Bodies that touch do not collide: nothing is placed truer than half a millimetre. */
const eps = 5e-4;

const overlaps = (a: Box, b: Box): boolean =>
  a.x < b.x + b.width - eps &&
  b.x < a.x + a.width - eps &&
  a.y < b.y + b.height - eps &&
  b.y < a.y + a.height - eps &&
  a.z < b.z + b.depth - eps &&
  b.z < a.z + a.depth - eps;

/** The room that a placed body takes, with what service needs below and in front of it. */
const claimed = ({ below, gap, frontFree }: Body, box: Box, cabinet: Cabinet): Box => ({
  x: box.x - gap,
  y: box.y - below,
  z: box.z - gap,
  width: box.width + 2 * gap,
  height: box.height + below,
  depth: (frontFree ? Math.max(cabinet.depth - box.z, box.depth) : box.depth) + 2 * gap,
});

/** Collisions of one placed body with walls, obstacles and others, by the id of what it meets. */
export function collisions(
  body: Body,
  box: Placed,
  cabinet: Cabinet,
  others: readonly { id: string; box: Box }[],
): string[] {
  const room = claimed(body, box, cabinet);
  const outside =
    room.x < -eps ||
    room.y < -eps ||
    room.z < -eps ||
    room.x + room.width > cabinet.width + eps ||
    room.y + room.height > cabinet.height + eps ||
    room.z + room.depth > cabinet.depth + eps;
  const met = others.filter((other) => overlaps(room, other.box)).map(({ id }) => id);
  return outside ? ['cabinet', ...met] : met;
}

/** A placed body and what it meets. */
export interface Clash {
  id: string;
  met: string[];
}

/** Everything that meets something, or a wall. */
export const clashesOf = (
  bodies: readonly Body[],
  placed: readonly Placed[],
  cabinet: Cabinet,
  obstacles: readonly Obstacle[],
): Clash[] =>
  placed.flatMap((one): Clash[] => {
    const body = bodies.find(({ id }) => id === one.id);
    if (!body) return [];
    const met = collisions(body, one, cabinet, [
      ...obstacles.map((obstacle) => ({ id: obstacle.id, box: obstacle })),
      ...placed.filter(({ id }) => id !== one.id).map((other) => ({ id: other.id, box: other })),
    ]);
    return met.length > 0 ? [{ id: one.id, met }] : [];
  });

const mostTried = 40_000;

/**
 * Places bodies in a cabinet, depth first, the bulkiest first: each stands in the corners that walls, obstacles and the bodies before it
 * make, so that a place that exists along such corners is found. What hangs is hung as low as its clearance allows, its back on the
 * back wall or, turned, on a side wall; what stands, stands on the floor. With room to spare the first place found is taken.
 */
export function placeBodies(
  bodies: readonly Body[],
  cabinet: Cabinet,
  obstacles: readonly Obstacle[],
): Fit {
  // What has no place even in a cabinet with nothing else in it is not searched for.
  const order = bodies
    .filter((body) => hasPlace(body, cabinet, obstacles))
    .sort((a, b) => b.width * b.height * b.depth - a.width * a.height * a.depth);
  let best: Placed[] = [];
  let tried = 0;
  const search = (index: number, placed: Placed[]): boolean => {
    if (placed.length > best.length) best = [...placed];
    if (index === order.length) return placed.length === order.length;
    // What is left cannot make it more than there was already.
    if (placed.length + order.length - index <= best.length) return false;
    const body = order[index]!;
    const taken = [
      ...obstacles.map((obstacle) => ({ id: obstacle.id, box: obstacle })),
      ...placed.map((other) => ({
        id: other.id,
        box: claimed(
          bodies.find(({ id }) => id === other.id)!,
          other,
          cabinet,
        ),
      })),
    ];
    for (const shape of shapesOf(body)) {
      for (const at of corners(
        shape,
        body,
        cabinet,
        taken.map(({ box }) => box),
      )) {
        if (tried >= mostTried) return false;
        tried += 1;
        const candidate: Placed = { id: body.id, ...at, ...shape };
        if (collisions(body, candidate, cabinet, taken).length > 0) continue;
        if (search(index + 1, [...placed, candidate])) return true;
      }
    }
    // Without this one: what is smaller may still find a place, and the person sees how far it goes.
    search(index + 1, placed);
    return false;
  };
  search(0, []);
  const ids = new Set(best.map(({ id }) => id));
  return { placed: best, left: bodies.map(({ id }) => id).filter((id) => !ids.has(id)), tried };
}

/** Whether a body has a place among what is in the way alone. */
function hasPlace(body: Body, cabinet: Cabinet, obstacles: readonly Obstacle[]): boolean {
  const taken = obstacles.map((obstacle) => ({ id: obstacle.id, box: obstacle }));
  return shapesOf(body).some((shape) =>
    corners(shape, body, cabinet, obstacles).some(
      (at) => collisions(body, { id: body.id, ...at, ...shape }, cabinet, taken).length === 0,
    ),
  );
}

type Shape = Pick<Placed, 'width' | 'height' | 'depth' | 'lies' | 'turned'>;

/** The room that a body takes as it stands, lies or is turned. */
export function shapeOf(
  { width, height, depth }: Pick<Body, 'width' | 'height' | 'depth'>,
  { lies, turned }: Pick<Placed, 'lies' | 'turned'>,
): Shape {
  if (lies)
    return turned
      ? { width, height: depth, depth: height, lies, turned }
      : { width: height, height: width, depth, lies };
  return turned
    ? { width: depth, height, depth: width, lies, turned }
    : { width, height, depth, lies };
}

/** The ways a body may be placed, the usual one first. */
function shapesOf(body: Body): Shape[] {
  const ways: Pick<Placed, 'lies' | 'turned'>[] = [{ lies: false }];
  if (body.hangs) ways.push({ lies: false, turned: true });
  else if (body.mayLie) ways.push({ lies: true }, { lies: true, turned: true });
  return ways.map((way) => shapeOf(body, way));
}

/** Left, back and bottom corners made by walls and by what stands there, nearest the back left first. */
function corners(
  shape: Shape,
  body: Body,
  cabinet: Cabinet,
  taken: readonly Box[],
): Pick<Box, 'x' | 'y' | 'z'>[] {
  const along = (size: number, whole: number, ends: readonly [number, number][]) =>
    [
      ...new Set(
        [0, whole - size, ...ends.flatMap(([from, to]) => [to, from - size])]
          .filter((place) => place >= -eps && place + size <= whole + eps)
          .map((place) => Math.max(Number(place.toFixed(4)), 0)),
      ),
    ].sort((a, b) => a - b);
  const { gap } = body;
  const xs = along(
    shape.width + 2 * gap,
    cabinet.width,
    taken.map((box) => [box.x, box.x + box.width]),
  );
  const zs = along(
    shape.depth + 2 * gap,
    cabinet.depth,
    taken.map((box) => [box.z, box.z + box.depth]),
  );
  const ys = body.hangs
    ? along(
        shape.height,
        cabinet.height,
        taken.map((box) => [box.y, box.y + box.height + body.below]),
      ).filter((y) => y >= body.below - eps)
    : [0];
  if (body.hangs && !ys.includes(body.below) && body.below + shape.height <= cabinet.height)
    ys.unshift(body.below);
  const all = zs.flatMap((z) => xs.flatMap((x) => ys.map((y) => ({ x: x + gap, y, z: z + gap }))));
  return body.hangs ? all.filter((at) => offTheWall({ ...at, ...shape }, cabinet) === 0) : all;
}

/** How far the back of what hangs is from the wall that carries it, m: the back wall, or the nearer side wall when it is turned. */
export function offTheWall(
  { x, z, width, turned }: Pick<Placed, 'x' | 'z' | 'width' | 'turned'>,
  cabinet: Cabinet,
): number {
  const off = turned ? Math.min(x, cabinet.width - x - width) : z;
  return off < eps ? 0 : off;
}

/** How much wider, higher or deeper the cabinet would have to be, m; null where no metre more would do. */
export function missingRoom(
  bodies: readonly Body[],
  cabinet: Cabinet,
  obstacles: readonly Obstacle[],
): Record<keyof Cabinet, number | null> {
  const fits = (key: keyof Cabinet, more: number) =>
    placeBodies(bodies, { ...cabinet, [key]: cabinet[key] + more }, obstacles).left.length === 0;
  const search = (key: keyof Cabinet): number | null => {
    if (!fits(key, 1)) return null;
    let [low, high] = [0, 1];
    while (high - low > 0.005) {
      const middle = (low + high) / 2;
      if (fits(key, middle)) high = middle;
      else low = middle;
    }
    return Math.ceil(high * 100) / 100;
  };
  return { width: search('width'), height: search('height'), depth: search('depth') };
}
