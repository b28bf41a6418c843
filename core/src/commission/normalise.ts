import { firstOutOfRange, type Range } from '../base/guard.ts';
import { limits } from '../base/limits.ts';
import { temperatureCorrectionFactor } from '../membrane/temperatureCorrectionFactor.ts';
import { fail, type Outcome, succeed } from '../base/outcome.ts';
import {
  feedBrineAverage,
  netDrivingPressure,
  type Readings,
} from '../membrane/netDrivingPressure.ts';

/** Readings brought to the reference's conditions. */
export interface NormalisedReadings {
  normalisedPermeateFlowLPerH: number;
  normalisedSaltPassage: number;
  netDrivingPressureBar: number;
  referenceNetDrivingPressureBar: number;
}

/**
 * Brings a reading to the conditions of a reference, so that the two may be compared.
 * Units: L/h, bar, fraction. Errors: 'out-of-range'; 'pressure-below-osmotic' if either net driving pressure is not above 0.
 * Source: ASTM D4516.
 */
export function normalise(measured: Readings, reference: Readings): Outcome<NormalisedReadings> {
  const refused =
    firstOutOfRange(checks('measured', measured)) ??
    firstOutOfRange(checks('reference', reference));
  if (refused) return refused;
  const netDrivingPressureBar = netDrivingPressure(measured);
  const referenceNetDrivingPressureBar = netDrivingPressure(reference);
  for (const [path, bar] of [
    ['measured.feedPressureBar', netDrivingPressureBar],
    ['reference.feedPressureBar', referenceNetDrivingPressureBar],
  ] as const) {
    if (!(bar > 0)) return fail('pressure-below-osmotic', path, { netDrivingPressureBar: bar });
  }
  const temperature =
    temperatureCorrectionFactor(reference.temperatureC) /
    temperatureCorrectionFactor(measured.temperatureC);
  const saltPassage = measured.permeateTdsMgL / measured.feedTdsMgL;
  const average = (r: Readings) => feedBrineAverage(r.feedTdsMgL, r.recovery);
  return succeed({
    normalisedPermeateFlowLPerH:
      measured.permeateFlowLPerH *
      (referenceNetDrivingPressureBar / netDrivingPressureBar) *
      temperature,
    normalisedSaltPassage:
      saltPassage *
      (measured.permeateFlowLPerH / reference.permeateFlowLPerH) *
      temperature *
      (average(reference) / average(measured)) *
      (measured.feedTdsMgL / reference.feedTdsMgL),
    netDrivingPressureBar,
    referenceNetDrivingPressureBar,
  });
}

const checks = (path: string, readings: Readings): [string, number, Range][] => [
  [`${path}.feedTdsMgL`, readings.feedTdsMgL, limits.tdsMgL],
  [`${path}.permeateTdsMgL`, readings.permeateTdsMgL, { min: 0, max: limits.tdsMgL.max }],
  [`${path}.temperatureC`, readings.temperatureC, limits.temperatureC],
  [`${path}.feedPressureBar`, readings.feedPressureBar, { min: 0, max: 30 }],
  [`${path}.pressureDropBar`, readings.pressureDropBar ?? 0, limits.dropBar],
  [`${path}.recovery`, readings.recovery, limits.fraction],
  [`${path}.permeateFlowLPerH`, readings.permeateFlowLPerH, limits.flowLPerH],
  [`${path}.permeatePressureBar`, readings.permeatePressureBar ?? 0, limits.backPressureBar],
];
