import { dateOf, daysInMonth } from '../../base/calendar.ts';
import { type Outcome, succeed } from '../../base/outcome.ts';
import type { History } from './history.ts';
import { interval, sorted } from './quantile.ts';
import { type Summary, weighHistory } from './weighHistory.ts';

/** One of a membrane's factors as a picture: what each visit says, and what is believed of all times. */
export interface SeriesPicture {
  limit: number;
  /** Of single visits, against the level at the start, with one standard deviation either way. */
  visits: { date: string; factor: number; low: number; high: number }[];
  /** Of all laws together, past and to come: median and 80 % interval. */
  course: { date: string; factor: number; low: number; high: number }[];
}

export interface TrendPicture {
  saltPassage: SeriesPicture;
  flow: SeriesPicture;
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
  const picture = (summary: Summary, limit: number): SeriesPicture => ({
    limit,
    visits: summary.points.map(({ months, value, sd }) => {
      const factor = Math.exp(value - summary.level);
      const date = dateOf(baselineDay + months * daysInMonth);
      return { date, factor, low: factor * Math.exp(-sd), high: factor * Math.exp(sd) };
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
  });
  return succeed({
    saltPassage: picture(saltPassage, limits.saltPassageFactor),
    flow: picture(flow, limits.flowFactor),
  });
}
