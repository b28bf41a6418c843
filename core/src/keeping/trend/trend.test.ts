import { describe, expect, test } from '@jest/globals';
import { dateOf, dayOf, daysInMonth } from '../../base/calendar.ts';
import { seededRandom } from '../../household/household.ts';
import { type Ageing, agedHistory, agedSystem } from '../../test/agedSamples.ts';
import type { History, VisitReadings } from './history.ts';
import { type SeriesTrend, trend, type Trend } from './trend.ts';

function told(history: History): Trend {
  const outcome = trend(history);
  if (!outcome.ok) throw new Error(`${outcome.failure.code} at ${outcome.failure.path}`);
  return outcome.value;
}
const aged = (ageing: Ageing) => told(agedHistory(ageing));
const monthsBetween = (from: string, to: string) => (dayOf(to)! - dayOf(from)!) / daysInMonth;
/** Months from the start to a date; a date that is not named lies beyond what is asked. */
const at = (date: string | null, start: string) =>
  date === null ? 120 : monthsBetween(start, date);
const width = ({ dueFrom, dueTo }: SeriesTrend, start: string) =>
  at(dueTo, start) - at(dueFrom, start);

describe('a membrane that does not change', () => {
  test('stands at one through cold and warm water, whatever the raw readings do', () => {
    const history = agedHistory({ months: 36, every: 2 });
    const flows = history.readings.map(({ permeateFlowLPerH }) => permeateFlowLPerH!);
    // The house's own winter takes a third of the flow.
    expect(Math.min(...flows) / Math.max(...flows)).toBeLessThan(0.7);
    for (const { date } of history.readings.slice(2)) {
      const { saltPassage, flow } = told({ ...history, asOf: date });
      for (const series of [saltPassage, flow]) {
        expect(series.factorNow).toBeGreaterThan(0.96);
        expect(series.factorNow).toBeLessThan(1.04);
        expect(series.state).toMatch(/steady|not-enough/);
        expect(series.dueOn).toBeNull();
      }
    }
  });

  test('behind a pre-filter that blocks is not blamed for it: the drain falls with the product', () => {
    const clogged = aged({
      months: 18,
      every: 2,
      loading: (months) => 1 + 8 * (months / 6) ** 1.5,
      random: seededRandom(4),
    });
    expect(clogged.flow.state).toBe('steady');
    expect(clogged.flow.factorNowLow).toBeGreaterThan(0.88);
    const fouled = aged({
      months: 18,
      every: 2,
      flow: (months) => Math.exp((-0.25 * months) / 12),
      random: seededRandom(4),
    });
    expect(fouled.flow.state).not.toBe('steady');
  });
});

describe('a membrane that ages', () => {
  const perYear = 0.2;
  const ageing = {
    every: 2,
    saltPassage: (months: number) => Math.exp((perYear * months) / 12),
  };
  const trueDue = (12 * Math.log(2)) / perYear;

  test('is called, with its slope and the month in which its limit is met', () => {
    const { saltPassage, flow, dueFirst, baselineDate } = aged({ ...ageing, months: 30 });
    expect(saltPassage.state).toBe('drifting');
    expect(saltPassage.factorNow).toBeCloseTo(Math.exp(perYear * 2.5), 1);
    expect(saltPassage.slopePerYearLow).toBeLessThan(perYear);
    expect(saltPassage.slopePerYearHigh).toBeGreaterThan(perYear);
    expect(at(saltPassage.dueFrom, baselineDate)).toBeLessThan(trueDue);
    expect(at(saltPassage.dueTo, baselineDate)).toBeGreaterThan(trueDue);
    expect(flow.state).toBe('steady');
    expect(dueFirst).toBe('salt-passage');
  });

  test('is known the better the longer it is read', () => {
    const widths = [12, 24, 36].map((months) => {
      const found = aged({ ...ageing, months });
      return width(found.saltPassage, found.baselineDate);
    });
    expect(widths[1]!).toBeLessThan(widths[0]!);
    expect(widths[2]!).toBeLessThan(widths[1]!);
    expect(widths[2]!).toBeLessThan(30);
  });

  test('past its limit is due', () => {
    const { saltPassage, baselineDate } = aged({ ...ageing, months: 54 });
    expect(saltPassage.state).toBe('limit-reached');
    expect(at(saltPassage.dueOn, baselineDate)).toBeLessThan(54);
  });

  test('that jumped is told from one that aged, with the gap in which it did', () => {
    const { saltPassage, baselineDate } = aged({
      months: 24,
      every: 2,
      saltPassage: (months) => (months > 13 ? 1.7 : 1),
    });
    expect(saltPassage.shape).toBe('step');
    expect(at(saltPassage.changedOn, baselineDate)).toBeGreaterThan(12);
    expect(at(saltPassage.changedOn, baselineDate)).toBeLessThan(14);
  });

  test('that lets more water through, and salt, moves away from the limit of flow', () => {
    const { flow, saltPassage } = aged({
      months: 24,
      every: 2,
      saltPassage: (months) => Math.exp(0.6 * (months / 24) ** 2),
      flow: (months) => Math.exp(0.18 * (months / 24) ** 2),
    });
    expect(saltPassage.state).not.toBe('steady');
    expect(flow.factorNow).toBeGreaterThan(1.05);
    expect(flow.dueOn).toBeNull();
  });
});

