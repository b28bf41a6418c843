import { describe, expect, test } from '@jest/globals';
import { householdOfDemand } from '../../household/household.ts';
import { lowDiscrepancyPoint, normalQuantile } from '../../base/numeric/lowDiscrepancy.ts';
import { usualRequirements } from '../requirements.ts';
import { samplePart, tankDesign } from '../../test/samples.ts';
import { possibleSurvey, surveyKeys } from './possibleSurveys.ts';
import { readingWorth, weighingReadings } from './readingWorth.ts';
import { resolveSurvey, surveyRanges, type SurveyReadings } from './resolveSurvey.ts';
import fc from 'fast-check';

describe('low-discrepancy points', () => {
  test('fill every coordinate far more evenly than chance, and pairs without a drift', () => {
    const points = Array.from({ length: 256 }, (_, i) => lowDiscrepancyPoint(13, i));
    const unevenness = Array.from({ length: 13 }, (_, d) => {
      const bins = new Array<number>(16).fill(0);
      for (const point of points) bins[Math.floor(point[d]! * 16)]! += 1;
      return bins.reduce((sum, count) => sum + (count - 16) ** 2 / 16, 0);
    });
    // Chi-square of random points averages its fifteen degrees of freedom.
    expect(Math.max(...unevenness)).toBeLessThan(8);
    const mean = points.reduce((sum, point) => sum + point[2]! * point[9]!, 0) / 256;
    expect(mean).toBeCloseTo(0.25, 1);
  });

  test.each([
    [0.5, 0],
    [0.841345, 1],
    [0.975, 1.959964],
    [0.00135, -3],
  ])('the normal quantile of %d is %d', (share, sigmas) => {
    expect(Math.abs(normalQuantile(share) - sigmas)).toBeLessThan(4.5e-4);
  });
});

describe('possible surveys', () => {
  const points = fc.array(fc.double({ min: 0.001, max: 0.999, noNaN: true }), {
    minLength: surveyKeys.length,
    maxLength: surveyKeys.length,
  });

  test('are free of contradiction and in range, whatever was read', () => {
    const readings = fc.record(
      {
        feedTds: fc.double({ ...surveyRanges.feedTds, noNaN: true }),
        pressure: fc.double({ min: 1, max: 8, noNaN: true }),
        temperature: fc.double({ min: 4, max: 30, noNaN: true }),
        hardness: fc.double({ min: 5, max: 800, noNaN: true }),
      },
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(readings, points, (taken, point) => {
        const survey = possibleSurvey(taken, point);
        expect(resolveSurvey(survey).ok).toBe(true);
      }),
    );
  });

  test('lie closer about a reading than about a default', () => {
    const low = surveyKeys.map(() => 0.16);
    const high = surveyKeys.map(() => 0.84);
    const width = (readings: SurveyReadings) =>
      possibleSurvey(readings, high).feedTds - possibleSurvey(readings, low).feedTds;
    // The default of 350 mg/L, read off a meter, is good to 2 % and a digit: two of 7.
    expect(width({ feedTds: 350 })).toBeLessThan(18);
    expect(width({})).toBeGreaterThan(200);
  });

  test('in the middle are the readings and the defaults themselves', () => {
    const middle = possibleSurvey(
      { pressure: 3.3 },
      surveyKeys.map(() => 0.5),
    );
    const resolved = resolveSurvey({ pressure: 3.3 });
    if (!resolved.ok) throw new Error(resolved.failure.code);
    for (const key of surveyKeys) {
      expect(middle[key]).toBeCloseTo(resolved.value.values[key], 2);
    }
  });
});

describe('what a reading is worth', () => {
  const pumped = {
    ...tankDesign,
    pump: samplePart('pump'),
    solenoid: samplePart('solenoid'),
    shutoff: null,
  };
  const requirements = {
    ...usualRequirements,
    demandLPerDay: 12,
    largestDrawL: 2,
    household: householdOfDemand(12, 2),
  };
  const worth = (readings: SurveyReadings, designs = [tankDesign, pumped]) =>
    readingWorth({ readings, designs, requirements });
  const all: SurveyReadings = {
    feedTds: 300,
    pressure: 4,
    temperature: 15,
    demand: 10,
    coldest: 8,
    lowestPressure: 3.8,
    highestPressure: 4.4,
    hardness: 100,
    alkalinity: 80,
    pH: 7.5,
    largestDraw: 2,
    lineLength: 1.5,
    rise: 0.8,
    warmest: 20,
  };
  const topic = (given: ReturnType<typeof worth>, name: string) =>
    given.decisions.find((decision) => decision.topic === name)!;

  test('is nothing where everything was read', () => {
    const given = worth(all);
    expect(given.missing).toEqual([]);
    expect(given.production.narrowedBy).toEqual([]);
    expect(topic(given, 'booster')).toMatchObject({ choice: 'no', certainty: 1, settledBy: [] });
  });

  test('narrows the band as more is read', () => {
    const { pressure, coldest, temperature, lowestPressure } = all;
    const width = (readings: SurveyReadings) => {
      const { low, middle, high } = worth(readings).production;
      return (high - low) / middle;
    };
    expect(width({ pressure })).toBeLessThan(width({}));
    expect(width({ pressure, temperature })).toBeLessThan(width({ pressure }));
    expect(width({ pressure, temperature, coldest, lowestPressure })).toBeLessThan(
      0.75 * width({ pressure, temperature }),
    );
  });

  test('without a gauge reading the pump is open, and the pressure is what settles it', () => {
    const {
      pressure: _pressure,
      lowestPressure: _lowest,
      highestPressure: _highest,
      ...rest
    } = all;
    const booster = topic(worth(rest), 'booster');
    expect(booster.certainty).toBeLessThan(0.97);
    expect(booster.settledBy[0]).toMatchObject({ key: 'pressure' });
    expect(booster.settledBy[0]!.share).toBeGreaterThan(0.3);
  });

  test('a regulator hangs on the pressure of the night alone', () => {
    const { highestPressure: _highest, ...rest } = all;
    const regulator = topic(worth({ ...rest, pressure: 4.6 }), 'regulator');
    expect(regulator.certainty).toBeLessThan(0.95);
    expect(regulator.settledBy.map(({ key }) => key)).toEqual(['highestPressure']);
  });

  test('shares stay between none and all, and progress is told', () => {
    const question = { readings: {}, designs: [tankDesign], requirements };
    const given = readingWorth(question, 64);
    expect([...weighingReadings(question, 4)]).toEqual([0, 0.25, 0.5, 0.75]);
    const every = [...given.decisions.flatMap((d) => d.settledBy), ...given.production.narrowedBy];
    for (const { share } of every) {
      expect(share).toBeGreaterThan(0.05);
      expect(share).toBeLessThanOrEqual(1);
    }
    expect(given.production.low).toBeLessThanOrEqual(given.production.middle);
    expect(given.production.middle).toBeLessThanOrEqual(given.production.high);
  });
});
