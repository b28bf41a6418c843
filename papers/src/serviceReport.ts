import { dateOf } from '@katharos/core';
import {
  conditionKeys,
  type FirmSettings,
  type JobDocument,
  keptOf,
  limitsOf,
  type ServiceVisitRecord,
  visitFields,
  visitsInOrder,
  visitVerdict,
  visitKeys,
  visitSigns,
} from '@katharos/job';
import {
  causeOfFaults,
  codesCaveat,
  complaintWords,
  fieldWords,
  type Reader,
  readerOf,
  servicedNames,
  trendSentence,
  visitKindWords,
  visitSignWords,
  visitVerdictSentences,
} from '@katharos/words';
import { dayIn, type Issue, type Issued, issuedOf } from './issue.ts';

/** What was read and done at a visit, as a paper for the household. */
export interface ServiceReport {
  number: number;
  /** The visit's id. */
  visit: string;
  title: string;
  firm: string;
  customer: string;
  address: string;
  /** When, what for and by whom. */
  head: string;
  found: [label: string, value: string][];
  /** What was seen, complained of and taken for the cause. */
  remarks: string[];
  done: { what: string; batch: string }[];
  /** Read after everything was changed. */
  after: [label: string, value: string][];
  note: string;
  /** How the membrane stands, and when somebody should come again. */
  outlook: string[];
  caveats: string[];
  signature: string;
  issued: Issued | null;
  paper: FirmSettings['paper'];
}

export interface ServiceReportSource {
  number: number;
  document: JobDocument;
  firm: { name: string; settings: FirmSettings };
  visitId: string;
  /** Absent on a draft. */
  issue?: Issue;
}

/** Makes the report of a visit; nothing where there is none under this id. */
export function serviceReportOf({
  number,
  document,
  firm,
  visitId,
  issue,
}: ServiceReportSource): ServiceReport | undefined {
  const visit = document.service?.visits?.[visitId];
  if (!visit) return undefined;
  const { settings, name } = firm;
  const reader = readerOf(settings);
  const day = visit.at.slice(0, 10);
  const { customer } = document;
  const issued = issuedOf(issue, reader);
  return {
    number,
    visit: visitId,
    title: 'Service report',
    firm: name,
    customer: customer.name,
    address: customer.address,
    head: `${visitKindWords[visit.kind]} on ${reader.day(day, 'long-date')}, by ${visit.by}`,
    found: foundAt(visit, reader),
    remarks: [...remarksOf(visit, reader), ...verdictAfter(document, visit, settings, reader)],
    done: doneAt(visit, reader),
    after: readFrom(visit.after ?? {}, reader),
    note: visit.note,
    outlook: outlookOf(asOf(document, visit.at), settings, day, reader),
    caveats: [
      'As found, before anything was changed. A meter of dissolved solids says nothing of germs.',
      codesCaveat,
    ],
    signature: issue
      ? `${issue.by}, ${reader.day(dayIn(issue.at, issue.timeZone), 'long-date')}`
      : visit.by,
    issued,
    paper: settings.paper,
  };
}

/** A document as its service stood at a moment. */
const asOf = (document: JobDocument, at: string): JobDocument => ({
  ...document,
  service: {
    ...document.service,
    visits: Object.fromEntries(visitsInOrder(document).filter(([, one]) => one.at <= at)),
  },
});

const foundAt = (
  { readings, lampHours }: ServiceVisitRecord,
  reader: Reader,
): ServiceReport['found'] => {
  const read = readFrom(readings, reader);
  return lampHours === undefined
    ? read
    : [...read, ['Lamp’s counter', `${reader.number(lampHours, 0)} h`]];
};

/** Figures as they were entered, in the order in which they are asked. */
function readFrom(
  readings: ServiceVisitRecord['readings'],
  reader: Reader,
): ServiceReport['found'] {
  const extra = Object.keys(readings) as (keyof typeof visitFields)[];
  const keys = [...new Set([...visitKeys, ...conditionKeys, ...extra])];
  return keys.flatMap((key): [string, string][] => {
    const reading = readings[key];
    const { name, dimension } = visitFields[key];
    return reading
      ? [
          [
            reading.simulated ? `${fieldWords[name].label} (practice)` : fieldWords[name].label,
            reader.entered(dimension, reading),
          ],
        ]
      : [];
  });
}

function remarksOf(
  { seen = {}, complaints = {}, faults }: ServiceVisitRecord,
  reader: Reader,
): string[] {
  const complained = (Object.keys(complaints) as (keyof typeof complaintWords)[]).map((one) =>
    reader.within(complaintWords[one]),
  );
  return [
    ...(complained.length > 0 ? [`The household complained of: ${reader.list(complained)}.`] : []),
    ...visitSigns.filter((sign) => seen[sign]).map((sign) => `${visitSignWords[sign]}.`),
    ...(faults
      ? [`Taken for the cause, and mended: ${reader.within(causeOfFaults(faults, reader))}`]
      : []),
  ];
}

/** What the system does now that everything was changed. */
function verdictAfter(
  document: JobDocument,
  visit: ServiceVisitRecord,
  settings: FirmSettings,
  reader: Reader,
): string[] {
  const found = visitVerdict(document, visit);
  if (!found?.ok) return [];
  const isNew = 'membrane' in (visit.changed ?? {});
  return visitVerdictSentences(found.value, limitsOf(settings), isNew, reader).map((sentence, i) =>
    i === 0 ? `Afterwards: ${sentence}` : sentence,
  );
}

const doneAt = ({ changed = {} }: ServiceVisitRecord, reader: Reader): ServiceReport['done'] =>
  Object.entries(changed)
    .map(([id, { part, batch }]) => ({ id, part, batch }))
    // Parts before works.
    .sort((a, b) => Number(a.part === '') - Number(b.part === '') || a.id.localeCompare(b.id))
    .map(({ id, part, batch }) => ({ what: part || workName(id, reader), batch }));

const isServiced = (id: string): id is keyof typeof servicedNames => id in servicedNames;
const workName = (id: string, reader: Reader): string =>
  isServiced(id) ? servicedNames[id] : reader.within(id);

function outlookOf(
  document: JobDocument,
  settings: FirmSettings,
  day: string,
  reader: Reader,
): string[] {
  const kept = keptOf(document, settings, day);
  if (!kept) return [];
  const { trend, visit } = kept;
  return [
    ...(trend?.ok
      ? (['saltPassage', 'flow'] as const).map((key) =>
          trendSentence(key, trend.value[key], reader),
        )
      : []),
    ...(visit
      ? [
          `The next visit is due about ${reader.day(dateOf(visit.on), 'month')}, for: ${reader.list(
            [...new Set(visit.dues.map(({ kind }) => servicedNames[kind]))].map((one) =>
              reader.within(one),
            ),
          )}.`,
        ]
      : []),
  ];
}
