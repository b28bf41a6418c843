import { type Accuracy, type Dimension, type InstrumentKind } from '@katharos/core';
import type { CalibrationState, UsedInstrument } from '@katharos/job';
import type { Reader } from './reader.ts';

interface InstrumentWords {
  name: string;
  /** Of its accuracy: a share, and what is uncertain at any reading; absent where there is none. */
  percent?: string;
  absolute?: string;
  /** Of what is read in a calibration. */
  reads: Dimension;
}

export const instrumentWords: Record<InstrumentKind, InstrumentWords> = {
  'tds-pen': {
    name: 'TDS pen',
    percent: 'Uncertain by, % of reading',
    absolute: 'and by, mg/L',
    reads: 'tds',
  },
  gauge: { name: 'Pressure gauge', percent: 'Uncertain by, % of full scale', reads: 'pressure' },
  'tank-gauge': {
    name: 'Tank gauge',
    percent: 'Uncertain by, % of full scale',
    reads: 'pressure',
  },
  thermometer: { name: 'Thermometer', absolute: 'Uncertain by, °C', reads: 'temperature' },
  'jug-and-watch': {
    name: 'Jug and watch',
    percent: 'The jug is uncertain by, %',
    absolute: 'and the watch by, s',
    reads: 'volume',
  },
};

/** How well an instrument reads, in a line. */
export function saysAccuracy(kind: InstrumentKind, accuracy: Accuracy, reader: Reader): string {
  const { percent, absolute, fullScaleBar } = accuracy;
  const share = `${reader.number(percent, 1)} %`;
  switch (kind) {
    case 'tds-pen':
      return `± ${share} and ${reader.say('tds', absolute)}`;
    case 'gauge':
    case 'tank-gauge':
      return `± ${share} of ${reader.say('pressure', fullScaleBar)}`;
    case 'thermometer':
      return `± ${reader.number(absolute, 1)} °C`;
    case 'jug-and-watch':
      return `± ${share} and ${reader.number(absolute, 1)} s`;
  }
}

/** When it was last held against something known, and when it is due. */
export function calibrationSentence({ last, due, overdue }: CalibrationState, reader: Reader) {
  const held = last ? `Calibrated ${reader.when(last.on, 'date')}` : 'Never calibrated';
  if (!due) return `${held}.`;
  return overdue
    ? `${held}; overdue since ${reader.when(due, 'date')}. Its readings count for less until it is.`
    : `${held}; due ${reader.when(due, 'date')}.`;
}

/** An instrument as a paper names it. */
export function saysUsed(
  kind: InstrumentKind,
  { name, serial, accuracy, calibratedOn, overdue }: UsedInstrument,
  reader: Reader,
): string {
  const held = calibratedOn ? `calibrated ${reader.when(calibratedOn, 'date')}` : 'not calibrated';
  return `${name}${serial ? `, no. ${serial}` : ''}; ${saysAccuracy(kind, accuracy, reader)}; ${held}${overdue ? ', overdue' : ''}`;
}
