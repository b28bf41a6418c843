import { type ReadingCode, readingKind } from './diagnosis/reading.ts';
import { type TestInstruments, usualTestInstruments as usual } from './diagnosis/uncertainty.ts';

/** What a visit's figures are read with. */
export const instrumentKinds = [
  'tds-pen',
  'gauge',
  'tank-gauge',
  'thermometer',
  'jug-and-watch',
] as const;
export type InstrumentKind = (typeof instrumentKinds)[number];

const kindBy: Partial<Record<ReturnType<typeof readingKind>['by'], InstrumentKind>> = {
  'tds-meter': 'tds-pen',
  gauge: 'gauge',
  'tank-gauge': 'tank-gauge',
  thermometer: 'thermometer',
  jug: 'jug-and-watch',
};

/** What a reading is taken with; undefined for looks, strips and kits. */
export const instrumentOf = (code: ReadingCode): InstrumentKind | undefined =>
  kindBy[readingKind(code).by];

/** How well an instrument reads when it is new and sound: one standard uncertainty. */
export interface Accuracy {
  /** Percent of the reading, of a gauge percent of its full scale. */
  percent: number;
  /** What is uncertain at any reading: mg/L of a pen's last digit, degrees C, s of a watch; 0 for gauges. */
  absolute: number;
  /** Of gauges, bar; 0 for others. */
  fullScaleBar: number;
}

/** Until a firm says what its own can do. Source: customary data sheets, as `usualTestInstruments`. */
export const usualAccuracy: Record<InstrumentKind, Accuracy> = {
  'tds-pen': { percent: usual.tdsMeterPercent, absolute: usual.tdsMeterDigitMgL, fullScaleBar: 0 },
  gauge: {
    percent: usual.gaugePercentOfFullScale,
    absolute: 0,
    fullScaleBar: usual.gaugeFullScaleBar,
  },
  'tank-gauge': {
    percent: usual.gaugePercentOfFullScale,
    absolute: 0,
    fullScaleBar: usual.tankGaugeFullScaleBar,
  },
  thermometer: { percent: 0, absolute: usual.thermometerC, fullScaleBar: 0 },
  'jug-and-watch': { percent: usual.jugPercent, absolute: usual.watchS, fullScaleBar: 0 },
};

/** Months after which each is usually held against a reference again; null where nothing drifts. */
export const usualCalibrationMonths: Record<InstrumentKind, number | null> = {
  'tds-pen': 6,
  gauge: 12,
  'tank-gauge': 12,
  thermometer: 24,
  'jug-and-watch': null,
};

/** What an instrument showed of a known value, both in the core's unit of what it reads. */
export interface CalibrationPoint {
  shown: number;
  truth: number;
  /** It was set right afterwards; else what it was off by stays. */
  adjusted: boolean;
}

/** Times its own accuracy that an instrument is uncertain by at the most, however long nobody looked. */
const mostWidening = 4;

/**
 * How far an instrument is trusted. Past its date it is uncertain by as much again for every further interval: nobody knows what it
 * drifted. What it was off by at its last calibration, and was not set right, is added in squares.
 * Source: ours; a drift in proportion to time is the least that a neglected instrument does.
 * @param intervalsLate intervals between calibrations that have passed since it was due; 0 or less while it is not
 */
export function trustedAccuracy(
  kind: InstrumentKind,
  accuracy: Accuracy,
  intervalsLate: number,
  last: CalibrationPoint | null,
): Accuracy {
  const widening = Math.min(1 + Math.max(0, intervalsLate), mostWidening);
  return offBy(kind, widened(accuracy, widening), last);
}

const widened = ({ percent, absolute, fullScaleBar }: Accuracy, times: number): Accuracy => ({
  percent: percent * times,
  absolute: absolute * times,
  fullScaleBar,
});

/** Adds what was found and not set right. */
function offBy(kind: InstrumentKind, accuracy: Accuracy, last: CalibrationPoint | null): Accuracy {
  if (!last || last.adjusted) return accuracy;
  const off = last.shown - last.truth;
  switch (kind) {
    case 'tds-pen':
    case 'jug-and-watch':
      return last.truth > 0
        ? { ...accuracy, percent: Math.hypot(accuracy.percent, (100 * off) / last.truth) }
        : accuracy;
    case 'gauge':
    case 'tank-gauge':
      return {
        ...accuracy,
        percent: Math.hypot(accuracy.percent, (100 * off) / accuracy.fullScaleBar),
      };
    case 'thermometer':
      return { ...accuracy, absolute: Math.hypot(accuracy.absolute, off) };
  }
}

/** The instruments of a visit as a diagnosis reckons with them; those that nobody named stay the usual ones. */
export function testInstrumentsOf(
  used: Partial<Record<InstrumentKind, Accuracy>>,
): Partial<TestInstruments> {
  const { gauge, thermometer } = used;
  const pen = used['tds-pen'];
  const tankGauge = used['tank-gauge'];
  const jug = used['jug-and-watch'];
  return {
    ...(pen && { tdsMeterPercent: pen.percent, tdsMeterDigitMgL: pen.absolute }),
    ...(thermometer && { thermometerC: thermometer.absolute }),
    ...(gauge && {
      gaugePercentOfFullScale: gauge.percent,
      gaugeFullScaleBar: gauge.fullScaleBar,
    }),
    ...(tankGauge && {
      tankGaugePercentOfFullScale: tankGauge.percent,
      tankGaugeFullScaleBar: tankGauge.fullScaleBar,
    }),
    ...(jug && { jugPercent: jug.percent, watchS: jug.absolute }),
  };
}
