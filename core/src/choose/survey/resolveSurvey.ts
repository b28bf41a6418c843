import { firstOutOfRange, type Range } from '../../base/guard.ts';
import { fail, type Outcome, succeed } from '../../base/outcome.ts';
import type { Disinfectant } from '../../water/carbonLife.ts';
import type { SizingWaters, ProductLine } from '../../system/design.ts';

/** Everything a survey can read, in the core's units; what was not taken is absent. */
export interface SurveyReadings {
  feedTds?: number;
  pressure?: number;
  temperature?: number;
  demand?: number;
  coldest?: number;
  warmest?: number;
  lowestPressure?: number;
  highestPressure?: number;
  hardness?: number;
  alkalinity?: number;
  pH?: number;
  largestDraw?: number;
  lineLength?: number;
  rise?: number;
}

export type SurveyKey = keyof SurveyReadings;

/** What each reading may be. Wider than a good water, narrower than a slip of the pen. */
export const surveyRanges: Record<SurveyKey, Range> = {
  feedTds: { min: 5, max: 10000 },
  pressure: { min: 0.3, max: 12 },
  temperature: { min: 1, max: 40 },
  demand: { min: 1, max: 2000 },
  coldest: { min: 1, max: 40 },
  warmest: { min: 1, max: 40 },
  lowestPressure: { min: 0.3, max: 12 },
  highestPressure: { min: 0.3, max: 16 },
  hardness: { min: 0.5, max: 2000 },
  alkalinity: { min: 0.5, max: 1500 },
  pH: { min: 4, max: 10.5 },
  largestDraw: { min: 0.2, max: 60 },
  lineLength: { min: 0.2, max: 60 },
  rise: { min: -10, max: 15 },
};

/** A value that stands in for a reading that was not taken. */
export interface Assumed {
  key: SurveyKey;
  value: number;
}

export interface ResolvedSurvey {
  values: Required<SurveyReadings>;
  assumed: Assumed[];
  waters: SizingWaters;
  line: ProductLine;
}

/** Bore of 3/8" tube is taken for the tap line from this length on, m: long lines slow the tap. Default. */
const longLineM = 4;

/** What else is known of a supply. */
export interface SupplyFacts {
  /** Gauge with nothing running, bar; null where it was not read. */
  restingBar?: number | null;
  disinfectant?: Disinfectant | null;
}

/**
 * Fills a survey with stated defaults and makes the waters that designs are judged in.
 * Errors: 'out-of-range' at the reading; at 'coldest', 'warmest', 'lowestPressure' or 'highestPressure' also if it contradicts the reading taken today.
 */
export function resolveSurvey(
  readings: SurveyReadings,
  { restingBar = null, disinfectant = null }: SupplyFacts = {},
): Outcome<ResolvedSurvey> {
  const refused =
    firstOutOfRange(
      (Object.keys(surveyRanges) as SurveyKey[])
        .filter((key) => readings[key] !== undefined)
        .map((key) => [key, readings[key]!, surveyRanges[key]] as const),
    ) ?? contradiction(readings);
  if (refused) return refused;

  const assumed: Assumed[] = [];
  const take = (key: SurveyKey, otherwise: number): number => {
    const value = readings[key];
    if (value !== undefined) return value;
    assumed.push({ key, value: otherwise });
    return otherwise;
  };
  const within = (key: SurveyKey, value: number) =>
    Math.min(Math.max(value, surveyRanges[key].min), surveyRanges[key].max);

  const feedTds = take('feedTds', 350);
  const pressure = take('pressure', 3);
  const temperature = take('temperature', 14);
  const hardness = take('hardness', within('hardness', 0.45 * feedTds));
  const values: Required<SurveyReadings> = {
    feedTds,
    pressure,
    temperature,
    hardness,
    demand: take('demand', 12),
    // Mains swing some eight degrees either way from a mild day; they do not freeze, and seldom pass 25.
    coldest: take('coldest', Math.min(temperature, Math.max(4, temperature - 8))),
    warmest: take('warmest', Math.max(temperature, Math.min(25, temperature + 8))),
    lowestPressure: take('lowestPressure', within('lowestPressure', 0.85 * pressure)),
    // A gauge with nothing running shows what the night will reach at the least.
    highestPressure: Math.max(
      take('highestPressure', within('highestPressure', 1.2 * pressure)),
      restingBar ?? 0,
    ),
    alkalinity: take('alkalinity', within('alkalinity', 0.8 * hardness)),
    pH: take('pH', 7.5),
    largestDraw: take('largestDraw', 2),
    lineLength: take('lineLength', 1.5),
    rise: take('rise', 0.8),
  };
  const today = {
    tdsMgL: feedTds,
    temperatureC: temperature,
    pressureBar: pressure,
    hardnessMgL: hardness,
    alkalinityMgL: values.alkalinity,
    pH: values.pH,
  };
  return succeed({
    values,
    assumed,
    waters: {
      today,
      worst: { ...today, temperatureC: values.coldest, pressureBar: values.lowestPressure },
      warm: { ...today, temperatureC: values.warmest, pressureBar: values.highestPressure },
      disinfectant,
    },
    line: {
      innerDiameterMm: values.lineLength > longLineM ? 6.35 : 4.3,
      lengthM: values.lineLength,
      riseM: values.rise,
    },
  });
}

function contradiction(r: SurveyReadings) {
  const above = (key: SurveyKey, value: number | undefined, most: number | undefined) =>
    value !== undefined && most !== undefined && value > most
      ? fail('out-of-range', key, { got: value, min: surveyRanges[key].min, max: most })
      : undefined;
  const below = (key: SurveyKey, value: number | undefined, least: number | undefined) =>
    value !== undefined && least !== undefined && value < least
      ? fail('out-of-range', key, { got: value, min: least, max: surveyRanges[key].max })
      : undefined;
  return (
    above('coldest', r.coldest, r.temperature) ??
    below('warmest', r.warmest, r.temperature) ??
    above('lowestPressure', r.lowestPressure, r.pressure) ??
    below('highestPressure', r.highestPressure, r.pressure)
  );
}
