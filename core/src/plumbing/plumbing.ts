import type { Part, TreatmentPart } from '../catalogue/parts.ts';
import type { FeedWater } from '../system/design.ts';
import {
  assessUltraviolet,
  type InstalledSystem,
  isAddedLamp,
  isUltravioletLine,
  type LampFeed,
} from '../system/ultravioletLine.ts';
import { waterline } from '../system/waterline.ts';
import {
  type CabinetPlan,
  cabinetPlan,
  type CabinetSurvey,
  panelM,
  remotePlace,
} from './cabinet/cabinetPlan.ts';
import type { Placed } from './cabinet/placing.ts';
import {
  type DrainHole,
  drainHole,
  type SaddlePlace,
  usualDrainWay,
} from './connections/drainHole.ts';
import { chooseFeed, type FeedChoice, type FeedConnection } from './connections/feedConnection.ts';
import { type PlannedHole, plannedHoles } from './connections/plannedHoles.ts';
import type { PlumbingSite } from './connections/siteFacts.ts';
import { type TapHole, tapHole } from './connections/tapHole.ts';
import { orderedWork } from './order/orderedWork.ts';
import { partsList, type PartsLine } from './order/partsList.ts';
import { workOrder } from './order/workOrder.ts';
import type { WorkStep } from './order/workStep.ts';
import { passesWall } from './places/passesWall.ts';
import type { DrainWay } from './places/drainWay.ts';
import { readPlace } from './places/place.ts';
import type { TubeSize } from './places/tubeSize.ts';
import { routesByPosition } from './tubes/routesByPosition.ts';
import { type Joints, tubeRuns } from './tubes/tubeRuns.ts';
import {
  type ColourMap,
  type FlowByFunction,
  type ScheduledTube,
  tubeSchedule,
} from './tubes/tubeSchedule.ts';

/** All that plumbing a system into a house is worked out from. Lengths in m. */
export interface PlumbingTask {
  system: InstalledSystem;
  site: PlumbingSite;
  /** The water as measured, behind regulator and softener. */
  water: FeedWater;
  lampFeed: LampFeed;
  catalogue: readonly Part[];
  regulatorBar: number | null;
  leakStop: boolean;
  /** A softener or scale inhibitor that was decided on. */
  treatment?: TreatmentPart | null;
  cabinet: CabinetSurvey;
  measured: {
    /** Straight part of the waste pipe, m; null where it was not measured. */
    straightPipeM: number | null;
    /** From the tap's hole to where the stream shall fall, m. */
    spoutToBowlM: number | null;
    /** Whether the line to the tap was measured; a branch is only there because its line was. */
    tapLine: boolean;
    /** Routes that were measured, by run. */
    routes: Readonly<Record<string, number>>;
  };
  /** What a person decided instead of what is proposed. */
  chosen: {
    feed?: FeedConnection | undefined;
    drain?: { way?: DrainWay | undefined; place?: SaddlePlace | undefined } | undefined;
    colours?: ColourMap | undefined;
    sizes?: Readonly<Record<string, TubeSize>> | undefined;
    order?: readonly string[] | undefined;
  };
}

/** What stands ahead of the unit against scale is bought with it; how it is joined is on its own sheet. */
const treatmentLines = (treatment: TreatmentPart | null): PartsLine[] =>
  treatment
    ? [
        {
          id: treatment.id,
          key: treatment.id,
          name: treatment.name,
          quantity: 1,
          inKit: 0,
          unit: 'piece',
          price: treatment.price,
        },
      ]
    : [];

/** What follows for plumbing: holes, places, tubes, the order of work and its parts. */
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

/** Hole of an air-gap tap, mm, at the least; its three hoses pass it. */
const airGapTapMm = 28;

