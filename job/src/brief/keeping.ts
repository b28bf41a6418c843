import {
  type Ageing,
  assess,
  type Due,
  dateOf,
  dayOf,
  dropDoubledAfter,
  duesOf,
  flushTimes,
  type History,
  isUltravioletLine,
  newMembrane,
  nextVisit,
  type Outcome,
  roSystemOf,
  type Serviced,
  type ServicedKind,
  type ServicedSite,
  servicedOf,
  type ServiceEvent,
  type ServiceVisit,
  type SystemDesign,
  toCore,
  trend,
  type Trend,
  type VisitReadings,
} from '@katharos/core';
import type { JobDocument } from '../document/job.ts';
import type { Reading } from '../document/reading.ts';
import {
  visitFields,
  type ServiceVisitRecord,
  type VisitSign,
  visitSigns,
} from '../document/serviceRecord.ts';
import { type FirmSettings, usualKeeping } from '../fields/firmSettings.ts';
import { type NotedKey, verifyFields, type VerifyKey } from '../fields/fields.ts';
import { briefOf, isOwnSource, optionsOf } from './brief.ts';

/** Reads an installed system's years: its history for the trend, and what is due. */

type Installed = Pick<JobDocument, 'survey' | 'size' | 'system' | 'verify' | 'keep' | 'service'>;

const dateOfInstant = (at: string): string => at.slice(0, 10);

/** Calendar day from which a system counts as in use; undefined while it is not handed over. */
export const inUseSince = ({ system, keep, service }: Installed): string | undefined =>
  system
    ? (service?.since ?? (keep.issued ? dateOfInstant(keep.issued.at) : undefined))
    : undefined;

/** Visits in the order of their days. */
export const visitsInOrder = ({
  service,
}: Pick<JobDocument, 'service'>): [string, ServiceVisitRecord][] =>
  Object.entries(service?.visits ?? {}).sort(([, a], [, b]) => a.at.localeCompare(b.at));

/** Which figure of the trend each reading is. */
const figures = {
  feedTds: 'feedTdsMgL',
  productTds: 'permeateTdsMgL',
  temperature: 'temperatureC',
  pressure: 'supplyPressureBar',
  membranePressure: 'membranePressureBar',
  productFlow: 'permeateFlowLPerH',
  drainFlow: 'concentrateFlowLPerH',
} as const satisfies Partial<Record<VerifyKey, keyof VisitReadings>>;
/** What a visit is asked for, for the membrane. */
export const visitKeys = Object.keys(figures) as (keyof typeof figures)[];
/** What it is asked for besides, each for something that is due by it. */
export const conditionKeys = ['staticPressure', 'chlorineAfterCarbon', 'productCounter'] as const;

/** What was read on a day in the core's units; nothing where nothing was, or it was practice. */
function readOn(
  date: string,
  readings: Partial<Record<VerifyKey, Reading | undefined>>,
): VisitReadings[] {
  const read = visitKeys.flatMap((key): [string, number][] => {
    const reading = readings[key];
    return reading && !reading.simulated
      ? [[figures[key], toCore(verifyFields[key].dimension, reading)]]
      : [];
  });
  return read.length > 0 ? [{ date, ...Object.fromEntries(read) }] : [];
}

/**
 * What a visit read, as the trend wants it: readings on the day of a membrane's change are the new one's. What was found before is the
 * old one's, and stands a day earlier; what was read after any other change is the same membrane twice on one day, and left out.
 */
function readAt({ at, readings, changed = {}, after = {} }: ServiceVisitRecord): VisitReadings[] {
  const date = dateOfInstant(at);
  return 'membrane' in changed
    ? [...readOn(dateOf(dayOf(date)! - 1), readings), ...readOn(date, after)]
    : readOn(date, readings);
}

/** What a system's readings over the years ask of the trend; undefined without a membrane, a water or a reading. */
export function historyOf(
  document: Installed,
  brief = briefFor(document),
  { keeping = {} }: Pick<FirmSettings, 'keeping'> = {},
): History | undefined {
  const design = membraneDesign(document);
  const since = inUseSince(document);
  if (!design || !since || !brief) return undefined;
  const { water, assessed } = brief;
  const { feed, membrane, restrictor, prefilters, pump } = roSystemOf(design, water, newMembrane);
  const visits = visitsInOrder(document);
  const readings = [
    ...readOn(since, document.verify.readings),
    ...visits.flatMap(([, visit]) => readAt(visit)),
  ];
  if (readings.length === 0) return undefined;
  const events = visits.flatMap(([, { at, changed = {} }]) =>
    Object.keys(changed).flatMap((id): ServiceEvent[] => {
      const date = dateOfInstant(at);
      if (id === 'membrane') return [{ date, kind: 'membrane-change' }];
      return id.startsWith('prefilter') ? [{ date, kind: 'prefilter-change' }] : [];
    }),
  );
  return {
    feed,
    membrane,
    restrictor,
    prefilters,
    pump,
    permeateBackPressureBar: assessed.running.permeateBackPressureBar,
    readings,
    events,
    limits: limitsOf(keeping),
  };
}

