import {
  type Course,
  dateOf,
  type DueReason,
  type SeriesTrend,
  type ServicedKind,
  type ServiceVisit,
  type TrendState,
} from '@katharos/core';
import {
  conditionKeys,
  type Need,
  type ServiceVisitRecord,
  visitFields,
  type VisitKind,
  visitKeys,
  type VisitSign,
  visitSigns,
} from '@katharos/job';
import { sayProbability } from './diagnosis.ts';
import { fieldWords } from './fields.ts';
import type { Reader } from './reader.ts';
import { servicedNames } from './service.ts';

/** Why something is due. */
export const dueReasonWords: Record<DueReason, string> = {
  calendar: 'by the calendar',
  disinfectant: 'by the disinfectant it has taken',
  scaling: 'by the risk of scale in this water',
  dissolved: 'by what it has given',
  'salt-passage': 'by its salt passage',
  flow: 'by its flow',
  loading: 'by its pressure drop',
  solids: 'by the iron, manganese, turbidity and litres of this supply',
  hours: 'by its hours',
  found: 'found spent',
  yearly: 'once a year',
};

/** What is seen at a visit and says that something is spent. */
export const visitSignWords: Record<VisitSign, string> = {
  'sediment-brown': 'Sediment filter is brown all through',
  'pad-wet': 'Leak stop’s pad was wet',
  'pressure-unheld': 'Regulator does not hold its pressure',
};

export const visitKindWords: Record<VisitKind, string> = {
  'change-out': 'Change-out',
  reading: 'Yearly reading',
  complaint: 'Complaint',
  repair: 'Repair',
  sanitising: 'Disinfection',
};

/** When somebody should come, against today. */
export function visitSentence({ on, dues }: ServiceVisit, today: number, reader: Reader): string {
  const late = Math.max(...dues.map((due) => today - due.on));
  if (late > 0) {
    return `Overdue for ${reader.number(late, 0)} ${reader.plural(late, { one: 'day', other: 'days' })}.`;
  }
  const days = on - today;
  return days === 0
    ? 'Due today.'
    : `The next visit is due on ${reader.day(dateOf(on))}, in ${reader.number(days, 0)} ${reader.plural(days, { one: 'day', other: 'days' })}.`;
}

/** What a system needs most. */
export const needWords: Record<Need, string> = {
  limit: 'Membrane at its limit',
  overdue: 'Overdue',
  drifts: 'Membrane drifts',
  soon: 'Due within a month',
  unread: 'Not read for over a year',
  nothing: 'Nothing now',
};

/** How one of a membrane's factors stands, in a table. */
export const trendStateWords: Record<TrendState, string> = {
  steady: 'Holds',
  drifting: 'Drifts',
  'limit-reached': 'At its limit',
  'not-enough': 'Too few readings',
};

/** A membrane's two factors. */
export const seriesNames = { saltPassage: 'Salt passage', flow: 'Flow' } as const;

/** From this probability on nobody says that a series holds. */
const mayDrift = 0.2;

/** How a series stands and when its limit is met, with how sure that is. */
export function trendSentence(
  key: keyof typeof seriesNames,
  {
    state,
    factorNow,
    driftProbability,
    dueOn,
    dueFrom,
    dueTo,
    shape,
    changedOn,
    readings,
  }: SeriesTrend,
  reader: Reader,
): string {
  const name = seriesNames[key];
  const times = `${reader.number(factorNow, 2)} times its start`;
  if (state === 'not-enough') {
    return `${name}: ${reader.number(readings, 0)} usable ${reader.plural(readings, { one: 'reading', other: 'readings' })} so far, too few to tell.`;
  }
  if (state === 'steady') {
    // Nearly one in three is not "holds": one word for each degree, by the one probability.
    return driftProbability < mayDrift
      ? `${name} holds: ${times}.`
      : `${name} may drift (${sayProbability(driftProbability, reader)}): ${times}. Read it again before the next yearly visit.`;
  }
  const how =
    shape === 'step' && changedOn
      ? ` It jumped about ${reader.day(changedOn, 'month')}: look for what happened then.`
      : '';
  const month = (date: string | null) => (date ? reader.day(date, 'month') : 'beyond five years');
  const due =
    state === 'limit-reached'
      ? 'Its limit is reached.'
      : dueOn
        ? `Its limit is met in ${month(dueOn)}; four in five between ${month(dueFrom)} and ${month(dueTo)}.`
        : `Its limit is not met within five years, by all that is known.`;
  return `${name} drifts: ${times}. ${due}${how}`;
}

/** What the visits tell of how fast the pre-filters load. */
export const prefilterSentence = (months: number | null, reader: Reader): string =>
  months === null
    ? 'Pre-filters: no growth of their drop that the readings could tell from nothing.'
    : `Pre-filters: their drop is doubled ${reader.number(months, 0)} ${reader.plural(Math.round(months), { one: 'month', other: 'months' })} after they were new, four chances in five.`;

const courseWords: Record<Course, string> = {
  steady: 'held through the years before this visit: what comes little by little is less likely.',
  gradual: 'drifted in the years before this visit: what comes little by little is likelier.',
  sudden: 'jumped between two visits: look for what happened then.',
};

/** What the years before a visit say of one of the membrane's factors; nothing where too little was read. */
export const courseSentence = (
  key: keyof typeof seriesNames,
  course: Course | null,
): string | null => course && `${seriesNames[key]} ${courseWords[course]}`;

/** What was read and done at a visit, in a line. */
export function visitReadings(
  { readings, seen = {}, lampHours, changed = {} }: ServiceVisitRecord,
  reader: Reader,
): string {
  const read = [...visitKeys, ...conditionKeys].flatMap((key) => {
    const reading = readings[key];
    const { name, dimension } = visitFields[key];
    return reading
      ? [`${reader.within(fieldWords[name].label)} ${reader.entered(dimension, reading)}`]
      : [];
  });
  if (lampHours !== undefined) read.push(`lamp ${reader.number(lampHours, 0)} h`);
  const found = visitSigns.filter((sign) => seen[sign]).map((sign) => visitSignWords[sign]);
  const done = Object.entries(changed).map(
    ([id, { part, batch }]) =>
      `${part || reader.within(servicedNames[id as ServicedKind] ?? id)}${batch ? ` (batch ${batch})` : ''}`,
  );
  return [
    ...(read.length > 0 ? [`Read: ${reader.list(read)}.`] : []),
    ...(found.length > 0 ? [`Found: ${reader.list(found.map((one) => reader.within(one)))}.`] : []),
    ...(done.length > 0 ? [`Done: ${reader.list(done)}.`] : []),
  ].join(' ');
}
