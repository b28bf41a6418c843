import { expect, test } from '@jest/globals';
import { usualAccuracy } from '@katharos/core';
import type { Calibration, Instrument } from '../fields/instrument.ts';
import { calibrationState } from './calibration.ts';

const pen: Instrument = {
  id: '6b1f5d0a-2f5e-4a52-9d31-7f2a1c90e001',
  kind: 'tds-pen',
  name: 'Pen',
  serial: '',
  tdsPerConductivity: 0.5,
  accuracy: usualAccuracy['tds-pen'],
  since: '2026-01-01',
  everyMonths: 6,
  away: false,
};
const on = (day: string): Calibration => ({
  on: day,
  against: 'reference',
  shown: 342,
  truth: 342,
  adjusted: false,
});

test('an instrument is due half a year after its last calibration, or after it came; the log may be in any order', () => {
  const state = (calibrations: Calibration[], today: string) =>
    calibrationState({ ...pen, calibrations }, today);
  expect(state([], '2026-06-30')).toMatchObject({ last: null, due: '2026-07-02', overdue: false });
  expect(state([], '2026-07-04').overdue).toBe(true);
  const log = [on('2026-03-01'), on('2026-06-01'), on('2026-02-01')];
  expect(state(log, '2026-11-29')).toMatchObject({ last: { on: '2026-06-01' }, overdue: false });
  // A whole interval late: twice as uncertain.
  expect(state(log, '2027-06-01').accuracy.percent).toBeCloseTo(4, 1);
});

test('what never drifts is never due', () => {
  const state = calibrationState({ ...pen, everyMonths: null, calibrations: [] }, '2040-01-01');
  expect(state).toMatchObject({ due: null, overdue: false, accuracy: pen.accuracy });
});