/** Where the firm changes a membrane; what it does not say stands at the usual. */
const limitsOf = ({
  saltPassageFactor,
  flowFactor,
}: NonNullable<FirmSettings['keeping']>): NonNullable<History['limits']> => ({
  ...(saltPassageFactor === undefined ? {} : { saltPassageFactor }),
  ...(flowFactor === undefined ? {} : { flowFactor }),
});

const membraneDesign = ({ system }: Installed): SystemDesign | undefined =>
  system && !isUltravioletLine(system.design) ? system.design : undefined;

/** The water and the household of an installed system; undefined while the survey contradicts itself. */
function briefFor(document: Installed) {
  const design = membraneDesign(document);
  if (!design) return undefined;
  const brief = briefOf(document.survey, [], { overruled: optionsOf(document.size.overruled) });
  if (!brief.ok) return undefined;
  const water = brief.value.task.waters.today;
  const assessed = assess(design, water);
  return assessed.ok ? { brief: brief.value, water, assessed: assessed.value } : undefined;
}

/** What is known of an installed system on a day. */
export interface Kept {
  since: string;
  /** Null while nothing was read that a trend can be made of. */
  trend: Outcome<Trend> | null;
  dues: Due[];
  /** What a counter says that is drawn, L/day; null where the household's own figure stands. */
  countedLPerDay: number | null;
  visit: ServiceVisit | null;
  /** See the core's `dropDoubledAfter`. */
  dropDoubledAfterMonths: number | null;
  /** For how long the firm answers for what it put in; 0 for not. */
  warrantyMonths: number;
}

/**
 * How an installed system stands: its trend, what is due and why, and the next visit.
 * @param today ISO calendar day of whoever asks
 */
export function keptOf(
  document: Installed,
  { keeping }: Pick<FirmSettings, 'keeping'>,
  today: string,
): Kept | undefined {
  const design = membraneDesign(document);
  const since = inUseSince(document);
  const brief = briefFor(document);
  if (!design || !since || !brief) return undefined;
  const history = historyOf(document, brief, { keeping });
  // Asked for today: a membrane that was changed after its last reading is a new one.
  const lastRead =
    history?.readings
      .map(({ date }) => date)
      .sort()
      .at(-1) ?? today;
  const found = history ? trend({ ...history, asOf: lastRead > today ? lastRead : today }) : null;
  const { school, tripPrice, warrantyMonths } = { ...usualKeeping, ...keeping };
  const named = (key: 'saltPassage' | 'flow') => {
    const on = found?.ok && found.value[key].state !== 'not-enough' ? found.value[key].dueOn : null;
    return on === null ? null : dayOf(on);
  };
  const site = servicedSiteOf(document);
  const lastDone = lastDoneOf(document);
  const counted = countedLPerDay(document, since);
  const doubled = history && dropDoubledAfter(history);
  const dropDoubledAfterMonths = doubled?.ok ? doubled.value : null;
  const dues = duesOf({
    design,
    assessed: brief.assessed,
    demandLPerDay: counted ?? brief.brief.requirements.demandLPerDay,
    disinfectant: brief.brief.facts.disinfectant,
    site,
    handedOver: dayOf(since)!,
    lastDone,
    membraneDue: {
      saltPassage: named('saltPassage'),
      flow: named('flow'),
      told:
        found?.ok === true &&
        found.value.saltPassage.state !== 'not-enough' &&
        found.value.flow.state !== 'not-enough',
    },
    foundSpent: foundSpentOf(document, servicedOf(design, site)),
    dropDoubledAfterMonths,
    lampCounter: lampCounterOf(document),
    school,
  });
  return {
    since,
    trend: found,
    dues,
    countedLPerDay: counted,
    warrantyMonths,
    dropDoubledAfterMonths,
    visit: nextVisit(dues, tripPrice, dayOf(today)!),
  };
}

/** What of the house belongs to the service of a job's system. */
export function servicedSiteOf({
  survey,
  size,
}: Pick<JobDocument, 'survey' | 'size'>): ServicedSite {
  const brief = briefOf(survey, [], { overruled: optionsOf(size.overruled) });
  return {
    ownSource: isOwnSource(survey),
    regulator: brief.ok && brief.value.settings.regulatorBar !== null,
    leakStop: brief.ok && brief.value.settings.leakStop,
  };
}

/** Which kind of thing each sign says is spent. */
const spentBy = {
  'sediment-brown': 'sediment',
  'pad-wet': 'leak-stop',
  'pressure-unheld': 'regulator',
} as const satisfies Record<VisitSign, ServicedKind>;

