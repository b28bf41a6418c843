import type { Passage } from '../places/passage.ts';
import {
  type ExistingSystem,
  type InstalledSystem,
  isAddedLamp,
  isUltravioletLine,
} from '../../system/ultravioletLine.ts';
import { bodiesOf } from './bodies.ts';
import {
  type Body,
  type Cabinet,
  type Clash,
  clashesOf,
  type Obstacle,
  placeBodies,
  type Placed,
  shapeOf,
} from './placing.ts';
import { type Door, type ReachWarning, reachWarnings } from './reach.ts';

/** A unit in the cellar or behind the wall: what its lines pass, how long each is and how far they rise to the tap, m. */
export interface RemotePlace {
  through: Passage;
  lengthM: number;
  riseM: number;
}

/** What was measured and decided of the cabinet; what is absent was not. */
export interface CabinetSurvey {
  cabinet: Cabinet | null;
  door: Door | null;
  /** Whether a waste disposal was seen. */
  disposal: boolean;
  obstacles?: readonly Obstacle[] | undefined;
  /** Places that a person gave to bodies, by id. */
  placements?: Readonly<Record<string, Pick<Placed, 'x' | 'y' | 'z' | 'lies' | 'turned'>>>;
  /** The cupboard beside, where the tank stands in it. */
  nextCupboard?: Cabinet | undefined;
  remote?: RemotePlace | undefined;
}

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

/** Places what a system brings in what was measured. Lengths in m; errors: none, what does not fit is listed. */
export function cabinetPlan(
  system: InstalledSystem,
  survey: CabinetSurvey,
  leakStop: boolean,
): CabinetPlan {
  const { cabinet, door, nextCupboard, placements = {} } = survey;
  const remote = remotePlace(survey, system);
  const obstacles = [...(survey.obstacles ?? usualObstacles(survey, system))];
  const all = bodiesOf(system, leakStop);
  const tank = all.find(({ id }) => id === 'tank');
  const nextDoor = nextCupboard && tank && !remote ? nextCupboard : null;
  const bodies = remote ? [] : nextDoor ? all.filter(({ id }) => id !== 'tank') : all;
  const fit = cabinet ? placeBodies(bodies, cabinet, obstacles) : { placed: [], left: [] };
  const placed = placedBodies(bodies, fit.placed, placements);
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
  held: NonNullable<CabinetSurvey['placements']>,
): Placed[] {
  return bodies.flatMap((body) => {
    const own = held[body.id];
    if (!own) return proposed.filter(({ id }) => id === body.id);
    return [{ id: body.id, ...own, ...shapeOf(body, own) }];
  });
}

/** A unit that stands elsewhere; a lamp that is added hangs in the cabinet, wherever the system stands that was there. */
export const remotePlace = (
  { remote }: Pick<CabinetSurvey, 'remote'>,
  system: InstalledSystem,
): RemotePlace | undefined => (isAddedLamp(system) ? undefined : remote);

/** What usually is under a sink until somebody draws what is there: the trap, a disposal where one was seen, a system that was there. */
function usualObstacles({ cabinet, disposal }: CabinetSurvey, system: InstalledSystem): Obstacle[] {
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
  const pushing = hung('disposal', Math.min(middle + 0.22, cabinet.width - 0.1), 0.2, 0.36);
  return [
    trap,
    ...(disposal ? [pushing] : []),
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
