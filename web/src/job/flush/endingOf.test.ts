import { expect, test } from '@jest/globals';
import type { EndKind, FlushStep } from '@katharos/core';
import { endingOf } from './endingOf.ts';

const rinse = {
  id: 'membrane-rinse',
  code: 'membrane-rinse',
  minutes: 10,
  attended: true,
  by: 'installer',
  data: { litres: 1, fines: [], airGap: false },
  ends: [{ kind: 'clear-cup' }, { kind: 'litres', litres: 1 }],
} satisfies FlushStep;
const fill = {
  ...rinse,
  id: 'tank-fill-1',
  code: 'tank-fill',
  attended: false,
  data: { cycle: 1, cycles: 2, kept: false, litres: 5, drainLitres: 20 },
  ends: [{ kind: 'drain-stopped' }],
} satisfies FlushStep;

const both: EndKind[] = ['clear-cup', 'litres'];
const asked = (step: FlushStep, leftMin: number, seen: EndKind[] = []) =>
  endingOf({ step, seen, minutes: 10, leftS: leftMin * 60, isRunning: true });

test.each<[string, ReturnType<typeof endingOf>, ReturnType<typeof endingOf>]>([
  ['before its time with nothing seen', asked(rinse, 5), 'early'],
  ['before its time with half of it seen', asked(rinse, 5, ['litres']), 'early'],
  ['before its time with all of it seen', asked(rinse, 5, both), null],
  ['at its time', asked(rinse, -0.5), null],
  ['a little late', asked(rinse, -5), null],
  ['twice its time late', asked(rinse, -25), 'late'],
  ['twice its time late with all of it seen', asked(rinse, -25, both), null],
  ['a fill seen to end before its time', asked(fill, 5, ['drain-stopped']), null],
  ['a fill cut short', asked(fill, 5), 'early'],
  // That the drain stands still now says nothing of when it stopped.
  ['a fill over its time whose drain stands', asked(fill, -5, ['drain-stopped']), 'unseen'],
])('ended %s', (_name, what, expected) => {
  expect(what).toBe(expected);
});
