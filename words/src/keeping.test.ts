import { describe, expect, test } from '@jest/globals';
import { courses, type Due, type SeriesTrend } from '@katharos/core';
import { courseSentence, trendSentence, visitReadings, visitSentence } from './keeping.ts';
import { readerOf } from './reader.ts';
import { servicedName } from './service.ts';

const reader = readerOf({ units: 'metric' });
const day = 20_454;
const due = (on: number): Due => ({
  id: 'membrane',
  kind: 'membrane',
  part: null,
  on,
  because: 'calendar',
  since: on - 365,
  others: [],
});
const visit = (...days: number[]) => ({
  on: Math.max(day, Math.min(...days)),
  dues: days.map(due),
  earlyCost: 0,
  sparedCost: 0,
});

describe('when somebody should come', () => {
  test('is said by the day, and what is late by how late it is', () => {
    expect(visitSentence(visit(day + 15), day, reader)).toBe(
      'The next visit is due on 16/01/2026, in 15 days.',
    );
    expect(visitSentence(visit(day), day, reader)).toBe('Due today.');
    expect(visitSentence(visit(day - 1, day + 40), day, reader)).toBe('Overdue for 1 day.');
    expect(visitSentence(visit(day - 90, day - 3), day, reader)).toBe('Overdue for 90 days.');
  });

  test('names a pre-filter by its place only where there are several of a kind', () => {
    const row = [
      { id: 'prefilter-1', kind: 'sediment' as const },
      { id: 'prefilter-2', kind: 'carbon' as const },
      { id: 'prefilter-3', kind: 'carbon' as const },
    ];
    expect(row.map((one) => servicedName(one, row))).toEqual([
      'Sediment filter',
      'Carbon filter, place 2',
      'Carbon filter, place 3',
    ]);
  });
});

describe('how a series goes', () => {
  const series: SeriesTrend = {
    state: 'drifting',
    readings: 9,
    factorNow: 1.56,
    factorNowLow: 1.4,
    factorNowHigh: 1.7,
    slopePerYear: 0.2,
    slopePerYearLow: 0.1,
    slopePerYearHigh: 0.3,
    driftProbability: 0.97,
    shape: 'linear',
    changedOn: null,
    dueOn: '2027-02-26',
    dueFrom: '2026-07-02',
    dueTo: null,
    dueProbability: 0.8,
  };
  const said = (change: Partial<SeriesTrend>) =>
    trendSentence('saltPassage', { ...series, ...change }, reader);

  test.each<[Partial<SeriesTrend>, RegExp]>([
    [
      {},
      /^Salt passage drifts: 1.56 times its start. Its limit is met in Feb 2027; four in five between Jul 2026 and beyond five years\.$/,
    ],
    [{ dueOn: null }, /not met within five years/],
    [{ state: 'limit-reached' }, /Its limit is reached\.$/],
    [{ shape: 'step', changedOn: '2025-11-20' }, /It jumped about Nov 2025/],
    [{ state: 'steady', driftProbability: 0.07 }, /holds: 1.56 times its start\.$/],
    [{ state: 'not-enough', readings: 1 }, /1 usable reading so far/],
  ])('%j is said in words', (change, words) => {
    expect(said(change)).toMatch(words);
    expect(said(change)).not.toMatch(/null|undefined|NaN/);
  });
});

test('a visit is told by what was read, in the units of its meter, and by what was put in', () => {
  const by = { takenAt: null, by: null };
  const stamp = { at: '2026-01-05T09:00:00Z', by: 'Wren' };
  expect(
    visitReadings(
      {
        kind: 'change-out',
        ...stamp,
        readings: { productTds: { value: 26, unit: 'ppm', ...by } },
        changed: {
          membrane: { part: 'Reed 75 element', batch: 'M-77', ...stamp },
          'tank-air': { part: '', batch: '', ...stamp },
        },
        note: '',
      },
      reader,
    ),
  ).toBe('Read: product TDS 26 ppm. Done: Reed 75 element (batch M-77) and air of the tank.');
});

test('what was seen, and a lamp’s hours, stand in the line of a visit', () => {
  const stamp = { at: '2026-01-05T09:00:00Z', by: 'Wren' };
  const said = visitReadings(
    {
      kind: 'reading',
      ...stamp,
      readings: {
        productCounter: { value: 5120, unit: 'L', takenAt: null, by: null },
      },
      seen: { 'pad-wet': stamp, 'sediment-brown': stamp },
      lampHours: 4100,
      note: '',
    },
    reader,
  );
  expect(said).toBe(
    'Read: litre counter of the product 5120 L and lamp 4,100 h. Found: sediment filter is brown all through and leak stop’s pad was wet.',
  );
});

test('the years before a visit are said where they tell of anything', () => {
  expect(courseSentence('flow', null)).toBeNull();
  const said = courses.map((course) => courseSentence('saltPassage', course));
  expect(new Set(said).size).toBe(courses.length);
  for (const sentence of said) expect(sentence).toMatch(/^Salt passage .+\.$/);
});
