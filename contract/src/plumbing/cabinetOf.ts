import {
  bodiesOf,
  type Body,
  type Cabinet,
  type Clash,
  clashesOf,
  type Door,
  type ExistingSystem,
  type InstalledSystem,
  isAddedLamp,
  isUltravioletLine,
  type Obstacle,
  placeBodies,
  type Placed,
  type ReachWarning,
  reachWarnings,
  shapeOf,
} from '@katharos/core';
import type { JobDocument } from '../job/job.ts';
import { detailOf } from './siteOf.ts';

/** Where everything stands. */
export interface CabinetPlan {
  /** What stands in the cabinet; what stands elsewhere is not among it. */
  bodies: Body[];
  /** Null until it was measured. */
  cabinet: Cabinet | null;
  door: Door | null;
  obstacles: Obstacle[];
  /** As proposed, or where a person put things; empty while the cabinet is not measured. */
  placed: Placed[];
  /** What finds no place, wherever the rest stands. */
  left: string[];
  /** What meets something where it stands. */
  clashes: Clash[];
  /** What is placed but not reached. */
  reach: ReachWarning[];
  /** The cupboard beside it, where the tank stands in that; its place is null where it does not go in. */
  next: { cupboard: Cabinet; body: Body; tank: Placed | null } | null;
}

/** Thickness of the panel between two cupboards, m. Default. */
export const panelM = 0.02;

export function cabinetPlan(
  document: JobDocument,
  system: InstalledSystem,
  leakStop: boolean,
): CabinetPlan {
  const { plumb } = document;
  const cabinet = measuredCabinet(document);
  const remote = remoteOf(document, system);
  const obstacles = plumb.obstacles ?? usualObstacles(document, cabinet, system);
  const all = bodiesOf(system, leakStop);
  const tank = all.find(({ id }) => id === 'tank');
  const [width, height] = (['doorWidth', 'doorHeight'] as const).map((key) =>
    detailOf(document, key),
  );
  const door = width && height ? { width, height } : null;
  const nextDoor = plumb.nextCupboard && tank && !remote ? plumb.nextCupboard : null;
  const bodies = remote ? [] : nextDoor ? all.filter(({ id }) => id !== 'tank') : all;
  const fit = cabinet ? placeBodies(bodies, cabinet, obstacles) : { placed: [], left: [] };
  const placed = placedBodies(bodies, fit.placed, plumb.placements);
  return {
    bodies,
    cabinet,
    door,
    obstacles,
    placed: cabinet ? placed : [],
    left: fit.left,
    clashes: cabinet ? clashesOf(bodies, placed, cabinet, obstacles) : [],
    reach: cabinet ? reachWarnings(bodies, placed, cabinet, door) : [],
    next:
      nextDoor && tank
        ? {
            cupboard: nextDoor,
            body: tank,
            tank: placeBodies([tank], nextDoor, []).placed[0] ?? null,
          }
        : null,
  };
}

/** The proposed places, with those that a person gave instead. */
function placedBodies(
  bodies: readonly Body[],
  proposed: readonly Placed[],
  held: JobDocument['plumb']['placements'],
): Placed[] {
  return bodies.flatMap((body) => {
    const own = held?.[body.id];
    if (!own) return proposed.filter(({ id }) => id === body.id);
    return [{ id: body.id, ...own, ...shapeOf(body, own) }];
  });
}

function measuredCabinet(document: JobDocument): Cabinet | null {
  const [width, height, depth] = (['cabinetWidth', 'cabinetHeight', 'cabinetDepth'] as const).map(
    (key) => detailOf(document, key),
  );
  return width && height && depth ? { width, height, depth } : null;
}

/** A unit that stands elsewhere; a lamp that is added hangs in the cabinet, wherever the system stands that was there. */
export const remoteOf = ({ plumb }: JobDocument, system: InstalledSystem) =>
  isAddedLamp(system) ? undefined : plumb.remote;

/** What usually is under a sink until somebody draws what is there: the trap, a disposal where one was seen, a system that was there. */
function usualObstacles(
  document: JobDocument,
  cabinet: Cabinet | null,
  system: InstalledSystem,
): Obstacle[] {
  if (!cabinet) return [];
  const middle = cabinet.width / 2;
  const hung = (id: string, x: number, width: number, height: number): Obstacle => ({
    id,
    x: Math.max(x - width / 2, 0),
    y: Math.max(cabinet.height - height, 0),
    z: 0.05,
    width,
    height,
    depth: Math.min(0.22, cabinet.depth - 0.05),
  });
  const trap = hung('trap', middle, 0.18, Math.min(0.35, 0.6 * cabinet.height));
  const disposal = hung('disposal', Math.min(middle + 0.22, cabinet.width - 0.1), 0.2, 0.36);
  return [
    trap,
    ...(document.survey.site.disposal === 'yes' ? [disposal] : []),
    ...(isAddedLamp(system) ? systemThere(cabinet, system.addedTo) : []),
  ];
}

/** Where a system usually stands that was there before: its unit on the left, a tank on the floor on the right. */
function systemThere(cabinet: Cabinet, kind: ExistingSystem): Obstacle[] {
  const within = (id: string, width: number, height: number, depth: number) => ({
    id,
    width: Math.min(width, cabinet.width),
    height: Math.min(height, cabinet.height),
    depth: Math.min(depth, cabinet.depth),
  });
  if (kind === 'tankless-system')
    return [{ ...within('other-unit', 0.15, 0.42, 0.43), x: 0, y: 0, z: 0 }];
  const unit = within('other-unit', 0.27, 0.4, 0.15);
  const tank = within('other-tank', 0.28, 0.4, 0.28);
  return [
    { ...unit, x: 0, y: Math.max(cabinet.height - unit.height - 0.05, 0), z: 0 },
    { ...tank, x: cabinet.width - tank.width, y: 0, z: 0 },
  ];
}

/** Whether a system has a tank that could stand in the next cupboard. */
export const hasOwnTank = (system: InstalledSystem): boolean =>
  !isUltravioletLine(system) && bodiesOf(system, false).some(({ id }) => id === 'tank');
