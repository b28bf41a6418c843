import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  resolveSurvey,
  type SurveyKey,
  surveyRanges,
  type SurveyReadings,
} from './resolveSurvey.ts';

function resolved(readings: SurveyReadings) {
  const survey = resolveSurvey(readings);
  if (!survey.ok) throw new Error(`${survey.failure.code} at ${survey.failure.path}`);
  return survey.value;
}

describe('a survey', () => {
  test('with nothing taken stands on stated defaults only', () => {
    const { values, assumed } = resolved({});
    expect(assumed.map(({ key }) => key).sort()).toEqual(Object.keys(surveyRanges).sort());
    for (const { key, value } of assumed) expect(values[key]).toBe(value);
  });

  test('keeps what was taken and assumes only the rest', () => {
    const taken = { feedTds: 640, pressure: 2.4, temperature: 11, demand: 9 };
    const { values, assumed } = resolved(taken);
    expect(values).toMatchObject(taken);
    expect(assumed.map(({ key }) => key)).not.toContain('feedTds');
    expect(assumed).toHaveLength(Object.keys(surveyRanges).length - 4);
  });

  test('whatever is taken, every value lies in its range and the worst case is no better than today', () => {
    const readings = fc.record(
      Object.fromEntries(
        (['feedTds', 'pressure', 'temperature', 'hardness', 'demand'] as SurveyKey[]).map((key) => [
          key,
          fc.double({ ...surveyRanges[key], noNaN: true }),
        ]),
      ),
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(readings, (taken) => {
        const { values, waters } = resolved(taken);
        for (const key of Object.keys(surveyRanges) as SurveyKey[]) {
          expect(values[key]).toBeGreaterThanOrEqual(surveyRanges[key].min);
          expect(values[key]).toBeLessThanOrEqual(surveyRanges[key].max);
        }
        expect(waters.worst.temperatureC).toBeLessThanOrEqual(waters.today.temperatureC);
        expect(waters.worst.pressureBar).toBeLessThanOrEqual(waters.today.pressureBar);
      }),
    );
  });

  test('a long line is laid in the wider tube', () => {
    expect(resolved({ lineLength: 1.5 }).line.innerDiameterMm).toBe(4.3);
    expect(resolved({ lineLength: 6 }).line.innerDiameterMm).toBe(6.35);
  });

  test.each<[string, SurveyReadings]>([
    ['feedTds', { feedTds: 0 }],
    ['pressure', { pressure: 40 }],
    ['coldest', { temperature: 10, coldest: 14 }],
    ['lowestPressure', { pressure: 2, lowestPressure: 3 }],
    ['highestPressure', { pressure: 4, highestPressure: 3 }],
    ['pH', { pH: NaN }],
  ])('names %s where it cannot be', (path, readings) => {
    expect(resolveSurvey(readings)).toMatchObject({ ok: false, failure: { path } });
  });
});
