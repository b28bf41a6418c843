import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../household/household.ts';
import { agedHistory } from '../../test/agedSamples.ts';
import { trendPicture } from './picture.ts';
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
});