/** Days on which something was found spent and not changed at the same visit, by id. */
function foundSpentOf(document: Installed, serviced: readonly Serviced[]): Record<string, number> {
  const found: Record<string, number> = {};
  for (const [, { at, seen = {}, readings, changed = {} }] of visitsInOrder(document)) {
    const kinds = new Set<ServicedKind>(
      visitSigns.filter((sign) => seen[sign]).map((sign) => spentBy[sign]),
    );
    const chlorine = readings.chlorineAfterCarbon;
    const isThrough =
      chlorine &&
      !chlorine.below &&
      !chlorine.simulated &&
      toCore(verifyFields.chlorineAfterCarbon.dimension, chlorine) >= flushTimes.stripMgL;
    if (isThrough) kinds.add('carbon');
    for (const { id, kind } of serviced) {
      if (id in changed) delete found[id];
      else if (kinds.has(kind)) found[id] ??= dayOf(dateOfInstant(at))!;
    }
  }
  return found;
}

/** The lamp's counter as it was read last since the lamp was new. */
function lampCounterOf(document: Installed): { hours: number; on: number } | null {
  let counter: { hours: number; on: number } | null = null;
  for (const [, { at, lampHours, changed = {} }] of visitsInOrder(document)) {
    if (lampHours !== undefined) counter = { hours: lampHours, on: dayOf(dateOfInstant(at))! };
    if ('lamp' in changed) counter = null;
  }
  return counter;
}

/** Between two readings of a counter that say anything, days. */
const leastCountedDays = 14;

/**
 * What is drawn by a counter in the product's line, L/day: over all of its readings since it was last set back or changed; null where two
 * are not there.
 */
function countedLPerDay(document: Installed, since: string): number | null {
  const read = (reading: Reading | undefined) =>
    reading && !reading.simulated ? [toCore('volume', reading)] : [];
  let stretch: { day: number; litres: number }[] = [];
  const all = [
    ...read(document.verify.noted?.productCounter).map((litres) => ({
      day: dayOf(since)!,
      litres,
    })),
    ...visitsInOrder(document).flatMap(([, { at, readings }]) =>
      read(readings.productCounter).map((litres) => ({ day: dayOf(dateOfInstant(at))!, litres })),
    ),
  ];
  for (const one of all) {
    const before = stretch.at(-1);
    stretch = before && one.litres < before.litres ? [one] : [...stretch, one];
  }
  const [first, last] = [stretch[0], stretch.at(-1)];
  if (!first || !last || last.day - first.day < leastCountedDays) return null;
  return (last.litres - first.litres) / (last.day - first.day);
}

/** How far a membrane has aged by what its visits read; undefined while they do not tell of both factors. */
export function ageingBy(document: Installed): Ageing | undefined {
  const history = visitsInOrder(document).length > 0 ? historyOf(document) : undefined;
  const found = history && trend(history);
  if (!found?.ok) return undefined;
  const { saltPassage, flow } = found.value;
  if (saltPassage.state === 'not-enough' || flow.state === 'not-enough') return undefined;
  return { flowFactor: flow.factorNow, saltPassageFactor: saltPassage.factorNow };
}

/** The day on which each thing was changed or done last. */
function lastDoneOf(document: Installed): Record<string, number> {
  const done: Record<string, number> = {};
  // In the order of their days: the last one stands.
  for (const [, { at, changed = {} }] of visitsInOrder(document)) {
    for (const id of Object.keys(changed)) done[id] = dayOf(dateOfInstant(at))!;
  }
  return done;
}

/** A figure that was read, in the core's units: what questions across a firm are asked of. */
export interface ReadRow {
  /** The hand-over, or a visit's id. */
  visit: string;
  figure: VerifyKey | NotedKey;
  /** ISO calendar day. */
  readOn: string;
  value: number;
}

/** All that was read at an installed system, hand-over and visits; no practice. */
export function readRowsOf(document: Installed): ReadRow[] {
  const since = inUseSince(document);
  if (!since) return [];
  const rows = (
    visit: string,
    readOn: string,
    readings: Partial<Record<VerifyKey | NotedKey, Reading | undefined>>,
  ) =>
    Object.entries(readings).flatMap(([key, reading]): ReadRow[] => {
      const figure = key as VerifyKey | NotedKey;
      return reading && !reading.simulated
        ? [{ visit, figure, readOn, value: toCore(visitFields[figure].dimension, reading) }]
        : [];
    });
  return [
    ...rows('hand-over', since, { ...document.verify.readings, ...document.verify.noted }),
    ...visitsInOrder(document).flatMap(([id, { at, readings, after = {} }]) => [
      ...rows(id, dateOfInstant(at), readings),
      ...rows(`${id}, after`, dateOfInstant(at), after),
    ]),
  ];
}
