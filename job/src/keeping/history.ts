import {
  type Ageing,
  dateOf,
  dayOf,
  type History,
  newMembrane,
  roSystemOf,
  type ServiceEvent,
  toCore,
  trend,
  type VisitReadings,
} from '@katharos/core';
import type { Reading } from '../document/reading.ts';
import type { ServiceVisitRecord } from '../document/serviceRecord.ts';
import { verifyFields, type VerifyKey } from '../fields/fields.ts';
import type { FirmSettings } from '../fields/firmSettings.ts';
import {
  briefFor,
  dateOfInstant,
  type Installed,
  inUseSince,
  membraneDesign,
} from './installed.ts';
import { visitsInOrder } from '../document/visitsInOrder.ts';

/** Reads an installed system's years as the trend wants them. */

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
export const conditionKeys = [
  'staticPressure',
  'totalChlorine',
  'chlorineAfterCarbon',
  'productCounter',
] as const;

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

/** How far a membrane has aged by what its visits read; undefined while they do not tell of both factors. */
export function ageingBy(document: Installed): Ageing | undefined {
  const history = visitsInOrder(document).length > 0 ? historyOf(document) : undefined;
  const found = history && trend(history);
  if (!found?.ok) return undefined;
  const { saltPassage, flow } = found.value;
  if (saltPassage.state === 'not-enough' || flow.state === 'not-enough') return undefined;
  return { flowFactor: flow.factorNow, saltPassageFactor: saltPassage.factorNow };
}
