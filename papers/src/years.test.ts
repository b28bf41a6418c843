import { describe, expect, test } from '@jest/globals';
import { newJobDocument, type JobDocument } from '@katharos/job';
import { readerOf } from '@katharos/words';
import { diaryCalendar } from './diaryCalendar.ts';
import { householdPageOf } from './householdPage.ts';

const reader = readerOf({ units: 'metric' });
const today = '2026-03-01';
const visit = {
  jobId: '6a1f',
  name: 'Odo; Marsh',
  address: '2 Ford End, Aldersey',
  phone: '01632 960000',
  on: '2026-04-10',
  dues: [{ kind: 'carbon' as const, because: 'disinfectant' as const, on: '2026-04-10' }],
};
const calendar = (...visits: (typeof visit)[]) =>
  diaryCalendar('Fell Water', visits, reader, { now: Date.parse('2026-03-01T08:00:00Z'), today })
    // Lines are folded at 75 octets (RFC 5545, 3.1).
    .replace(/\r\n[ \t]/g, '');

describe('the diary as a calendar', () => {
  test('gives each visit its whole day, its place and its reason, escaped as the standard wants', () => {
    const text = calendar(visit);
    expect(text).toContain('DTSTART;VALUE=DATE:20260410');
    expect(text).toContain('UID:service@6a1f');
    expect(text).toContain('SUMMARY:Service\\, Odo\\; Marsh');
    expect(text).toContain('LOCATION:2 Ford End\\, Aldersey');
    expect(text).toContain('Carbon filter: 10/04/2026\\, by the disinfectant it has taken');
    expect(text).toContain('01632 960000');
  });

  test('puts what is overdue on today, and moves it by the same id when it is due another day', () => {
    const late = calendar({ ...visit, on: '2025-11-02' });
    expect(late).toContain('DTSTART;VALUE=DATE:20260301');
    expect(late).toContain('SUMMARY:Overdue: service');
    expect(late).toContain('UID:service@6a1f');
  });

  test('without anything due is a calendar all the same', () => {
    expect(calendar()).toMatch(/^BEGIN:VCALENDAR[\s\S]*END:VCALENDAR\s*$/);
  });
});

describe('the household’s page', () => {
  const firm = {
    name: 'Fell Water',
    settings: {
      units: 'metric' as const,
      currency: 'EUR',
      paper: 'A4' as const,
      phone: '01632 960000',
    },
  };
  const document: JobDocument = newJobDocument('Isolde Crane', '9 Hidden Lane');
  const stamp = { at: '2025-12-12T10:00:00Z', by: 'Wren' };
  document.service = {
    visits: {
      a: {
        kind: 'change-out',
        ...stamp,
        readings: {},
        changed: { 'prefilter-1': { part: 'Silt cartridge', batch: 'L3', ...stamp } },
        note: 'Key under the stone',
      },
      begun: { kind: 'reading', ...stamp, at: '2026-02-12T10:00:00Z', readings: {}, note: '' },
    },
  };
  const page = householdPageOf({ document, firm, today, visit });

  test('says what is due and what was done, and leaves out what was only begun', () => {
    expect(page.due).toEqual(['Somebody should come about Apr 2026, for: carbon filter.']);
    expect(page.done).toEqual([{ when: '12 December 2025', what: 'Changed: Silt cartridge.' }]);
    expect(householdPageOf({ document, firm, today, visit: null }).due[0]).toMatch(
      /Nothing is due/,
    );
  });

  test('names nobody who lives there, and hands on no note of the firm', () => {
    expect(JSON.stringify(page)).not.toMatch(/Crane|Hidden|Wren|stone|L3/);
    expect(page.call).toBe('Fell Water, 01632 960000');
  });
});
