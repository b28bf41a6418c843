import {
  type CabinetSurvey,
  type InstalledSystem,
  plumbing,
  type Plumbing,
  type PlumbingSite,
  type PlumbingTask,
  partsOf,
  toCore,
  type TreatmentPart,
} from '@katharos/core';
import type { JobBrief } from './brief.ts';
import { detailFields, type DetailKey } from '../fields/fields.ts';
import type { JobDocument } from '../document/job.ts';
import { lampFeedOf } from './lampFeed.ts';

/** What of the work's decisions plumbing follows from: no tick, note or coil changes anything in it. */
export const plumbingDecisions = [
  'routes',
  'obstacles',
  'placements',
  'nextCupboard',
  'remote',
  'feed',
  'drain',
  'colours',
  'sizes',
  'order',
] as const satisfies (keyof JobDocument['plumb'])[];

/** A job, as far as its plumbing follows from it. */
export interface Plumbed {
  survey: JobDocument['survey'];
  plumb: Pick<JobDocument['plumb'], (typeof plumbingDecisions)[number]>;
}

/** A detail of the survey in the core's unit; null where it was not read. */
export const detailOf = ({ survey }: Pick<Plumbed, 'survey'>, key: DetailKey): number | null => {
  const reading = survey.details[key];
  return reading ? toCore(detailFields[key].dimension, reading) : null;
};

const yes = (answer: 'yes' | 'no' | undefined): boolean | null =>
  answer === undefined ? null : answer === 'yes';

/** What was seen under the sink, as the core wants it. */
export function plumbingSite(document: Plumbed): PlumbingSite {
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

/** The cabinet as it was measured, and what was decided about it. */
export function cabinetSurvey(document: Plumbed): CabinetSurvey {
  const { plumb, survey } = document;
  const read = (key: DetailKey) => detailOf(document, key);
  const [width, height, depth] = [
    read('cabinetWidth'),
    read('cabinetHeight'),
    read('cabinetDepth'),
  ];
  const door = { width: read('doorWidth'), height: read('doorHeight') };
  return {
    cabinet: width && height && depth ? { width, height, depth } : null,
    door: door.width && door.height ? { width: door.width, height: door.height } : null,
    disposal: survey.site.disposal === 'yes',
    obstacles: plumb.obstacles,
    placements: plumb.placements ?? {},
    nextCupboard: plumb.nextCupboard,
    remote: plumb.remote,
  };
}

/** Measured routes in metres. */
export const routesOf = (document: Plumbed): Record<string, number> =>
  Object.fromEntries(
    Object.entries(document.plumb.routes).map(([id, route]) => [id, toCore('length', route)]),
  );

/** What was decided on against scale, from the firm's own catalogue; null where nothing was, or it has none. */
function treatmentOf(
  { softener, inhibitor }: JobBrief['settings'],
  catalogue: JobBrief['task']['catalogue'],
): TreatmentPart | null {
  const method = softener ? 'softening' : inhibitor ? 'inhibitor' : null;
  return partsOf(catalogue, 'treatment').find((part) => part.method === method) ?? null;
}

/** A job's plumbing as the core wants it. */
export function plumbingTask(
  document: Plumbed,
  system: InstalledSystem,
  { task, settings }: JobBrief,
): PlumbingTask {
  const { plumb, survey } = document;
  const { today } = task.waters;
  return {
    system,
    site: plumbingSite(document),
    water: today,
    lampFeed: lampFeedOf(survey, today.hardnessMgL),
    catalogue: task.catalogue,
    regulatorBar: settings.regulatorBar,
    leakStop: settings.leakStop,
    treatment: treatmentOf(settings, task.catalogue),
    cabinet: cabinetSurvey(document),
    measured: {
      straightPipeM: detailOf(document, 'straightPipe'),
      spoutToBowlM: detailOf(document, 'spoutToBowl'),
      tapLine: survey.readings.lineLength !== undefined,
      routes: routesOf(document),
    },
    chosen: {
      feed: plumb.feed,
      drain: plumb.drain,
      colours: plumb.colours,
      sizes: plumb.sizes,
      order: plumb.order,
    },
  };
}

/** Works out all of plumbing for a job's system. */
export const plumbingOf = (document: Plumbed, system: InstalledSystem, brief: JobBrief): Plumbing =>
  plumbing(plumbingTask(document, system, brief));
