import { logNormalBetween } from '../../base/numeric/normal.ts';
import { type ReadingCode, readingKind, type Seen } from './reading.ts';

/** Instruments of a visit: standard uncertainties, from their customary data sheets. */
export interface TestInstruments {
  tdsMeterPercent: number;
  tdsMeterDigitMgL: number;
  thermometerC: number;
  gaugePercentOfFullScale: number;
  gaugeFullScaleBar: number;
  tankGaugeFullScaleBar: number;
  /** As the gauge's where it is absent. */
  tankGaugePercentOfFullScale?: number;
  jugPercent: number;
  watchS: number;
}

export const usualTestInstruments: TestInstruments = {
  tdsMeterPercent: 2,
  tdsMeterDigitMgL: 1,
  thermometerC: 1,
  gaugePercentOfFullScale: 2,
  gaugeFullScaleBar: 10,
  tankGaugeFullScaleBar: 4,
  jugPercent: 2,
  watchS: 1,
};

/** Share of its reading by which a colour strip and a drop kit are uncertain. */
const stripShare = 0.25;
const kitShare = 0.05;
/** A fall of pressure on one gauge is surer than two pressures. */
const dropShare = 0.6;
/** A look is mistaken once in fifty. */
export const mistakenShare = 0.02;
/** Water or none, an end or none: a mistake there is all but excluded. */
const excluded = Math.log(1e-6);

/** Standard uncertainty of a reading whose true value is `value`, in its own unit. */
export function standardUncertainty(
  code: ReadingCode,
  value: number,
  instruments: TestInstruments,
): number {
  const { by, floor = 0, jugL = 0 } = readingKind(code);
  const jugShare = instruments.jugPercent / 100;
  switch (by) {
    case 'tds-meter':
      return Math.hypot((instruments.tdsMeterPercent / 100) * value, instruments.tdsMeterDigitMgL);
    case 'thermometer':
      return instruments.thermometerC;
    case 'gauge':
      return (instruments.gaugePercentOfFullScale / 100) * instruments.gaugeFullScaleBar;
    case 'tank-gauge': {
      const { gaugePercentOfFullScale, tankGaugePercentOfFullScale = gaugePercentOfFullScale } =
        instruments;
      const bar = (tankGaugePercentOfFullScale / 100) * instruments.tankGaugeFullScaleBar;
      return code === 'tankPressureDropBar' ? dropShare * bar : bar;
    }
    case 'jug': {
      if (jugL === 0) return Math.hypot(jugShare * value, floor);
      const perS = code.endsWith('PerMin') ? value / 60 : value / 3600;
      return Math.hypot(value * Math.hypot(jugShare, (instruments.watchS * perS) / jugL), floor);
    }
    case 'strip':
      return Math.hypot(stripShare * value, floor);
    case 'kit':
      return Math.hypot(kitShare * value, floor);
    case 'ph-meter':
      return floor;
    case 'watch':
      return Math.hypot(jugShare * value, floor);
    case 'look':
      return mistakenShare;
  }
}

/** A reading as it was taken. */
export interface Given {
  code: ReadingCode;
  seen: Seen;
  /** Its own standard uncertainty, where the person knows it better. */
  uncertainty?: number | undefined;
}

/** Standard uncertainty of what was given, if `value` is the truth. */
export const uncertaintyOf = (
  { code, uncertainty }: Given,
  value: number,
  instruments: TestInstruments,
): number => uncertainty ?? standardUncertainty(code, value, instruments);

/** Log of the chance to see what was seen, where the truth is `truth`: the step that was written down, and no number below 0. */
export function logLikelihood(given: Given, truth: Seen, instruments: TestInstruments): number {
  const { code, seen } = given;
  if (typeof seen === 'boolean')
    return Math.log(seen === truth ? 1 - mistakenShare : mistakenShare);
  if (seen === null || truth === null) return seen === truth ? 0 : excluded;
  const value = Number(truth);
  const sd = uncertaintyOf(given, value, instruments);
  const half = readingKind(code).step / 2;
  const low = seen <= half ? -Infinity : (seen - half - value) / sd;
  return logNormalBetween(low, (seen + half - value) / sd);
}
