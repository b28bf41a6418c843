import { normalQuantile } from '../../base/numeric/lowDiscrepancy.ts';
import {
  resolveSurvey,
  type SurveyKey,
  surveyRanges,
  type SurveyReadings,
} from './resolveSurvey.ts';

/** How far a reading may be off: standard uncertainty as a share of the value and as an amount, whichever adds. */
interface Spread {
  share: number;
  amount: number;
}

/** Uncertainty of what was read, by the usual instruments (defaults). */
const taken: Record<SurveyKey, Spread> = {
  feedTds: { share: 0.02, amount: 1 },
  pressure: { share: 0, amount: 0.2 },
  temperature: { share: 0, amount: 1 },
  demand: { share: 0.15, amount: 0 },
  coldest: { share: 0, amount: 1 },
  warmest: { share: 0, amount: 1 },
  lowestPressure: { share: 0, amount: 0.2 },
  highestPressure: { share: 0, amount: 0.2 },
  hardness: { share: 0.05, amount: 9 },
  alkalinity: { share: 0.05, amount: 9 },
  pH: { share: 0, amount: 0.2 },
  largestDraw: { share: 0.1, amount: 0 },
  lineLength: { share: 0.05, amount: 0.05 },
  rise: { share: 0, amount: 0.05 },
};

/** Uncertainty of a default that stands in for what was not read: what supplies and households differ by. Defaults. */
const guessed: Record<SurveyKey, Spread> = {
  feedTds: { share: 0.55, amount: 0 },
  pressure: { share: 0.3, amount: 0 },
  temperature: { share: 0, amount: 4 },
  demand: { share: 0.5, amount: 0 },
  coldest: { share: 0, amount: 3 },
  warmest: { share: 0, amount: 3 },
  lowestPressure: { share: 0.12, amount: 0 },
  highestPressure: { share: 0.18, amount: 0 },
  hardness: { share: 0.5, amount: 10 },
  alkalinity: { share: 0.4, amount: 10 },
  pH: { share: 0, amount: 0.35 },
  largestDraw: { share: 0.5, amount: 0 },
  lineLength: { share: 0.5, amount: 0 },
  rise: { share: 0, amount: 0.4 },
};

/** In this order, so that a default that follows from another reading follows from its sampled value. */
export const surveyKeys: readonly SurveyKey[] = [
  'feedTds',
  'pressure',
  'temperature',
  'hardness',
  'demand',
  'coldest',
  'lowestPressure',
  'highestPressure',
  'alkalinity',
  'pH',
  'largestDraw',
  'lineLength',
  'rise',
  'warmest',
];

/**
 * One survey that the readings leave possible: each value moved by its uncertainty, each missing one drawn around its default.
 * Shares move a value by a factor (so that nothing goes below zero), amounts by an addend.
 * @param point a share from 0 to 1 for each of `surveyKeys`
 * @returns all fourteen values, in range and free of contradiction
 */
export function possibleSurvey(
  readings: SurveyReadings,
  point: readonly number[],
): Required<SurveyReadings> {
  const sampled: SurveyReadings = {};
  surveyKeys.forEach((key, i) => {
    const reading = readings[key];
    const spread = reading === undefined ? guessed[key] : taken[key];
    const value = reading ?? defaultOf(key, sampled);
    const sigmas = normalQuantile(point[i]!);
    const moved = value * Math.exp(spread.share * sigmas) + spread.amount * sigmas;
    const { min, max } = surveyRanges[key];
    sampled[key] = consistent(key, Math.min(Math.max(moved, min), max), sampled);
  });
  return sampled as Required<SurveyReadings>;
}

function defaultOf(key: SurveyKey, known: SurveyReadings): number {
  const resolved = resolveSurvey(known);
  // What is known was made consistent one by one, so that it resolves.
  if (!resolved.ok) throw new Error(`${resolved.failure.code} at ${resolved.failure.path}`);
  return resolved.value.values[key];
}

/** The coldest is no warmer than today, the warmest no colder, the lowest pressure no higher, the highest no lower. */
function consistent(key: SurveyKey, value: number, known: SurveyReadings): number {
  if (key === 'coldest') return Math.min(value, known.temperature!);
  if (key === 'warmest') return Math.max(value, known.temperature!);
  if (key === 'lowestPressure') return Math.min(value, known.pressure!);
  if (key === 'highestPressure') return Math.max(value, known.pressure!);
  return value;
}