describe('what is asked', () => {
  const random = () => seededRandom(21);
  const history = agedHistory({
    months: 26,
    every: 2,
    saltPassage: (months) => Math.exp((0.25 * months) / 12),
    events: [{ date: '2022-02-10', kind: 'prefilter-change' }],
    random: random(),
  });
  const base = told(history);

  test('does not depend on the order of lines, nor on what is read later', () => {
    const turned = {
      ...history,
      readings: [...history.readings].reverse(),
      events: [...history.events!].reverse(),
    };
    expect(told(turned)).toEqual(base);
    const asOf = history.readings.at(-1)!.date;
    const later: VisitReadings = { date: '2024-09-01', feedTdsMgL: 300, permeateTdsMgL: 150 };
    expect(told({ ...history, asOf, readings: [later, ...history.readings] })).toEqual(base);
  });

  test('at an earlier day is what the shorter history says', () => {
    const cut = history.readings.slice(0, 8);
    const asOf = cut.at(-1)!.date;
    expect(told({ ...history, asOf })).toEqual(told({ ...history, readings: cut }));
  });

  test('moves with its dates by a whole year, and by nothing else', () => {
    const by = (date: string) => dateOf(dayOf(date)! + 1461);
    const moved = told({
      ...history,
      readings: history.readings.map((reading) => ({ ...reading, date: by(reading.date) })),
      events: history.events!.map((event) => ({ ...event, date: by(event.date) })),
    });
    expect(moved.saltPassage.driftProbability).toBeCloseTo(base.saltPassage.driftProbability, 6);
    expect(moved.saltPassage.dueOn).toBe(by(base.saltPassage.dueOn!));
  });

  test('is hardly moved by one gross reading', () => {
    for (const i of [3, 8, 11]) {
      const readings = history.readings.map((reading, j) =>
        i === j ? { ...reading, permeateTdsMgL: 2.4 * reading.permeateTdsMgL! } : reading,
      );
      const { saltPassage, baselineDate } = told({ ...history, readings });
      const sd = width(base.saltPassage, baselineDate) / 2.56;
      const moved = at(saltPassage.dueOn, baselineDate) - at(base.saltPassage.dueOn, baselineDate);
      expect(Math.abs(moved)).toBeLessThan(sd);
    }
  });

  test('is answered more widely the less was read', () => {
    const keys = [
      'temperatureC',
      'feedTdsMgL',
      'concentrateFlowLPerH',
      'permeateFlowLPerH',
    ] as const;
    const wider = keys.map((key) => {
      const readings = history.readings.map(({ [key]: _left, ...rest }) => rest);
      const { saltPassage, flow } = told({ ...history, readings });
      const spread = (one: SeriesTrend) => Math.log(one.factorNowHigh / one.factorNowLow);
      return spread(saltPassage) + spread(flow) - spread(base.saltPassage) - spread(base.flow);
    });
    expect(wider.reduce((sum, value) => sum + value, 0)).toBeGreaterThan(0);
  });

  test('of a membrane that was changed begins at the change', () => {
    const events = [{ date: history.readings[6]!.date, kind: 'membrane-change' as const }];
    const { baselineDate, readingsUsed } = told({ ...history, events });
    expect(baselineDate).toBe(history.readings[6]!.date);
    expect(readingsUsed).toBe(history.readings.length - 6);
  });

  test('of two visits is told to be too little, and widely', () => {
    const { saltPassage } = told({ ...history, readings: history.readings.slice(0, 2) });
    expect(saltPassage.state).toBe('not-enough');
    expect(saltPassage.factorNowLow).toBeLessThanOrEqual(saltPassage.factorNowHigh);
  });

  test('holds for a thousand visits', () => {
    const many = told(agedHistory({ months: 120, every: 0.12, random: random() }));
    expect(many.readingsUsed).toBeGreaterThan(900);
    expect(many.flow.state).toBe('steady');
  });

  test('of a system that cannot be is refused by name', () => {
    const outcome = trend({
      ...history,
      membrane: { ...agedSystem.membrane, ratedRejection: 2 },
    });
    expect(outcome).toMatchObject({
      ok: false,
      failure: { code: 'out-of-range', path: 'membrane.ratedRejection' },
    });
  });
});
