import {
  assessUltraviolet,
  branchKinds,
  chooseFeed,
  type FeedWater,
  type LampFeed,
  type DrainHole,
  drainHole,
  type FeedChoice,
  type FlowByFunction,
  type InstalledSystem,
  isAddedLamp,
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
  tubeRuns,
  tubeSchedule,
  waterline,
  type WorkStep,
  workOrder,
} from '@katharos/core';
import type { JobBrief } from '../job/brief.ts';
import type { JobDocument } from '../job/job.ts';
import { lampFeedOf } from '../words/ultraviolet.ts';
import { type CabinetPlan, cabinetPlan, panelM, remoteOf } from './cabinetOf.ts';
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
  // A lamp that is added meets neither the house's supply nor its waste nor the counter.
  const added = isAddedLamp(system);
  const regulatorBar = added ? null : settings.regulatorBar;
  const leakStop = !added && settings.leakStop;
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
  const plan = cabinetPlan(document, system, leakStop);
  const joints: Joints = { regulator: regulatorBar !== null, leakStop, drain: drain.way };
  const tubes = tubeSchedule(system, {
    joints,
    routes: { ...surveyedRoutes(document, system, joints), ...routesOf(document) },
    positions: positionsOf(document, system, plan, joints),
    sizes: plumb.sizes ?? {},
    colours: plumb.colours ?? {},
    flows: flowsOf(system, today, lampFeedOf(document.survey, today.hardnessMgL)),
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
    regulatorBar,
    leakStop,
    tankNextDoor: plan.next !== null,
    remote: remoteOf(document, system)?.through ?? null,
  });
  const needed = detailOf(document, 'spoutToBowl');
  const reach = system.tap.reachM;
  return {
    ...plan,
    site,
    feed,
    // Where nothing drains there is nothing to deviate from.
    drain: isUltravioletLine(system) ? { ...drain, deviation: false } : drain,
    tap,
    tubes,
    steps: orderedWork(steps, plumb.order ?? []),
    holes: plannedHoles(
      system.tap.dispenser || added ? { ...tap, mount: 'existing' } : tap,
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

/** Lines to a tap or a branch whose length was read in the survey. */
function surveyedRoutes(
  document: JobDocument,
  system: InstalledSystem,
  joints: Joints,
): Record<string, number> {
  // The lines of a unit elsewhere were measured along their own way.
  if (remoteOf(document, system)) return {};
  const { readings } = document.survey;
  // A branch is only there because its length was read.
  const read = (place: string) =>
    place === 'tap' || place === 'dispenser'
      ? readings.lineLength !== undefined
      : branchKinds.some((kind) => kind === place);
  return Object.fromEntries(
    tubeRuns(system, joints)
      .filter(({ to }) => read(to))
      .map(({ id, routeM }) => [id, routeM]),
  );
}

/** Measured routes in metres. */
export const routesOf = (document: JobDocument): Record<string, number> =>
  Object.fromEntries(
    Object.entries(document.plumb.routes).map(([id, route]) => [id, toCore('length', route)]),
  );

/** Routes that follow from where things stand: in the cabinet and the next one, or through floor or wall. */
function positionsOf(
  document: JobDocument,
  system: InstalledSystem,
  { cabinet, placed, obstacles, next }: CabinetPlan,
  joints: Joints,
): Record<string, number> {
  const runs = tubeRuns(system, joints);
  const remote = remoteOf(document, system);
  if (remote) {
    const passing = runs.filter((run) => passesWall(run, joints.drain));
    return Object.fromEntries(passing.map(({ id }) => [id, remote.lengthM]));
  }
  if (!cabinet) return {};
  const beside: Placed[] = next?.tank
    ? [{ ...next.tank, x: cabinet.width + panelM + next.tank.x }]
    : [];
  return routesByPosition(system, runs, { cabinet, placed: [...placed, ...beside], obstacles });
}

/** Flow through each kind of tube while water is made and drawn. */
function flowsOf(system: InstalledSystem, water: FeedWater, lampFeed: LampFeed): FlowByFunction {
  const none = { feed: 0, unit: 0, tank: 0, product: 0, drain: 0 };
  if (isUltravioletLine(system)) {
    const lit = assessUltraviolet(system, water, lampFeed);
    const through = lit.ok ? lit.value.flowLPerMin * 60 : 0;
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
