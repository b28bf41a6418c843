import { describe, expect, test } from '@jest/globals';
import type { ScheduledTube } from '@katharos/core';
import { labelRange, lineTubes } from './lineTubes.ts';

const tube = (
  label: number,
  from: ScheduledTube['from'],
  to: ScheduledTube['to'],
): ScheduledTube => ({
  id: `${from}>${to}`,
  from,
  to,
  function: to === 'drain' ? 'drain' : 'unit',
  size: '1/4"',
  routeM: 1,
  ends: ['push-fit', 'push-fit'],
  lockClips: 2,
  takenM: 1,
  known: 'usual',
  cutM: 1,
  boreMm: 4.3,
  outsideMm: 6.35,
  colour: null,
  label,
  lossBar: { '1/4"': 0, '3/8"': 0 },
  proposed: '1/4"',
  sizeBy: 'system',
  flowLPerH: 1,
  reducers: 0,
});
const pipe = (from: string, to: string) => ({ id: `${from}>${to}`, from, to });

test('labels in a row are written as a range', () => {
  expect(labelRange([1, 2, 3, 7, 9, 10])).toBe('1–3, 7, 9–10');
  expect(labelRange([4])).toBe('4');
  expect(labelRange([])).toBe('');
});

describe('tubes on the line', () => {
  const tubes = [
    tube(1, 'feed-valve', 'leak-stop'),
    tube(2, 'leak-stop', 'prefilter-1'),
    tube(3, 'prefilter-1', 'membrane'),
    tube(4, 'membrane', 'drain'),
    tube(5, 'membrane', 'tank-tee'),
    tube(6, 'tank-tee', 'tank'),
    tube(7, 'tank-tee', 'tap'),
  ];
  const pipes = [
    pipe('street', 'feed-valve'),
    pipe('feed-valve', 'prefilter-1'),
    pipe('prefilter-1', 'membrane'),
    pipe('membrane', 'drain'),
    pipe('membrane', 'tank'),
    pipe('tank', 'tap'),
  ];

  test('stand where their water is drawn, in the order of their numbers, and are counted when laid', () => {
    const found = lineTubes(tubes, pipes, new Set(['feed-valve>leak-stop', 'membrane>drain']));
    expect(
      found.map(({ pipe: id, tubes: here }) => [id, labelRange(here.map((t) => t.label))]),
    ).toEqual([
      ['feed-valve>prefilter-1', '1–2'],
      ['prefilter-1>membrane', '3'],
      ['membrane>drain', '4'],
      ['membrane>tank', '5–6'],
      ['tank>tap', '7'],
    ]);
    expect(found.map(({ laid }) => laid)).toEqual([1, 0, 1, 0, 0]);
  });

  test('end at a dispenser where it stands in the tap’s place', () => {
    const dispensed = [...tubes.slice(0, 6), tube(7, 'tank-tee', 'dispenser')];
    expect(lineTubes(dispensed, pipes, new Set()).at(-1)).toMatchObject({ pipe: 'tank>tap' });
  });
});
