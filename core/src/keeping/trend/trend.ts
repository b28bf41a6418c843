import { dateOf, dayOf, daysInMonth } from '../../base/calendar.ts';
import { firstOutOfRange } from '../../base/guard.ts';
import { type Outcome, succeed } from '../../base/outcome.ts';
import { elementPermeance } from '../../membrane/elementPermeance.ts';
import { temperatureCorrectionFactor } from '../../membrane/temperatureCorrectionFactor.ts';
import { resolveSystem } from '../../system/point/roSystem.ts';
import {
  type History,
  type TrendInstruments,
  usualTrendInstruments,
  usualTrendLimits,
} from './history.ts';
import { flowPrior, type Law, type LawKind, lawKinds, lawsOf, saltPassagePrior } from './laws.ts';
import { loadings, type Pressures, pressuresOf } from './membranePressure.ts';
import { driveOf, isFlowRead, type Point, saltPoint, waterPoint } from './reduce.ts';
import { type Visit, visitsOf } from './visit.ts';
import { grossFlow, grossPassage, weigh, type Weighed } from './weigh.ts';

/** How a series stands. */
export const trendStates = ['steady', 'drifting', 'limit-reached', 'not-enough'] as const;
export type TrendState = (typeof trendStates)[number];

/** What is known of one of a membrane's two factors against its own start. */
export interface SeriesTrend {
  state: TrendState;
  /** Usable values. */
  readings: number;
  /** On the day asked for, without noise: median and 80 % interval. */
  factorNow: number;
  factorNowLow: number;
  factorNowHigh: number;
  /** Of the factor's logarithm, 1/year. */
  slopePerYear: number;
  slopePerYearLow: number;
  slopePerYearHigh: number;
  /** That it moves towards its limit. */
  driftProbability: number;
  /** The likeliest. */
  shape: LawKind;
  /** Day of a step, where that is the likeliest. */
  changedOn: string | null;
  /** When the limit is met: median and 80 % interval; null where that is later than the horizon, or never. */
  dueOn: string | null;
  dueFrom: string | null;
  dueTo: string | null;
  /** That it is met within the horizon. */
  dueProbability: number;
}

export interface Trend {
  baselineDate: string;
  /** Visits since then. */
  readingsUsed: number;
  saltPassage: SeriesTrend;
  flow: SeriesTrend;
  dueFirst: 'salt-passage' | 'flow' | null;
}

/** Beyond five years a firm changes it anyway. */
const usualHorizonMonths = 60;
/** So that one in twenty of steady series is called drifting, by simulation; see `npm run trends`. */
export const usualDriftThreshold = { saltPassage: 0.63, flow: 0.64 } as const;
const fewestReadings = 3;
/** How elements of a rating differ from it, in the logarithm. */
const levelSd = { flow: 0.15, saltPassage: 0.3 } as const;
/** Loadings less likely than this by the pressures alone are left out. */
const negligible = 0.03;
/** Gaps in which a step is looked for, at most. */
const mostGaps = 40;

/**
 * Whether a membrane drifts and when it is due, by all that its visits read: both factors against its own start, averaged over the laws by
 * which membranes change.
 * Errors: those of `resolveSystem`. Validity: single elements or a bank taken as one; two figures or more a year, months apart.
 * Source: solution-diffusion solved backwards at each visit; Bayesian model averaging over laws on a grid, with noise that is now and then
 * gross.
 */