/** Works out all of plumbing for a system. Errors: none; what does not fit or is not known is said in the result. */
export function plumbing(task: PlumbingTask): Plumbing {
  const { system, site, water, cabinet, measured, chosen } = task;
  // A lamp that is added meets neither the house's supply nor its waste nor the counter.
  const added = isAddedLamp(system);
  const regulatorBar = added ? null : task.regulatorBar;
  const leakStop = !added && task.leakStop;
  const feed = chooseFeed(site, chosen.feed);
  const { straightPipeM, spoutToBowlM } = measured;
  const way = drainWay(task);
  const joints: Joints = { regulator: regulatorBar !== null, leakStop, drain: way };
  const drain = drainHole(site, {
    place: chosen.drain?.place ?? 'before-trap',
    way,
    tube: drainTube(task, joints),
    lengthMm: straightPipeM === null ? null : straightPipeM * 1000,
  });
  const gap = !isUltravioletLine(system) && drain.way === 'air-gap-tap';
  const tap = tapHole(site, gap ? Math.max(airGapTapMm, system.tap.holeMm) : system.tap.holeMm);
  const plan = cabinetPlan(system, cabinet, leakStop);
  const tubes = tubeSchedule(system, {
    joints,
    routes: { ...surveyedRoutes(task, joints), ...measured.routes },
    positions: positionsOf(task, plan, joints),
    sizes: chosen.sizes ?? {},
    // A kit's own colours, unless a person noted others.
    colours: { ...(isUltravioletLine(system) ? {} : system.kit?.colours), ...chosen.colours },
    flows: flowsOf(task),
    temperatureC: water.temperatureC,
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
    remote: remotePlace(cabinet, system)?.through ?? null,
  });
  const reachM = system.tap.reachM;
  return {
    ...plan,
    site,
    feed,
    // Where nothing drains there is nothing to deviate from.
    drain: isUltravioletLine(system) ? { ...drain, deviation: false } : drain,
    tap,
    tubes,
    steps: orderedWork(steps, chosen.order ?? []),
    holes: plannedHoles(
      system.tap.dispenser || system.tap.combined || added ? { ...tap, mount: 'existing' } : tap,
      isUltravioletLine(system) ? null : drain,
    ),
    parts: [
      ...partsList(system, steps, tubes, task.catalogue),
      ...treatmentLines(task.treatment ?? null),
    ],
    spout: spoutToBowlM !== null && reachM !== undefined ? { reachM, neededM: spoutToBowlM } : null,
  };
}

/**
 * A tap whose body holds the gap is bought for it; a person may still end the line elsewhere. Where nothing may be drilled only what needs
 * no hole is left, whoever chose.
 */
const drainWay = ({ system, site, chosen }: PlumbingTask): DrainWay =>
  site.drilling === 'no'
    ? 'standpipe'
    : (chosen.drain?.way ?? (system.tap.airGap ? 'air-gap-tap' : usualDrainWay(site)));

/** Size of the tube that ends at the waste; hole and saddle pass it. */
function drainTube({ system, chosen }: PlumbingTask, joints: Joints): TubeSize {
  const run = tubeRuns(system, joints).find(({ to }) => to === 'drain');
  return run ? (chosen.sizes?.[run.id] ?? run.size) : '1/4"';
}

/** Lines to a tap or a branch whose length was read in the survey. */
function surveyedRoutes(
  { system, cabinet, measured }: PlumbingTask,
  joints: Joints,
): Record<string, number> {
  // The lines of a unit elsewhere were measured along their own way.
  if (remotePlace(cabinet, system)) return {};
  return Object.fromEntries(
    tubeRuns(system, joints)
      .filter(({ to }) => {
        const { kind } = readPlace(to);
        return kind === 'tap' || kind === 'dispenser' ? measured.tapLine : kind === 'branch';
      })
      .map(({ id, routeM }) => [id, routeM]),
  );
}

/** Routes that follow from where things stand: in the cabinet and the next one, or through floor or wall. */
function positionsOf(
  { system, cabinet: survey }: PlumbingTask,
  { cabinet, placed, obstacles, next }: CabinetPlan,
  joints: Joints,
): Record<string, number> {
  const runs = tubeRuns(system, joints);
  const remote = remotePlace(survey, system);
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
function flowsOf({ system, water, lampFeed }: PlumbingTask): FlowByFunction {
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
