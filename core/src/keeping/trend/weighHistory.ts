import { daysInMonth } from '../../base/calendar.ts';
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
import { flowPrior, type Law, lawsOf, saltPassagePrior } from './laws.ts';
import { loadings, type Pressures, pressuresOf } from './membranePressure.ts';
import { driveOf, isFlowRead, type Point, saltPoint, waterPoint } from './reduce.ts';
import { type Visit, visitsOf } from './visit.ts';
import { grossFlow, grossPassage, weigh, type Weighed } from './weigh.ts';

/** How elements of a rating differ from it, in the logarithm. */
const levelSd = { flow: 0.15, saltPassage: 0.3 } as const;
/** Loadings less likely than this by the pressures alone are left out. */
const negligible = 0.03;
/** Gaps in which a step is looked for, at most. */
const mostGaps = 40;

/** Laws with their shares, which way the factor goes towards its limit, and the visits that they are weighed by. */
export interface Summary {
  laws: readonly Law[];
  weights: readonly number[];
  sign: 1 | -1;
  points: readonly Point[];
  /** Logarithm of the permeance at the start. */
  level: number;
}

/** A history reduced and weighed, before anything is asked of it. */
export interface WeighedHistory {
  baselineDay: number;
  /** Months since the baseline. */
  asOf: number;
  visits: readonly Visit[];
  limits: { saltPassageFactor: number; flowFactor: number };
  saltPassage: Summary;
  flow: Summary;
  /** How likely each rate is at which pre-filters load; see `loadings`. */
  loading: readonly { c: number; share: number }[];
}

/**
 * Reduces every visit to permeances, under every rate at which pre-filters may load, and weighs the laws by them.
 * Errors: those of `elementPermeance` and `resolveSystem`.
 */
export function weighHistory(history: History): Outcome<WeighedHistory> {
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
  const system = { history, visits, backBar, usualPassage: 1 - ratedRejection, instruments };

  const flowLaws = lawsOf(
    flowPrior,
    -Math.log(limits.flowFactor),
    gapsOf(visits.filter(isFlowRead)),
  );
  const byLoading = weighLoadings(system, flowLaws, {
    value: Math.log(expected.water),
    sd: levelSd.flow,
  });
  const saltPoints = mixed(byLoading.map(({ share, salt }) => ({ share, points: salt })));
  const saltLaws = lawsOf(
    saltPassagePrior,
    Math.log(limits.saltPassageFactor),
    gapsOf(visits.filter(({ permeateMgL }) => permeateMgL !== null)),
  );
  const salt = weigh(
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
  return succeed({
    baselineDay,
    asOf: (asOfDay - baselineDay) / daysInMonth,
    visits,
    limits,
    saltPassage: {
      laws: saltLaws,
      weights: [...salt.weights],
      sign: 1,
      points: saltPoints,
      level: meanLevel(salt),
    },
    flow: {
      laws: flowLaws,
      weights: flowLaws.map((_law, s) =>
        byLoading.reduce((sum, { share, weighed }) => sum + share * weighed.weights[s]!, 0),
      ),
      sign: -1,
      points: mixed(byLoading.map(({ share, water }) => ({ share, points: water }))),
      level: byLoading.reduce((sum, { share, weighed }) => sum + share * meanLevel(weighed), 0),
    },
    loading: byLoading.map(({ c, share }) => ({ c, share })),
  });
}

const meanLevel = ({ weights, levels }: Weighed): number =>
  weights.reduce((sum, weight, s) => sum + weight * levels[s]!, 0);

interface Weighing {
  history: History;
  visits: readonly Visit[];
  backBar: number;
  usualPassage: number;
  instruments: TrendInstruments;
}

interface OfLoading {
  /** Of `loadings`. */
  c: number;
  share: number;
  weighed: Weighed;
  water: Point[];
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
      return { c, pressures, log: Math.log(share) + pressures.logLikelihood };
    });
  const best = Math.max(...reduced.map(({ log }) => log));
  const months = visits.flatMap((visit) => (isFlowRead(visit) ? [visit.months] : []));
  const changes = changesAt(laws, months, -1);
  const weighed = reduced
    .filter(({ log }) => log - best > Math.log(negligible))
    .map(({ c, pressures, log }) => {
      const points = visits.flatMap((visit, i): Point[] => {
        const point = waterPoint(visit, i, pressures, backBar, usualPassage, instruments);
        return point ? [point] : [];
      });
      const found = weigh(points, laws, changes, level, grossFlow);
      return { c, pressures, points, found, log: log + found.logEvidence };
    });
  const most = Math.max(...weighed.map(({ log }) => log));
  const whole = weighed.reduce((sum, { log }) => sum + Math.exp(log - most), 0);
  return weighed.map(({ c, pressures, points, found, log }) => ({
    c,
    share: Math.exp(log - most) / whole,
    weighed: found,
    water: points,
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
