import {
  bodiesOf,
  type Body,
  type Cabinet,
  chooseFeed,
  type DrainHole,
  drainHole,
  type FeedChoice,
  type FlowByFunction,
  type InstalledSystem,
  isUltravioletLine,
  type Obstacle,
  orderedWork,
  placeBodies,
  type Placed,
  type PlumbingSite,
  routesByPosition,
  type ScheduledTube,
  type TapHole,
  tapHole,
  toCore,
  tubeRuns,
  tubeSchedule,
  ultravioletWaterline,
  waterline,
  type WorkStep,
  workOrder,
} from '@katharos/core';
import type { JobBrief } from './brief.ts';
import { detailFields, type DetailKey } from './fields.ts';
import type { JobDocument } from './job.ts';

/** Everything about plumbing in a job: what was seen, what was chosen, and what follows. */
export interface Plumbing {
  site: PlumbingSite;
  feed: FeedChoice;
  drain: DrainHole;
  tap: TapHole;
  tubes: ScheduledTube[];
  steps: WorkStep[];
  bodies: Body[];
  /** Null until it was measured. */
  cabinet: Cabinet | null;
  obstacles: Obstacle[];
  /** As proposed, or where a person put things; empty while the cabinet is not measured. */
  placed: Placed[];
  /** Reach of the tap's spout and what it has to reach, m; null where one is not known. */
  spout: { reachM: number; neededM: number } | null;
}

const detailOf = ({ survey }: JobDocument, key: DetailKey): number | null => {
  const reading = survey.details[key];
  return reading ? toCore(detailFields[key].dimension, reading) : null;
};

const yes = (answer: 'yes' | 'no' | undefined): boolean | null =>
  answer === undefined ? null : answer === 'yes';

/** What was seen under the sink, as the core wants it. */
export function plumbingSite(document: JobDocument): PlumbingSite {
  const { site, outlet } = document.survey;
  return {
    supply: site.supplyKind ?? null,
    drainMaterial: site.drainMaterial ?? null,
    drainRun: site.drainRun ?? null,
    drainPipeM: detailOf(document, 'drainPipe'),
    disposal: yes(site.disposal),
    dishwasher: yes(site.dishwasher),
    airGap: yes(site.airGap),
    counter: site.counter ?? null,
    holeThere: yes(site.tapHole),
    drilling: site.drilling ?? null,
    outlet: outlet === 'unknown' ? null : outlet,
    frost: yes(site.frost),
  };
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
    ...(plumb.drain?.way ? { way: plumb.drain.way } : {}),
    lengthMm: straight === null ? null : straight * 1000,
  });
  const gap = !isUltravioletLine(system) && drain.way === 'air-gap-tap';
  const tap = tapHole(site, gap ? airGapTapMm : system.tap.holeMm);
  const { today } = task.waters;
  const cabinet = cabinetOf(document);
  const obstacles = plumb.obstacles ?? usualObstacles(document);
  const bodies = bodiesOf(system, settings.leakStop);
  const placed = cabinet
    ? placedBodies(bodies, placeBodies(bodies, cabinet, obstacles).placed, plumb.placements)
    : [];
  const tubes = tubeSchedule(system, {
    routes: routesOf(document),
    positions: cabinet ? routesByPosition(tubeRuns(system), cabinet, placed, obstacles) : {},
    colours: plumb.colours ?? {},
    flows: flowsOf(system, today),
    temperatureC: today.temperatureC,
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
  });
  const needed = detailOf(document, 'spoutToBowl');
  const reach = system.tap.reachM;
  return {
    site,
    feed,
    drain,
    tap,
    tubes,
    steps: orderedWork(steps, plumb.order ?? []),
    bodies,
    cabinet,
    obstacles,
    placed,
    spout: needed !== null && reach !== undefined ? { reachM: reach, neededM: needed } : null,
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
    const { width, height, depth } = body;
    const shape = own.lies ? { width: height, height: width, depth } : { width, height, depth };
    return [{ id: body.id, ...shape, ...own }];
  });
}

/** Hole of an air-gap tap, mm; its three hoses pass it. */
const airGapTapMm = 28;

/** Measured routes in metres. */
export const routesOf = (document: JobDocument): Record<string, number> =>
  Object.fromEntries(
    Object.entries(document.plumb.routes).map(([id, route]) => [id, toCore('length', route)]),
  );

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

function cabinetOf(document: JobDocument): Cabinet | null {
  const [width, height, depth] = (['cabinetWidth', 'cabinetHeight', 'cabinetDepth'] as const).map(
    (key) => detailOf(document, key),
  );
  return width && height && depth ? { width, height, depth } : null;
}

/** What usually hangs under a sink until somebody draws what is there: the trap, and a disposal where one was seen. */
function usualObstacles(document: JobDocument): Obstacle[] {
  const cabinet = cabinetOf(document);
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
  return document.survey.site.disposal === 'yes'
    ? [trap, hung('disposal', Math.min(middle + 0.22, cabinet.width - 0.1), 0.2, 0.36)]
    : [trap];
}
