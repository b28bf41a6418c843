import { dayOf, daysInMonth, type SeriesTrend, trend, type TrendState } from '@katharos/core';
import type { TrendCase, TrueSeries } from './randomHistories.ts';

/** Figures of many histories whose truth is known; what each means stands in docs/TRENDS.md. */
export interface TrendFigures {
  steady: number;
  changed: number;
  due: number;
  falseAlarms: number;
  power: number;
  delayMonths: number;
  coverage: number;
  errorMonths: Record<number, number>;
  intervalScore: number;
  neverSaidDue: number;
  levelError: number;
}

const horizon = 60;
const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / Math.max(values.length, 1);
const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor((sorted.length - 1) / 2)] ?? NaN;
};
const called = new Set<TrendState>(['drifting', 'limit-reached']);
const isStill = ({ law }: TrueSeries) => law === 'none' || law === 'rising';

/** Asks for the trend of every case, and again at each visit after its change could be noticed. */
export function judgeTrends(cases: readonly TrendCase[]): TrendFigures {
  const alarms: boolean[] = [];
  const seen: boolean[] = [];
  const delays: number[] = [];
  const inside: boolean[] = [];
  const scores: number[] = [];
  const never: boolean[] = [];
  const levels: number[] = [];
  const errors: Record<number, number[]> = { 12: [], 18: [], 24: [], 36: [] };
  for (const { request, truth } of cases) {
    const last = request.readings.reduce((a, { date }) => (date > a ? date : a), '');
    const ask = (asOf: string) => {
      const outcome = trend({ ...request, asOf });
      if (!outcome.ok) throw new Error(outcome.failure.code);
      return outcome.value;
    };
    const answer = ask(last);
    const months = (date: string | null) =>
      date === null ? horizon : Math.min((dayOf(date)! - dayOf(last)!) / daysInMonth, horizon);
    for (const key of ['saltPassage', 'flow'] as const) {
      const [said, is] = [answer[key], truth[key]];
      const change = (key === 'flow' ? -1 : 1) * Math.log(is.now);
      if (isStill(is)) alarms.push(called.has(said.state));
      else if (change >= (key === 'flow' ? 0.15 : 0.2)) seen.push(called.has(said.state));
      levels.push(Math.abs(Math.log(said.factorNow / is.now)));
      const trueDue = is.due === null ? Infinity : (dayOf(is.due)! - dayOf(last)!) / daysInMonth;
      if (trueDue <= horizon) {
        const [from, on, to] = [said.dueFrom, said.dueOn, said.dueTo].map(months);
        const isIn = trueDue >= from! - 0.04 && (said.dueTo === null || trueDue <= to! + 0.04);
        inside.push(isIn);
        errors[truth.historyMonths]!.push(Math.abs(on! - trueDue));
        scores.push(
          to! - from! + 10 * Math.max(0, from! - trueDue) + 10 * Math.max(0, trueDue - to!),
        );
      } else if (is.due === null) never.push(months(said.dueOn) < horizon);
      if (is.noticeable)
        delays.push(delayOf(request.readings, is.noticeable, (at) => ask(at)[key]));
    }
  }
  return {
    steady: alarms.length,
    changed: seen.length,
    due: inside.length,
    falseAlarms: mean(alarms.map(Number)),
    power: mean(seen.map(Number)),
    delayMonths: median(delays),
    coverage: mean(inside.map(Number)),
    errorMonths: Object.fromEntries(
      Object.entries(errors).map(([history, values]) => [history, median(values)]),
    ),
    intervalScore: mean(scores),
    neverSaidDue: mean(never.map(Number)),
    levelError: median(levels),
  };
}

/** Months from when a change could be noticed to the first visit that calls it; never counts six months on top. */
function delayOf(
  readings: readonly { date: string }[],
  noticeable: string,
  ask: (asOf: string) => SeriesTrend,
): number {
  const dates = [...new Set(readings.map(({ date }) => date))].sort();
  const after = dates.filter((date) => date >= noticeable);
  const months = (date: string) => (dayOf(date)! - dayOf(noticeable)!) / daysInMonth;
  const first = after.find((date) => called.has(ask(date).state));
  return first === undefined ? Math.max(months(after.at(-1) ?? noticeable), 0) + 6 : months(first);
}
