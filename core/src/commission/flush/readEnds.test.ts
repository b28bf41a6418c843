import { expect, test } from '@jest/globals';
import { endsRead, isSteady, type TimedReading } from './readEnds.ts';

const minute = 60_000;
const trail = (...values: [minutes: number, value: number][]): TimedReading[] =>
  values.map(([minutes, value]) => ({ at: minutes * minute, value }));
const steady = (readings: TimedReading[]) => isSteady(readings, 0.02, 5);

test.each<[string, boolean, TimedReading[]]>([
  ['nothing was read', false, []],
  ['one reading alone', false, trail([0, 20])],
  ['two that agree, too close together', false, trail([0, 20], [4.9, 20])],
  ['two that agree over five minutes', true, trail([0, 20], [5, 20.3])],
  ['still falling', false, trail([0, 40], [3, 24], [6, 20])],
  ['fell, and has stood since', true, trail([0, 60], [3, 20.2], [5, 20.1], [8.5, 20])],
  ['stood, and leapt in between', false, trail([0, 20], [3, 26], [6, 20])],
  ['in any order', true, trail([6, 20], [0, 20.1], [3, 20])],
])('steady: %s', (_name, expected, readings) => {
  expect(steady(readings)).toBe(expected);
});

test('a step’s readings show its ends: the last strip, and litres together', () => {
  const ends = [
    { kind: 'strip', underMgL: 0.1, of: 'free' },
    { kind: 'litres', litres: 3 },
    { kind: 'clear-cup' },
  ] as const;
  const none = { tds: [], strip: [], litres: [] };
  expect(endsRead(ends, none)).toEqual([]);
  expect(endsRead(ends, { ...none, strip: trail([0, 0.05], [2, 0.5]) })).toEqual([]);
  expect(endsRead(ends, { ...none, strip: trail([2, 0.05], [0, 0.5]) })).toEqual(['strip']);
  expect(endsRead(ends, { ...none, litres: trail([0, 2], [5, 1]) })).toEqual(['litres']);
});
