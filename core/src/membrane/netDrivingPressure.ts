import { osmoticPressure } from '../water/osmoticPressure.ts';

/** One set of readings of a running system. */
export interface Readings {
  feedTdsMgL: number;
  permeateTdsMgL: number;
  temperatureC: number;
  /** Pressure at the membrane, bar gauge. */
  feedPressureBar: number;
  /** Feed-to-concentrate drop along the element, bar. */
  pressureDropBar?: number;
  recovery: number;
  permeateFlowLPerH: number;
  permeatePressureBar?: number;
}

/** Mean feed-side concentration over the length of an element, mg/L: `Cf ln(1/(1-Y))/Y`. */
export function feedBrineAverage(feedTdsMgL: number, recovery: number): number {
  return (feedTdsMgL * -Math.log1p(-recovery)) / recovery;
}

/** Net driving pressure, bar. */
export function netDrivingPressure(readings: Readings): number {
  const { feedTdsMgL, permeateTdsMgL, temperatureC, feedPressureBar, recovery } = readings;
  const average = feedBrineAverage(feedTdsMgL, recovery);
  return (
    feedPressureBar -
    (readings.pressureDropBar ?? 0) / 2 -
    (readings.permeatePressureBar ?? 0) -
    osmoticPressure(average, temperatureC) +
    osmoticPressure(permeateTdsMgL, temperatureC)
  );
}