export function trend(history: History): Outcome<Trend> {
  const permeance = elementPermeance(history.membrane);
  if (!permeance.ok) return permeance;
  const resolved = resolveSystem(history, permeance.value);
  if (!resolved.ok) return resolved;
  const { count = 1, flowFactor = 1, saltPassageFactor = 1, ratedRejection } = history.membrane;
  const backBar = history.permeateBackPressureBar ?? 0;
  const refused = firstOutOfRange([['permeateBackPressureBar', backBar, { min: 0, max: 16 }]]);
  if (refused) return refused;
  const limits = {
    saltPassageFactor: history.limits?.saltPassageFactor ?? usualTrendLimits.saltPassageFactor,
    flowFactor: history.limits?.flowFactor ?? usualTrendLimits.flowFactor,
  };
  const instruments = { ...usualTrendInstruments, ...history.instruments };
  const { baselineDay, asOfDay, visits } = visitsOf(history, instruments);
  const expected = {
    water: permeance.value.water * count * flowFactor,
    salt: permeance.value.salt * count * flowFactor * saltPassageFactor,
  };
  const asOf = (asOfDay - baselineDay) / daysInMonth;
  const system = { history, visits, backBar, usualPassage: 1 - ratedRejection, instruments };

  const flowLaws = lawsOf(
    flowPrior,
    -Math.log(limits.flowFactor),
    gapsOf(visits.filter(isFlowRead)),
  );
  const level = { value: Math.log(expected.water), sd: levelSd.flow };
  const byLoading = weighLoadings(system, flowLaws, level);
  const flow = summarised(
    flowLaws,
    flowLaws.map((_law, s) =>
      byLoading.reduce((sum, { share, weighed }) => sum + share * weighed.weights[s]!, 0),
    ),
    -1,
  );

  const saltPoints = mixed(byLoading.map(({ share, salt }) => ({ share, points: salt })));
  const saltLaws = lawsOf(
    saltPassagePrior,
    Math.log(limits.saltPassageFactor),
    gapsOf(visits.filter(({ permeateMgL }) => permeateMgL !== null)),
  );
  const saltWeighed = weigh(
    saltPoints,
    saltLaws,
    changesAt(
      saltLaws,
      saltPoints.map(({ months }) => months),
      1,
    ),
    { value: Math.log(expected.salt), sd: levelSd.saltPassage },
    grossPassage,
  );
  const saltPassage = summarised(saltLaws, [...saltWeighed.weights], 1);

  const horizon = history.horizonMonths ?? usualHorizonMonths;
  const { driftThreshold = usualDriftThreshold } = history;
  const threshold =
    typeof driftThreshold === 'number'
      ? { saltPassage: driftThreshold, flow: driftThreshold }
      : driftThreshold;
  const answer = {
    saltPassage: seriesTrend(saltPassage, {
      asOf,
      baselineDay,
      horizon,
      readings: saltPoints.length,
      threshold: threshold.saltPassage,
      isPast: (factor) => factor >= limits.saltPassageFactor,
    }),
    flow: seriesTrend(flow, {
      asOf,
      baselineDay,
      horizon,
      readings: visits.filter(isFlowRead).length,
      threshold: threshold.flow,
      isPast: (factor) => factor <= limits.flowFactor,
    }),
  };
  return succeed({
    baselineDate: dateOf(baselineDay),
    readingsUsed: visits.length,
    ...answer,
    dueFirst: dueFirst(answer.saltPassage, answer.flow),
  });
}

interface Weighing {
  history: History;
  visits: readonly Visit[];
  backBar: number;
  usualPassage: number;
  instruments: TrendInstruments;
}

interface OfLoading {
  share: number;
  weighed: Weighed;
  salt: Point[];
}

