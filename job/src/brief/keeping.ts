import {
  assess,
  type Due,
  dayOf,
  duesOf,
  type History,
  isUltravioletLine,
  newMembrane,
  nextVisit,
  type Outcome,
  roSystemOf,
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
import type { ServiceVisitRecord } from '../document/serviceRecord.ts';
import { type FirmSettings, usualKeeping } from '../fields/firmSettings.ts';
import { verifyFields, type VerifyKey } from '../fields/fields.ts';
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
/** What a visit is asked for. */
export const visitKeys = Object.keys(figures) as (keyof typeof figures)[];

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

/** What a system's readings over the years ask of the trend; undefined without a membrane, a water or a reading. */
export function historyOf(document: Installed, brief = briefFor(document)): History | undefined {
  const design = membraneDesign(document);
  const since = inUseSince(document);
  if (!design || !since || !brief) return undefined;
  const { water, assessed } = brief;
  const { feed, membrane, restrictor, prefilters, pump } = roSystemOf(design, water, newMembrane);
  const visits = visitsInOrder(document);
  const readings = [
    ...readOn(since, document.verify.readings),
    ...visits.flatMap(([, { at, readings: read }]) => readOn(dateOfInstant(at), read)),
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
  };
}

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
  visit: ServiceVisit | null;
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
  const history = historyOf(document, brief);
  // Asked for today: a membrane that was changed after its last reading is a new one.
  const lastRead =
    history?.readings
      .map(({ date }) => date)
      .sort()
      .at(-1) ?? today;
  const found = history ? trend({ ...history, asOf: lastRead > today ? lastRead : today }) : null;
  const { school, tripPrice } = { ...usualKeeping, ...keeping };
  const named = (key: 'saltPassage' | 'flow') => {
    const on = found?.ok && found.value[key].state !== 'not-enough' ? found.value[key].dueOn : null;
    return on === null ? null : dayOf(on);
  };
  const dues = duesOf({
    design,
    assessed: brief.assessed,
    demandLPerDay: brief.brief.requirements.demandLPerDay,
    disinfectant: brief.brief.facts.disinfectant,
    ownSource: isOwnSource(document.survey),
    handedOver: dayOf(since)!,
    lastDone: lastDoneOf(document),
    membraneDue: { saltPassage: named('saltPassage'), flow: named('flow') },
    school,
  });
  return { since, trend: found, dues, visit: nextVisit(dues, tripPrice, dayOf(today)!) };
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
