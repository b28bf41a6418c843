import { type Body, type Cabinet, offTheWall, type Placed } from './placing.ts';

/** The clear opening of the cabinet, m; taken to be in the middle of its front, from the floor up. */
export interface Door {
  width: number;
  height: number;
}

export type ReachFault =
  | 'not-through-the-door'
  | 'behind-the-frame'
  | 'too-far-in'
  | 'off-the-wall';

/** Something that is in its place but cannot be brought there, or not be reached there. */
export interface ReachWarning {
  id: string;
  fault: ReachFault;
  /** What is missing or too much, m. */
  byM: number;
}

/** An arm, shoulder at the door, works this far in, m. Default. */
const armM = 0.6;
/** Share of a front that must lie in the opening, so that a housing or a valve is turned without feeling for it. Default. */
const leastInOpening = 0.6;

/**
 * Warnings about what is placed: what does not pass the door in any attitude, what hangs without a wall at its back, what is worked on
 * but stands behind the door's frame, and what is worked on but farther in than an arm reaches. Without a measured door the whole
 * front is open.
 */
export function reachWarnings(
  bodies: readonly Body[],
  placed: readonly Placed[],
  cabinet: Cabinet,
  door: Door | null,
): ReachWarning[] {
  const opening = door ?? cabinet;
  const left = (cabinet.width - opening.width) / 2;
  return placed.flatMap((box): ReachWarning[] => {
    const body = bodies.find(({ id }) => id === box.id);
    if (!body) return [];
    const warnings: ReachWarning[] = [];
    // The two smaller sides go through; the smaller of them through the smaller side of the opening.
    const [small, middle] = [body.width, body.height, body.depth].sort((a, b) => a - b);
    const [narrow, wide] = [opening.width, opening.height].sort((a, b) => a - b);
    const over = Math.max(small! - narrow!, middle! - wide!);
    if (over > 0) warnings.push({ id: box.id, fault: 'not-through-the-door', byM: over });
    const off = body.hangs ? offTheWall(box, cabinet) : 0;
    if (off > 0) warnings.push({ id: box.id, fault: 'off-the-wall', byM: off });
    if (!body.frontFree) return warnings;
    const across = Math.min(box.x + box.width, left + opening.width) - Math.max(box.x, left);
    const up = Math.min(box.y + box.height, opening.height) - box.y;
    const missing = Math.max(
      leastInOpening * box.width - Math.max(across, 0),
      leastInOpening * box.height - Math.max(up, 0),
    );
    if (missing > 1e-9) warnings.push({ id: box.id, fault: 'behind-the-frame', byM: missing });
    const inwards = cabinet.depth - (box.z + box.depth) - armM;
    if (inwards > 1e-9) warnings.push({ id: box.id, fault: 'too-far-in', byM: inwards });
    return warnings;
  });
}
