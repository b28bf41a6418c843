import {
  type Complaint,
  type Course,
  type Examination,
  type Hint,
  readingExists,
  type SeriesTrend,
  trend,
  usualTestInstruments,
  agedWeights,
  dayOf,
  daysInMonth,
  type FaultCode,
  weightsOf,
} from '@katharos/core';
import type { ServiceVisitRecord } from '../document/serviceRecord.ts';
import type { FirmSettings } from '../fields/firmSettings.ts';
import { examinedFrom, givenOf, testedOf } from '../brief/examination.ts';
import { historyOf } from './history.ts';
import { dateOfInstant, type Installed, inUseSince } from './installed.ts';
import { visitsInOrder } from '../document/visitsInOrder.ts';

/** How each of a membrane's factors went before a visit; null where too little was read. */
export type CoursesBefore = Record<'saltPassage' | 'flow', Course | null>;

const courseOf = ({ state, shape }: SeriesTrend): Course | null =>
  state === 'not-enough'
    ? null
    : state === 'steady'
      ? 'steady'
      : shape === 'step'
        ? 'sudden'
        : 'gradual';

/** What the visits before one say of the membrane. */
export function coursesBefore(document: Installed, id: string): CoursesBefore {
  const nothing = { saltPassage: null, flow: null };
  const visits = visitsInOrder(document);
  const before = visits.slice(
    0,
    visits.findIndex(([one]) => one === id),
  );
  const history = historyOf({
    ...document,
    service: { ...document.service, visits: Object.fromEntries(before) },
  });
  const found = history && trend(history);
  return found?.ok
    ? { saltPassage: courseOf(found.value.saltPassage), flow: courseOf(found.value.flow) }
    : nothing;
}

/** Which of the parts that are served each fault is about. */
const partOfFault: Partial<Record<FaultCode, RegExp>> = {
  'prefilter-blocked': /^prefilter-1$/,
  'carbon-spent': /^prefilter-/,
  'post-filter-blocked': /^post-filter$/,
  'membrane-oxidised': /^membrane$/,
  'membrane-scaled': /^membrane$/,
  'membrane-old': /^membrane$/,
};

/** How old the part of a fault is on the day of a visit, months: since it was changed last before it, else since the hand-over. */
function ageAt(document: Installed, at: string): (fault: FaultCode) => number {
  const now = dayOf(dateOfInstant(at))!;
  const since = inUseSince(document);
  return (fault) => {
    const of = partOfFault[fault];
    const changes = visitsInOrder(document)
      .filter(
        ([, one]) => one.at < at && of && Object.keys(one.changed ?? {}).some((id) => of.test(id)),
      )
      .map(([, one]) => dateOfInstant(one.at));
    const from = changes.at(-1) ?? since;
    return from === undefined ? Infinity : (now - dayOf(from)!) / daysInMonth;
  };
}

/** A visit as a question to the diagnosis, the years before it as evidence; undefined while too little was read. */
export function examinationOfVisit(
  document: Installed,
  id: string,
  { odds = {} }: Pick<FirmSettings, 'odds'> = {},
  before: CoursesBefore = coursesBefore(document, id),
): Examination | undefined {
  const visit: ServiceVisitRecord | undefined = document.service?.visits?.[id];
  const given = visit ? givenOf({ readings: visit.readings, shutoffTest: 'not-done' }) : [];
  if (!visit || !examinedFrom.every((code) => given.some((one) => one.code === code)))
    return undefined;
  const system = testedOf(document);
  if (!system) return undefined;
  const complained = Object.keys(visit.complaints ?? {}) as Complaint[];
  const courses = Object.entries(before) as [keyof CoursesBefore, Course | null][];
  const hints: Hint[] = [
    ...complained.map((complaint) => ({ complaint })),
    ...courses.flatMap(([of, course]) => (course ? [{ trend: of, course }] : [])),
  ];
  return {
    system,
    instruments: usualTestInstruments,
    given: given.filter(({ code }) => readingExists(code, system)),
    hints,
    weights: agedWeights(ageAt(document, visit.at), weightsOf(odds)),
    beyond: true,
  };
}
