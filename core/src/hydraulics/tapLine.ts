import { firstOutOfRange, type Range } from '../base/guard.ts';
import { limits } from '../base/limits.ts';
import { findRoot } from '../base/numeric/findRoot.ts';
import { fail, type Outcome, succeed } from '../base/outcome.ts';
import { risePressure } from '../water/waterDensity.ts';
import { filterResistance, type FilterDrop, refuseFilter } from './prefilterDrop.ts';
import { flowingWater, frictionLoss, type Tube, tubeLoss } from './tubeLoss.ts';

/** The product's way from tank or membrane to the open air above the glass. */
export interface TapLine {
  tubes: readonly Tube[];
  /** Flow coefficient of the open tap, m3/h at 1 bar. */
  tapKv: number;
  riseM?: number;
  postFilter?: FilterDrop | undefined;
}

/** Pressure that a flow through the line takes, rise included. */
export interface TapLoss {
  tubesBar: number;
  postFilterBar: number;
  tapBar: number;
  riseBar: number;
  totalBar: number;
}

/** Loss of every part of a tap line at a flow in L/h; bar. */
export function tapLineLoss(line: TapLine, flowLPerH: number, temperatureC: number): TapLoss {
  const tubesBar = line.tubes.reduce(
    (sum, tube) => sum + tubeLoss(tube, flowLPerH, temperatureC),
    0,
  );
  const postFilterBar = filterResistance(line.postFilter, temperatureC) * flowLPerH;
  const tapBar = (flowLPerH / 1000 / line.tapKv) ** 2;
  const riseBar = risePressure(line.riseM ?? 0, temperatureC);
  return {
    tubesBar,
    postFilterBar,
    tapBar,
    riseBar,
    totalBar: tubesBar + postFilterBar + tapBar + riseBar,
  };
}

/** Loss of a whole tap line by flow, rise included, for many flows of one water; bar by L/h. */
export function tapLossOf(line: TapLine, temperatureC: number): (flowLPerH: number) => number {
  const water = flowingWater(temperatureC);
  const filter = filterResistance(line.postFilter, temperatureC);
  const tap = (1000 * line.tapKv) ** -2;
  const riseBar = risePressure(line.riseM ?? 0, temperatureC);
  return (flow) => {
    let bar = riseBar + flow * (filter + flow * tap);
    for (const tube of line.tubes) bar += frictionLoss(tube, flow, water);
    return bar;
  };
}

/** Flow at which a tap line takes a pressure, L/h; 0 where the rise alone takes it. @param lossAt as of `tapLossOf` */
export function flowThrough(
  lossAt: (flowLPerH: number) => number,
  { tapKv }: Pick<TapLine, 'tapKv'>,
  sourceBar: number,
): number {
  const riseBar = lossAt(0);
  if (!(sourceBar > riseBar)) return 0;
  // The tap alone would pass this; everything else in the line only takes from it. A hair more keeps the ends apart.
  const mostLPerH = 1000.1 * tapKv * Math.sqrt(sourceBar - riseBar);
  const miss = (flow: number) => lossAt(flow) - sourceBar;
  return findRoot(miss, 0, mostLPerH, { tolerance: 1e-9, maxEvaluations: 200 }).x;
}

/** Refuses a tap line that cannot be built. */
export function refuseTapLine(line: TapLine, path = '') {
  const checks: [string, number, Range][] = [
    [`${path}tapKv`, line.tapKv, limits.tapKv],
    [`${path}riseM`, line.riseM ?? 0, limits.riseM],
  ];
  line.tubes.forEach((tube, i) => {
    checks.push(
      [`${path}tubes.${i}.innerDiameterMm`, tube.innerDiameterMm, limits.innerDiameterMm],
      [`${path}tubes.${i}.lengthM`, tube.lengthM, limits.lengthM],
    );
  });
  return (
    firstOutOfRange(checks) ??
    (line.postFilter && refuseFilter(`${path}postFilter`, line.postFilter))
  );
}

/**
 * Flow at the open tap from a source at a known pressure.
 * @returns L/min. Errors: 'out-of-range'; 'source-below-rise' if the source cannot even lift the water to the tap.
 */
export function tapFlow(
  line: TapLine & { sourcePressureBar: number; temperatureC: number },
): Outcome<{ flowLPerMin: number }> {
  const { sourcePressureBar, temperatureC } = line;
  const refused =
    firstOutOfRange([
      ['sourcePressureBar', sourcePressureBar, limits.supplyPressureBar],
      ['temperatureC', temperatureC, limits.temperatureC],
    ]) ?? refuseTapLine(line);
  if (refused) return refused;
  const riseBar = risePressure(line.riseM ?? 0, temperatureC);
  if (sourcePressureBar <= riseBar) {
    return fail('source-below-rise', 'sourcePressureBar', {
      sourceBar: sourcePressureBar,
      riseBar,
    });
  }
  const flowLPerH = flowThrough(tapLossOf(line, temperatureC), line, sourcePressureBar);
  return succeed({ flowLPerMin: flowLPerH / 60 });
}
