import { type InstrumentKind, usualAccuracy, usualCalibrationMonths } from '@katharos/core';
import type { Calibration, Instrument } from '@katharos/job';

interface DemoInstrument {
  instrument: Instrument;
  /** The newest last. */
  log: Calibration[];
}

const dayMs = 86_400_000;

/** What the sample firm reads with: one of each, of which the gauge was forgotten. */
export function demoInstruments(now: Date): DemoInstrument[] {
  const on = (daysAgo: number) =>
    new Date(now.getTime() - daysAgo * dayMs).toISOString().slice(0, 10);
  const one = (
    kind: InstrumentKind,
    id: string,
    name: string,
    serial: string,
    daysAgo: number,
  ): Instrument => ({
    id,
    kind,
    name,
    serial,
    tdsPerConductivity: kind === 'tds-pen' ? 0.5 : null,
    accuracy: usualAccuracy[kind],
    since: on(daysAgo),
    everyMonths: usualCalibrationMonths[kind],
    away: false,
  });
  const looked = (
    daysAgo: number,
    against: string,
    truth: number,
    shown: number,
    adjusted = false,
  ): Calibration => ({ on: on(daysAgo), against, truth, shown, adjusted });
  return [
    {
      instrument: one(
        'tds-pen',
        '6b1f5d0a-2f5e-4a52-9d31-7f2a1c90e001',
        'Pen in the blue case',
        'P-2210',
        610,
      ),
      log: [
        looked(430, 'Reference 342 mg/L, lot 17', 342, 351, true),
        looked(250, 'Reference 342 mg/L, lot 21', 342, 339),
        looked(64, 'Reference 342 mg/L, lot 26', 342, 346),
      ],
    },
    {
      instrument: one(
        'gauge',
        '6b1f5d0a-2f5e-4a52-9d31-7f2a1c90e002',
        'Gauge with the tee',
        'G-118',
        760,
      ),
      log: [looked(560, 'The workshop’s dead-weight tester', 4, 4.05)],
    },
    {
      instrument: one(
        'tank-gauge',
        '6b1f5d0a-2f5e-4a52-9d31-7f2a1c90e003',
        'Pencil gauge',
        '',
        300,
      ),
      log: [],
    },
    {
      instrument: one(
        'thermometer',
        '6b1f5d0a-2f5e-4a52-9d31-7f2a1c90e004',
        'Probe on the lanyard',
        'T-7',
        300,
      ),
      log: [looked(290, 'Ice water', 0, 0.3)],
    },
    {
      instrument: one(
        'jug-and-watch',
        '6b1f5d0a-2f5e-4a52-9d31-7f2a1c90e005',
        'One-litre jug',
        '',
        610,
      ),
      log: [],
    },
  ];
}
