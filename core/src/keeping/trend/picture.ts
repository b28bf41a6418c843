import { dateOf, daysInMonth } from '../../base/calendar.ts';
import { type Outcome, succeed } from '../../base/outcome.ts';
import type { History, ServiceEventKind, VisitReadings } from './history.ts';
import { trend } from './trend.ts';
import { interval, sorted } from './quantile.ts';
import { type Summary, weighHistory } from './weighHistory.ts';

/** One of a membrane's factors as a picture: what each visit says, and what is believed of all times. */
export interface SeriesPicture {
  limit: number;
  /** Of single visits, against the level at the start, with one standard deviation either way. */
  visits: {
    date: string;
    factor: number;
    low: number;
    high: number;
    /** What the meter and the jug alone say, against those of the baseline; null where either was not read. */
    raw: number | null;
  }[];
  /** Of all laws together, past and to come: median and 80 % interval. */
  course: { date: string; factor: number; low: number; high: number }[];
}

export interface TrendPicture {
  saltPassage: SeriesPicture;
  flow: SeriesPicture;
  /** Days since the baseline on which something was changed that a line can show. */
  events: { date: string; kind: ServiceEventKind }[];
}

/** When a limit was expected to be met, by all that was known on a day. */
export interface Expectation {
  date: string;
  dueFrom: string | null;
  dueOn: string | null;
  dueTo: string | null;
}

/** A forecast needs as many readings as a trend. */
const fewestVisits = 3;

/**
 * How the month in which a limit is met was expected after each of the last visits: whether it narrows. Errors: those of `trend`.
 * @param most visits that are asked at, the newest
 */
export function trendExpectations(
  history: History,
  most = 8,
): Outcome<Record<'saltPassage' | 'flow', Expectation[]>> {
  const days = [...new Set(history.readings.map(({ date }) => date))].sort();
  const found = { saltPassage: [] as Expectation[], flow: [] as Expectation[] };
  for (const date of days.slice(fewestVisits - 1).slice(-most)) {
    const outcome = trend({ ...history, asOf: date });
    if (!outcome.ok) return outcome;
    for (const key of ['saltPassage', 'flow'] as const) {
      const { state, dueFrom, dueOn, dueTo } = outcome.value[key];
      // A membrane that was changed begins anew.
      if (state === 'not-enough') found[key] = [];
      else found[key].push({ date, dueFrom, dueOn, dueTo });
    }
  }
  return succeed(found);
}

/** Steps of a course, from the baseline as far as it is shown. */
const courseSteps = 60;

/**
 * The trend as it can be drawn. Errors: those of `trend`.
 * @param untilMonths how far beyond the day asked for the course is shown
 */
export function trendPicture(history: History, untilMonths = 24): Outcome<TrendPicture> {
  const weighed = weighHistory(history);
  if (!weighed.ok) return weighed;
  const { baselineDay, asOf, limits, saltPassage, flow } = weighed.value;
  const picture = (
    summary: Summary,
    limit: number,
    rawOf: (reading: VisitReadings) => number | null,
  ): SeriesPicture => {
    const start = dateOf(baselineDay);
    const known = history.readings.filter(({ date }) => date >= start);
    const first = known.map(rawOf).find((one) => one !== null);
    const rawOn = (date: string): number | null => {
      const reading = known.find((one) => one.date === date);
      const value = reading ? rawOf(reading) : null;
      return value !== null && first ? value / first : null;
    };
    return {
      limit,
      visits: summary.points.map(({ months, value, sd }) => {
        const factor = Math.exp(value - summary.level);
        const date = dateOf(baselineDay + months * daysInMonth);
        const band = { low: factor * Math.exp(-sd), high: factor * Math.exp(sd) };
        return { date, factor, ...band, raw: rawOn(date) };
      }),
      course: Array.from({ length: courseSteps + 1 }, (_, i) => {
        const months = ((asOf + untilMonths) * i) / courseSteps;
        const [low, factor, high] = interval(
          sorted(
            summary.laws.map((law, s) => ({
              value: Math.exp(summary.sign * law.at(months)),
              weight: summary.weights[s]!,
            })),
          ),
        );
        return { date: dateOf(baselineDay + months * daysInMonth), factor, low, high };
      }),
    };
  };
  return succeed({
    saltPassage: picture(saltPassage, limits.saltPassageFactor, rawPassage),
    flow: picture(flow, limits.flowFactor, rawFlow),
    events: (history.events ?? []).filter(({ date }) => date > dateOf(baselineDay)),
  });
}

/** What a meter alone says of the passage, and a jug of the flow: winters and weak feeds are in them. */
const rawPassage = ({ feedTdsMgL, permeateTdsMgL }: VisitReadings): number | null =>
  feedTdsMgL && permeateTdsMgL ? permeateTdsMgL / feedTdsMgL : null;
const rawFlow = ({ permeateFlowLPerH }: VisitReadings): number | null =>
  permeateFlowLPerH ? permeateFlowLPerH : null;
