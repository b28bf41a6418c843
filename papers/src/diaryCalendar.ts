import type { DueReason, ServicedKind } from '@katharos/core';
import { dueReasonWords, type Reader, servicedNames } from '@katharos/words';
import ical, { ICalCalendarMethod } from 'ical-generator';

/** A visit that is due, as a calendar has it. */
export interface CalendarVisit {
  jobId: string;
  name: string;
  address: string;
  phone: string;
  /** ISO calendar day. */
  on: string;
  dues: readonly { kind: ServicedKind; because: DueReason; on: string }[];
}

/**
 * What is due as a calendar (iCalendar, RFC 5545): a day each, under the same id as long as it is the same system, so that a calendar that
 * looks again moves it.
 * @param now ms of the epoch; @param today ISO day: what is overdue stands there, where somebody will see it
 */
export function diaryCalendar(
  firm: string,
  visits: readonly CalendarVisit[],
  reader: Reader,
  { now, today }: { now: number; today: string },
): string {
  const calendar = ical({
    name: `Service, ${firm}`,
    prodId: { company: 'Katharos', product: 'Diary' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const { jobId, name, address, phone, on, dues } of visits) {
    const day = on < today ? today : on;
    calendar.createEvent({
      id: `service@${jobId}`,
      stamp: new Date(now),
      start: new Date(`${day}T00:00:00Z`),
      allDay: true,
      summary: `${on < today ? 'Overdue: service' : 'Service'}, ${name}`,
      description: [
        ...dues.map(
          (due) =>
            `${servicedNames[due.kind]}: ${reader.day(due.on)}, ${dueReasonWords[due.because]}`,
        ),
        ...(phone ? [phone] : []),
      ].join('\n'),
      ...(address && { location: address }),
    });
  }
  return calendar.toString();
}