/** Reduces and weighs the flow for every rate at which pre-filters may load, and says how likely each rate is. */
function weighLoadings(
  { history, visits, backBar, usualPassage, instruments }: Weighing,
  laws: readonly Law[],
  level: { value: number; sd: number },
): OfLoading[] {
  const reduced = loadings
    .filter(({ c }) => c === 0 || history.prefilters !== undefined)
    .map(({ c, share }) => {
      const product = visits.map(({ permeateLPerH }, i) => {
        if (permeateLPerH !== null) return permeateLPerH;
        const { temperatureC, supplyBar, gaugeBar } = visits[i]!;
        return (
          Math.exp(level.value) *
          temperatureCorrectionFactor(temperatureC.value) *
          Math.max((gaugeBar ?? supplyBar.value) - backBar, 0.3) *
          0.85
        );
      });
      const pressures = pressuresOf(history, visits, product, c, instruments);
      return { pressures, log: Math.log(share) + pressures.logLikelihood };
    });
  const best = Math.max(...reduced.map(({ log }) => log));
  const months = visits.flatMap((visit) => (isFlowRead(visit) ? [visit.months] : []));
  const changes = changesAt(laws, months, -1);
  const weighed = reduced
    .filter(({ log }) => log - best > Math.log(negligible))
    .map(({ pressures, log }) => {
      const points = visits.flatMap((visit, i): Point[] => {
        const point = waterPoint(visit, i, pressures, backBar, usualPassage, instruments);
        return point ? [point] : [];
      });
      const found = weigh(points, laws, changes, level, grossFlow);
      return { pressures, points, found, log: log + found.logEvidence };
    });
  const most = Math.max(...weighed.map(({ log }) => log));
  const whole = weighed.reduce((sum, { log }) => sum + Math.exp(log - most), 0);
  return weighed.map(({ pressures, found, log }) => ({
    share: Math.exp(log - most) / whole,
    weighed: found,
    salt: saltPoints(found, pressures),
  }));

  function saltPoints(found: Weighed, pressures: Pressures): Point[] {
    return visits.flatMap((visit, i): Point[] => {
      const product = isFlowRead(visit)
        ? { lPerH: visit.permeateLPerH!, sd: instruments.flowShare }
        : expectedProduct(visit, i, found, pressures);
      const point = saltPoint(visit, i, pressures, product, instruments);
      return point ? [point] : [];
    });
  }

  /** What the membrane gave at a visit that did not read it, by its water permeance then. */
  function expectedProduct(visit: Visit, i: number, found: Weighed, pressures: Pressures) {
    const { value, sd } = permeanceAt(visit.months, found, laws);
    const feedMgL = Math.exp(visit.logFeed.value);
    const passage = visit.permeateMgL === null ? usualPassage : visit.permeateMgL / feedMgL;
    const water = Math.exp(value) * temperatureCorrectionFactor(visit.temperatureC.value);
    const { value: bar, variance } = pressures.bar[i]!;
    const drain = pressures.concentrateLPerH[i]!;
    let lPerH = water * Math.max(bar - backBar, 0.1) * 0.85;
    for (let pass = 0; pass < 3; pass += 1)
      lPerH = water * driveOf(bar, backBar, lPerH, drain, passage, feedMgL, visit);
    return { lPerH, sd: Math.hypot(sd, Math.sqrt(variance) / Math.max(bar - backBar, 0.3)) };
  }
}

/** The water permeance's logarithm at a time, over all laws. */
function permeanceAt(months: number, { weights, levels }: Weighed, laws: readonly Law[]) {
  let mean = 0;
  let square = 0;
  laws.forEach((law, s) => {
    const value = levels[s]! - law.at(months);
    mean += weights[s]! * value;
    square += weights[s]! * value * value;
  });
  return { value: mean, sd: Math.hypot(Math.sqrt(Math.max(square - mean * mean, 0)), 0.02) };
}

/** Points of one series under several loadings, as one. */
function mixed(of: readonly { share: number; points: readonly Point[] }[]): Point[] {
  const [first] = of;
  return (first?.points ?? []).map((point, i) => {
    let mean = 0;
    let square = 0;
    for (const { share, points } of of) {
      const { value, sd } = points[i]!;
      mean += share * value;
      square += share * (value * value + sd * sd);
    }
    return { ...point, value: mean, sd: Math.sqrt(Math.max(square - mean * mean, 1e-6)) };
  });
}

/** Months of the visits that read a figure: a step happened between two of them. */
function gapsOf(visits: readonly Visit[]): number[] {
  const months = [...new Set(visits.map((visit) => visit.months))];
  const every = Math.max(1, Math.ceil(months.length / mostGaps));
  return months.filter((_, i) => i % every === 0 || i === months.length - 1);
}

const changesAt = (laws: readonly Law[], months: readonly number[], sign: 1 | -1): Float64Array[] =>
  laws.map(({ at }) => Float64Array.from(months, (t) => sign * at(t)));

/** Laws with their shares, and which way the factor goes towards its limit. */
interface Summary {
  laws: readonly Law[];
  weights: readonly number[];
  sign: 1 | -1;
}
const summarised = (laws: readonly Law[], weights: readonly number[], sign: 1 | -1): Summary => ({
  laws,
  weights,
  sign,
});

interface Asked {
  /** Months since the baseline. */
  asOf: number;
  baselineDay: number;
  horizon: number;
  readings: number;
  threshold: number;
  isPast: (factor: number) => boolean;
}

