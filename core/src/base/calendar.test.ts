import { expect, test } from '@jest/globals';
import { dateOf, dayOf } from './calendar.ts';

test('days are those that exist, and come back as they were written', () => {
  for (const date of ['2024-02-29', '1999-12-31', '2026-01-01', '2000-02-29', '1900-03-01'])
    expect(dateOf(dayOf(date)!)).toBe(date);
  for (const none of [
    '2023-02-29',
    '1900-02-29',
    '2022-13-01',
    '2022-04-31',
    '2022-00-10',
    '2022-01-00',
    'today',
    '2022-4-1',
  ])
    expect(dayOf(none)).toBeNull();
});

test('they count as the machine’s own calendar does, over four centuries', () => {
  for (let day = -40_000; day < 110_000; day += 97) {
    const theirs = new Date(day * 86_400_000).toISOString().slice(0, 10);
    expect(dateOf(day)).toBe(theirs);
    expect(dayOf(theirs)).toBe(day);
  }
});
