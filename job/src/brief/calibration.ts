import { type Accuracy, daysInMonth, trustedAccuracy } from '@katharos/core';
import type { Calibration, Instrument } from '../fields/instrument.ts';

export interface CalibrationState {
  last: Calibration | null;
  /** ISO date; null where none is due ever. */
  due: string | null;
  overdue: boolean;
  /** What it can be trusted with today. */
  accuracy: Accuracy;
}

const dayMs = 86_400_000;

/**
 * When an instrument was last held against something known, when that is due, and how far it is trusted.
 * @param today ISO date
 */
export function calibrationState(
  {
    kind,
    accuracy,
    since,
    everyMonths,
    calibrations,
  }: Instrument & { calibrations: readonly Calibration[] },
  today: string,
): CalibrationState {
  const last = calibrations.reduce<Calibration | null>(
    (newest, one) => (newest && newest.on >= one.on ? newest : one),
    null,
  );
  if (everyMonths === null) {
    return { last, due: null, overdue: false, accuracy: trustedAccuracy(kind, accuracy, 0, last) };
  }
  const intervalMs = everyMonths * daysInMonth * dayMs;
  const dueMs = Date.parse(last?.on ?? since) + intervalMs;
  const late = (Date.parse(today) - dueMs) / intervalMs;
  return {
    last,
    due: new Date(dueMs).toISOString().slice(0, 10),
    overdue: late > 0,
    accuracy: trustedAccuracy(kind, accuracy, late, last),
  };
}
