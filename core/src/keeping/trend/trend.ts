import { dateOf, dayOf, daysInMonth } from '../../base/calendar.ts';
import { type Outcome, succeed } from '../../base/outcome.ts';
import type { History } from './history.ts';
import { type Law, type LawKind, lawKinds } from './laws.ts';
import { interval, sorted } from './quantile.ts';
import { type Summary, weighHistory } from './weighHistory.ts';

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

/**
 * Whether a membrane drifts and when it is due, by all that its visits read: both factors against its own start, averaged over the laws by
 * which membranes change.
 * Errors: those of `resolveSystem`. Validity: single elements or a bank taken as one; two figures or more a year, months apart.
 * Source: solution-diffusion solved backwards at each visit; Bayesian model averaging over laws on a grid, with noise that is now and then
 * gross.
 */
export function trend(history: History): Outcome<Trend> {
  const weighed = weighHistory(history);
  if (!weighed.ok) return weighed;
  const { baselineDay, asOf, visits, limits, saltPassage, flow } = weighed.value;
  const horizon = history.horizonMonths ?? usualHorizonMonths;
  const { driftThreshold = usualDriftThreshold } = history;
  const threshold =
    typeof driftThreshold === 'number'
      ? { saltPassage: driftThreshold, flow: driftThreshold }
      : driftThreshold;
  const asked = { asOf, baselineDay, horizon };
  const answer = {
    saltPassage: seriesTrend(saltPassage, {
      ...asked,
      readings: saltPassage.points.length,
      threshold: threshold.saltPassage,
      isPast: (factor) => factor >= limits.saltPassageFactor,
    }),
    flow: seriesTrend(flow, {
      ...asked,
      readings: flow.points.length,
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

function dueFirst(saltPassage: SeriesTrend, flow: SeriesTrend): Trend['dueFirst'] {
  for (const key of ['dueOn', 'dueFrom'] as const) {
    const [salt, water] = [saltPassage[key], flow[key]];
    if (salt === null && water === null) continue;
    const day = (date: string | null) => (date === null ? Infinity : dayOf(date)!);
    return day(salt) <= day(water) ? 'salt-passage' : 'flow';
  }
  return null;
}
