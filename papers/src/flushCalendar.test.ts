import { expect, test } from '@jest/globals';
import { flushSchedule, type FlushStep } from '@katharos/core';
import { readerOf } from '@katharos/words';
import { flushCalendar } from './flushCalendar.ts';

const cycle = { cycle: 1, cycles: 1, litres: 6.4, drainLitres: 20 };
const steps: FlushStep[] = [
  {
    id: 'tank-fill-1',
    code: 'tank-fill',
    minutes: 90,
    attended: false,
    by: 'installer',
    ends: [],
    data: { ...cycle, kept: false },
  },
  {
    id: 'tank-drain-1',
    code: 'tank-drain',
    minutes: 5,
    attended: true,
    by: 'household',
    ends: [],
    data: { ...cycle, leftLitres: 0, feedClosed: false },
  },
  {
    id: 'tank-fill-2',
    code: 'tank-fill',
    minutes: 85,
    attended: false,
    by: 'household',
    ends: [],
    data: { ...cycle, cycle: 2, kept: true },
  },
  {
    id: 'rest-and-recheck',
    code: 'rest-and-recheck',
    minutes: null,
    attended: true,
    by: 'return-visit',
    ends: [],
    data: {},
  },
];
const now = Date.parse('2026-03-01T12:00:00Z');
const calendarAt = (at: number, done: string[] = []) =>
  flushCalendar({
    jobId: 'j',
    customer: 'Ansel; Weir, Cottage',
    address: '3 Weir Cottages, Upper Tarnholt',
    schedule: flushSchedule(
      steps,
      (id) => (done.includes(id) ? { startedAt: null, doneAt: at } : undefined),
      at,
    ),
    reader: readerOf({ units: 'metric' }),
    now: at,
  });

/** Lines with folded ones joined, RFC 5545 3.1. */
const linesOf = (calendar: string) => calendar.replaceAll(/\r\n[ \t]/g, '').split('\r\n');

test('holds what somebody has to be there for, at its time, with a reminder', () => {
  const lines = linesOf(calendarAt(now));
  expect(lines[0]).toBe('BEGIN:VCALENDAR');
  // Ninety minutes of filling, then the draining; what fills by itself is nobody's appointment.
  expect(lines.filter((line) => line.startsWith('DTSTART'))).toEqual([
    'DTSTART:20260301T133000Z',
    'DTSTART:20260301T150000Z',
  ]);
  expect(lines.filter((line) => line === 'BEGIN:VALARM')).toHaveLength(2);
  expect(lines.filter((line) => line.startsWith('UID'))).toEqual([
    'UID:tank-drain-1@j',
    'UID:rest-and-recheck@j',
  ]);
  expect(lines).toContain('LOCATION:3 Weir Cottages\\, Upper Tarnholt');
  for (const line of calendarAt(now).split('\r\n')) expect(line.length).toBeLessThanOrEqual(75);
});

test('moves with what runs late, under the same id, and leaves out what is done', () => {
  const later = linesOf(calendarAt(now + 3_600_000, ['tank-fill-1', 'tank-drain-1']));
  expect(later.filter((line) => line.startsWith('UID'))).toEqual(['UID:rest-and-recheck@j']);
  expect(later).toContain('DTSTART:20260301T142500Z');
});
