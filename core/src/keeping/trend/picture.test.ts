import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../household/household.ts';
import { agedHistory } from '../../test/agedSamples.ts';
import { type Expectation, trendExpectations, trendPicture } from './picture.ts';
import { trend } from './trend.ts';

const history = agedHistory({
  months: 30,
  every: 3,
  saltPassage: (months) => Math.exp((0.2 * months) / 12),
  random: seededRandom(12),
});
const pictured = (() => {
  const outcome = trendPicture(history, 24);
  if (!outcome.ok) throw new Error(outcome.failure.code);
  return outcome.value;
})();

describe('the trend as it is drawn', () => {
  test('has every visit, between its own ends, and a course that begins at one', () => {
    for (const { visits, course } of [pictured.saltPassage, pictured.flow]) {
      expect(visits.map(({ date }) => date)).toEqual(history.readings.map(({ date }) => date));
      for (const { factor, low, high } of [...visits, ...course]) {
        expect(low).toBeLessThanOrEqual(factor);
        expect(factor).toBeLessThanOrEqual(high);
      }
      expect(course[0]!.factor).toBeCloseTo(1, 9);
    }
  });

  test('says on the day that is asked for what the answer says, and is the less sure the farther ahead', () => {
    const answer = trend(history);
    if (!answer.ok) throw new Error(answer.failure.code);
    const last = history.readings.at(-1)!.date;
    const { course } = pictured.saltPassage;
    const now = course.findLast(({ date }) => date <= last)!;
    expect(now.factor).toBeCloseTo(answer.value.saltPassage.factorNow, 1);
    const width = ({ low, high }: (typeof course)[number]) => Math.log(high / low);
    expect(width(course.at(-1)!)).toBeGreaterThan(2 * width(now));
  });

  test('draws the true course within its band nearly everywhere', () => {
    const { course, visits } = pictured.saltPassage;
    const start = Date.parse(visits[0]!.date);
    const held = course.filter(({ date, low, high }) => {
      const truth = Math.exp((0.2 * (Date.parse(date) - start)) / (365.25 * 86400e3));
      return truth >= low * 0.98 && truth <= high * 1.02;
    });
    expect(held.length / course.length).toBeGreaterThan(0.8);
  });

  test('shows beside it what meter and jug alone would say: a winter that is no ageing', () => {
    const steady = trendPicture(agedHistory({ months: 24, every: 2 }));
    if (!steady.ok) throw new Error(steady.failure.code);
    const { visits } = steady.value.flow;
    const spread = (values: number[]) => Math.max(...values) / Math.min(...values);
    expect(spread(visits.map(({ raw }) => raw!))).toBeGreaterThan(1.3);
    expect(spread(visits.map(({ factor }) => factor))).toBeLessThan(1.1);
    expect(visits[0]!.raw).toBe(1);
  });

  test('marks what was changed since, and expects the limit the more narrowly the more visits there are', () => {
    const events = [{ date: history.readings[3]!.date, kind: 'prefilter-change' as const }];
    const marked = trendPicture({ ...history, events });
    expect(marked.ok && marked.value.events).toEqual(events);
    const expected = trendExpectations(history);
    if (!expected.ok) throw new Error(expected.failure.code);
    const { saltPassage } = expected.value;
    const width = ({ dueFrom, dueTo }: Expectation) =>
      (dueTo ? Date.parse(dueTo) : Infinity) - (dueFrom ? Date.parse(dueFrom) : 0);
    expect(width(saltPassage.at(-1)!)).toBeLessThan(width(saltPassage[0]!));
    const answer = trend(history);
    expect(answer.ok && answer.value.saltPassage.dueOn).toBe(saltPassage.at(-1)!.dueOn);
  });
});
