import type { FlushSchedule, TimedStep } from '@katharos/core';
import { flushHandNames, flushWords, type Reader } from '@katharos/words';
import ical, { ICalAlarmType } from 'ical-generator';

export interface CalendarSource {
  jobId: string;
  customer: string;
  address: string;
  schedule: FlushSchedule;
  reader: Reader;
  /** When it is made, ms of the epoch. */
  now: number;
}

/**
 * What is still to be done by somebody as a calendar (iCalendar, RFC 5545), each with a reminder; what fills by itself is nobody's
 * appointment. The same step has the same id in every file, so that a newer file moves it.
 */
export function flushCalendar(source: CalendarSource): string {
  const { jobId, customer, address, schedule, reader, now } = source;
  const calendar = ical({
    name: `Flushing, ${customer}`,
    prodId: { company: 'Katharos', product: 'Flushing' },
  });
  for (const { step, startsAt, endsAt } of appointments(schedule)) {
    const { title, instruction, caution, proof } = flushWords(step, reader);
    calendar
      .createEvent({
        id: `${step.id}@${jobId}`,
        stamp: new Date(now),
        start: new Date(startsAt),
        end: new Date(endsAt),
        summary: `${title} (${flushHandNames[step.by]})`,
        description: [instruction, caution, `Done when: ${proof}`].filter(Boolean).join('\n'),
        ...(address && { location: address }),
      })
      .createAlarm({ type: ICalAlarmType.display, trigger: 0 });
  }
  return calendar.toString();
}

/** Steps that somebody has to be there for; a visit begins with its first. */
const appointments = ({ steps }: FlushSchedule): TimedStep[] => {
  const open = steps.filter(({ isDone, step }) => !isDone && step.attended);
  const visit = open.find(({ step }) => step.by === 'return-visit');
  const last = open.findLast(({ step }) => step.by === 'return-visit');
  return [
    ...open.filter(({ step }) => step.by === 'household'),
    ...(visit && last ? [{ ...visit, endsAt: last.endsAt }] : []),
  ];
};