function seriesTrend(
  { laws, weights, sign }: Summary,
  { asOf, baselineDay, horizon, readings, threshold, isPast }: Asked,
): SeriesTrend {
  const share = Object.fromEntries(lawKinds.map((kind) => [kind, 0])) as Record<LawKind, number>;
  laws.forEach(({ kind }, s) => (share[kind] += weights[s]!));
  const driftProbability = Math.min(share.linear + share.accelerating + share.step, 1);
  const shape = lawKinds.reduce((a, b) => (share[b] > share[a] ? b : a));
  const of = (value: (law: Law) => number) =>
    sorted(laws.map((law, s) => ({ value: value(law), weight: weights[s]! })));
  const factors = of((law) => Math.exp(sign * law.at(asOf)));
  const slopes = of((law) => sign * law.slopeAt(asOf));
  const due = sorted(
    laws.flatMap((law, s) =>
      law.due.map(({ months, share: part }) => ({ value: months, weight: weights[s]! * part })),
    ),
  );
  const [factorNowLow, factorNow, factorNowHigh] = interval(factors);
  const [slopePerYearLow, slopePerYear, slopePerYearHigh] = interval(slopes);
  const [from, on, to] = interval(due);
  const date = (months: number): string | null =>
    months > asOf + horizon ? null : dateOf(baselineDay + months * daysInMonth);
  const isCalled = driftProbability >= threshold;
  return {
    state:
      readings < fewestReadings
        ? 'not-enough'
        : !isCalled
          ? 'steady'
          : isPast(factorNow)
            ? 'limit-reached'
            : 'drifting',
    readings,
    factorNow,
    factorNowLow,
    factorNowHigh,
    slopePerYear,
    slopePerYearLow,
    slopePerYearHigh,
    driftProbability,
    shape,
    changedOn: shape === 'step' ? stepDay(laws, weights, baselineDay) : null,
    dueOn: date(on),
    dueFrom: date(from),
    dueTo: date(to),
    dueProbability: Math.min(
      due.reduce((sum, { value, weight }) => (value <= asOf + horizon ? sum + weight : sum), 0),
      1,
    ),
  };
}

/** The middle of the gap in which a step is likeliest. */
function stepDay(
  laws: readonly Law[],
  weights: readonly number[],
  baselineDay: number,
): string | null {
  const gaps = new Map<number, number>();
  laws.forEach(({ between }, s) => {
    if (!between) return;
    const middle = (between[0] + between[1]) / 2;
    gaps.set(middle, (gaps.get(middle) ?? 0) + weights[s]!);
  });
  const best = [...gaps].reduce<[number, number] | null>(
    (a, b) => (a && a[1] >= b[1] ? a : b),
    null,
  );
  return best && dateOf(baselineDay + best[0] * daysInMonth);
}

interface WeighedValue {
  value: number;
  weight: number;
}

/** Laws that weigh less than this tell nothing of a tenth. */
const weightless = 1e-6;

const sorted = (values: WeighedValue[]): WeighedValue[] =>
  values.filter(({ weight }) => weight > weightless).sort((a, b) => a.value - b.value);

/** The tenth, the middle and the ninetieth of a hundred. */
const interval = (values: readonly WeighedValue[]): [number, number, number] => [
  quantile(values, 0.1),
  quantile(values, 0.5),
  quantile(values, 0.9),
];

/** Value below which a share of the weights lies, going straight between the middles of two. */
function quantile(values: readonly WeighedValue[], share: number): number {
  const whole = values.reduce((sum, { weight }) => sum + weight, 0);
  let below = 0;
  let last: { value: number; at: number } | null = null;
  for (const { value, weight } of values) {
    const at = (below + weight / 2) / whole;
    if (at >= share || below / whole >= share || (below + weight) / whole >= share) {
      if (!last || !Number.isFinite(value) || at <= share) return value;
      const part = (share - last.at) / (at - last.at);
      return last.value + Math.max(part, 0) * (value - last.value);
    }
    below += weight;
    last = { value, at };
  }
  return values.at(-1)?.value ?? Infinity;
}

function dueFirst(saltPassage: SeriesTrend, flow: SeriesTrend): Trend['dueFirst'] {
  for (const key of ['dueOn', 'dueFrom'] as const) {
    const [salt, water] = [saltPassage[key], flow[key]];
    if (salt === null && water === null) continue;
    const day = (date: string | null) => (date === null ? Infinity : dayOf(date)!);
    return day(salt) <= day(water) ? 'salt-passage' : 'flow';
  }
  return null;
}
