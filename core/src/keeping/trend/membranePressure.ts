import { filterResistance } from '../../hydraulics/prefilterDrop.ts';
import { pumpPressure } from '../../hydraulics/pumpPressure.ts';
import { restrictorCoefficient } from '../../hydraulics/restrictorFlow.ts';
import type { History, TrendInstruments } from './history.ts';
import { combined, type Estimate } from './season.ts';
import type { Visit } from './visit.ts';

/** How fast pre-filters load: their drop when new times `1 + c (months/6)^1.5`. Defaults of practice, with how common each is. */
export const loadings = [
  { c: 0, share: 0.24 },
  { c: 0.5, share: 0.24 },
  { c: 1.2, share: 0.2 },
  { c: 2.4, share: 0.15 },
  { c: 4.5, share: 0.1 },
  { c: 8, share: 0.07 },
] as const;

/** What the pressure at the membrane was at each visit, and how well all that was read agrees with it. */
export interface Pressures {
  bar: Estimate[];
  /** What ran to the drain, as read or as the restrictor passes it, L/h. */
  concentrateLPerH: number[];
  logLikelihood: number;
}

/** Restrictors of a rating differ by this; the same at every visit. */
const restrictorSd = 0.05;
/** What a loading cannot say of one cartridge, as a share of what it has grown by. */
const loadingSd = 0.3;
/** Share of the boost by which a pump's point is uncertain from day to day. */
const boostSd = 0.02;
/** Differences beyond this, in standard deviations, are a mistimed flow. */
const gross = 3.5;
const logGross = Math.log(0.02);

const logNormal = (difference: number, variance: number): number =>
  -0.5 * (difference ** 2 / variance + Math.log(2 * Math.PI * variance));

/**
 * Weighs the supply less the pre-filters' drop, a gauge and the restrictor's own flow, for one rate of loading.
 * @param productLPerH at each visit, as read or as expected
 */
export function pressuresOf(
  { prefilters, pump, restrictor }: Pick<History, 'prefilters' | 'pump' | 'restrictor'>,
  visits: readonly Visit[],
  productLPerH: readonly number[],
  c: number,
  instruments: TrendInstruments,
): Pressures {
  const k = restrictorCoefficient(restrictor);
  let logLikelihood = 0;
  const fromSupply = visits.map((visit, i): Estimate => {
    const resistance = filterResistance(prefilters, visit.temperatureC.value);
    const grown = 1 + c * (Math.max(visit.loadedMonths, 0) / 6) ** 1.5;
    const behind = (supply: number, times: number) => {
      let bar = Math.max(supply, 0.05);
      for (let pass = 0; pass < 3; pass += 1) {
        const drain = visit.concentrateLPerH ?? k * Math.sqrt(bar);
        const flow = productLPerH[i]! + drain;
        bar = Math.max(
          pumpPressure(pump, Math.max(supply - times * resistance * flow, 0.02), flow),
          0.05,
        );
      }
      return bar;
    };
    const { value, variance } = visit.supplyBar;
    const bar = behind(value, grown);
    const step = 0.1;
    const slope = (behind(value + step, grown) - bar) / step;
    const more = behind(value, 1 + (grown - 1) * (1 + loadingSd));
    const boost = pump ? boostSd * Math.max(bar - value, 0) : 0;
    return {
      value: bar,
      variance: Math.max(slope ** 2 * variance + (more - bar) ** 2 + boost ** 2, 1e-4),
    };
  });
  const seen = visits.map(({ gaugeBar }, i): Estimate => {
    if (gaugeBar === null) return fromSupply[i]!;
    const gauge = { value: Math.max(gaugeBar, 0.05), variance: instruments.gaugeBar ** 2 };
    logLikelihood += logNormal(
      gauge.value - fromSupply[i]!.value,
      gauge.variance + fromSupply[i]!.variance,
    );
    return combined(gauge, fromSupply[i]!);
  });
  // What this restrictor passes over its rating: a little, and the same every time.
  let precision = 1 / restrictorSd ** 2;
  let sum = 0;
  visits.forEach(({ concentrateLPerH }, i) => {
    if (concentrateLPerH === null || !(concentrateLPerH > 0)) return;
    const { value, variance } = seen[i]!;
    const off = Math.log(concentrateLPerH / (k * Math.sqrt(value)));
    const w =
      1 / (instruments.flowShare ** 2 + variance / (4 * value ** 2)) / (1 + (off / 0.15) ** 2);
    precision += w;
    sum += w * off;
  });
  const factor = k * Math.exp(sum / precision);
  const drain: number[] = [];
  const bar = visits.map(({ concentrateLPerH }, i): Estimate => {
    const known = seen[i]!;
    const expected = factor * Math.sqrt(known.value);
    if (concentrateLPerH === null || !(concentrateLPerH > 0)) {
      drain.push(expected);
      return known;
    }
    const value = (concentrateLPerH / factor) ** 2;
    const variance = (2 * instruments.flowShare * value) ** 2;
    const apart = value - known.value;
    const whole = variance + known.variance;
    if (apart ** 2 > gross ** 2 * whole) {
      logLikelihood += logGross + logNormal(gross * Math.sqrt(whole), whole);
      drain.push(expected);
      return known;
    }
    logLikelihood += logNormal(apart, whole);
    drain.push(concentrateLPerH);
    return combined({ value, variance }, known);
  });
  return { bar, concentrateLPerH: drain, logLikelihood };
}
