import {
  chooseFeed,
  type DrainHole,
  drainHole,
  type FeedChoice,
  type FlowByFunction,
  type InstalledSystem,
  isUltravioletLine,
  type Joints,
  orderedWork,
  partsList,
  type PartsLine,
  passesWall,
  type Placed,
  type PlumbingSite,
  routesByPosition,
  type ScheduledTube,
  type TapHole,
  tapHole,
  toCore,
  type TubeRun,
  tubeRuns,
  tubeSchedule,
  ultravioletWaterline,
  waterline,
  type WorkStep,
  workOrder,
} from '@katharos/core';
import type { JobBrief } from '../job/brief.ts';
import type { JobDocument } from '../job/job.ts';
import { type CabinetPlan, cabinetPlan, panelM } from './cabinetOf.ts';
import { type PlannedHole, plannedHoles } from './holePlanSvg.ts';
import { detailOf, plumbingSite } from './siteOf.ts';

/** Everything about plumbing in a job: what was seen, what was chosen, and what follows. */
export interface Plumbing extends CabinetPlan {
  site: PlumbingSite;
  feed: FeedChoice;
  drain: DrainHole;
  tap: TapHole;
  tubes: ScheduledTube[];
  steps: WorkStep[];
  parts: PartsLine[];
  /** What is drilled at sink and counter. */
  holes: PlannedHole[];
  /** Reach of the tap's spout and what it has to reach, m; null where one is not known. */
  spout: { reachM: number; neededM: number } | null;
}

/** Works out all of plumbing for a chosen system. */
export function plumbingOf(
  document: JobDocument,
  system: InstalledSystem,
  { task, settings }: JobBrief,
): Plumbing {
  const site = plumbingSite(document);
  const { plumb } = document;
  const feed = chooseFeed(site, plumb.feed);
  const straight = detailOf(document, 'straightPipe');
  const drain = drainHole(site, {
    place: plumb.drain?.place ?? 'before-trap',
    ...drainWayOf(plumb, system),
    lengthMm: straight === null ? null : straight * 1000,
  });
  const gap = !isUltravioletLine(system) && drain.way === 'air-gap-tap';
  const tap = tapHole(site, gap ? Math.max(airGapTapMm, system.tap.holeMm) : system.tap.holeMm);
  const { today } = task.waters;
  const plan = cabinetPlan(document, system, settings.leakStop);
  const joints: Joints = {
    regulator: settings.regulatorBar !== null,
    leakStop: settings.leakStop,
    drain: drain.way,
  };
  const tubes = tubeSchedule(system, {
    joints,
    routes: routesOf(document),
    positions: positionsOf(document, tubeRuns(system, joints), plan, drain),
    sizes: plumb.sizes ?? {},
    colours: plumb.colours ?? {},
    flows: flowsOf(system, today),
    temperatureC: today.temperatureC,
    saddleM: drain.insertMm / 1000,
  });
  const steps = workOrder({
    system,
    site,
    feed,
    drain,
    tap,
    tubes,
    regulatorBar: settings.regulatorBar,
    leakStop: settings.leakStop,
    tankNextDoor: plan.next !== null,
    remote: plumb.remote?.through ?? null,
  });
  const needed = detailOf(document, 'spoutToBowl');
  const reach = system.tap.reachM;
  return {
    ...plan,
    site,
    feed,
    drain,
    tap,
    tubes,
    steps: orderedWork(steps, plumb.order ?? []),
    holes: plannedHoles(
      system.tap.dispenser ? { ...tap, mount: 'existing' } : tap,
      isUltravioletLine(system) ? null : drain,
    ),
    parts: partsList(system, steps, tubes, task.catalogue),
    spout: needed !== null && reach !== undefined ? { reachM: reach, neededM: needed } : null,
  };
}

/** A tap whose body holds the gap is bought for it; a person may still end the line elsewhere. */
const drainWayOf = ({ drain }: JobDocument['plumb'], { tap }: InstalledSystem) =>
  drain?.way ? { way: drain.way } : tap.airGap ? { way: 'air-gap-tap' as const } : {};

/** Hole of an air-gap tap, mm, at the least; its three hoses pass it. */
const airGapTapMm = 28;

/** Measured routes in metres. */
export const routesOf = (document: JobDocument): Record<string, number> =>
  Object.fromEntries(
    Object.entries(document.plumb.routes).map(([id, route]) => [id, toCore('length', route)]),
  );

/** Routes that follow from where things stand: in the cabinet and the next one, or through floor or wall. */
function positionsOf(
  { plumb }: JobDocument,
  runs: readonly TubeRun[],
  { cabinet, placed, obstacles, next }: CabinetPlan,
  drain: DrainHole,
): Record<string, number> {
  if (plumb.remote) {
    const { lengthM } = plumb.remote;
    const passing = runs.filter((run) => passesWall(run, drain.way));
    return Object.fromEntries(passing.map(({ id }) => [id, lengthM]));
  }
  if (!cabinet) return {};
  const beside: Placed[] = next?.tank
    ? [{ ...next.tank, x: cabinet.width + panelM + next.tank.x }]
    : [];
  return routesByPosition(runs, cabinet, [...placed, ...beside], obstacles);
}

/** Flow through each kind of tube while water is made and drawn. */
function flowsOf(system: InstalledSystem, water: Parameters<typeof waterline>[1]): FlowByFunction {
  const none = { feed: 0, unit: 0, tank: 0, product: 0, drain: 0 };
  if (isUltravioletLine(system)) {
    const lit = ultravioletWaterline(system, water, { tap: 'open' });
    const through = lit.ok ? lit.value.nodes[0]!.flowLPerH : 0;
    return { ...none, feed: through, unit: through, product: through };
  }
  const line = waterline(system, water, { tap: 'open', tankShare: 0.5 });
  if (!line.ok) return none;
  const flow = (id: string) =>
    Math.abs(line.value.nodes.find((node) => node.id === id)?.flowLPerH ?? 0);
  return {
    feed: flow('street'),
    unit: flow('membrane'),
    tank: Math.max(flow('tank'), flow('tap')),
    product: flow('tap'),
    drain: flow('drain'),
  };
}
