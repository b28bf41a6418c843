import {
  householdOfDemand,
  meanDemand,
  type Outcome,
  type Part,
  type Requirements,
  type ResolvedSurvey,
  resolveSurvey,
  type SiteFacts,
  type SizingTask,
  succeed,
  type SurveyKey,
  type SurveyReadings,
  toCore,
  permeatePh,
  usualRequirements,
  type VerificationReadings,
} from '@katharos/core';
import { surveyFields, type VerifyKey, verifyFields } from './fields.ts';
import type { JobDocument, Survey } from './job.ts';

/** A job's survey as the core wants it. */
export interface JobBrief {
  survey: ResolvedSurvey;
  requirements: Requirements;
  facts: SiteFacts;
  task: SizingTask;
}

/** Typical passage of a good element, for the one question asked before any element is chosen: will the product be acid? */
const typicalPassage = 0.04;

/** Readings of a survey in the core's units. */
export function surveyReadings(survey: Survey): SurveyReadings {
  const readings: SurveyReadings = {};
  for (const key of Object.keys(surveyFields) as SurveyKey[]) {
    const reading = survey.readings[key];
    if (reading) readings[key] = toCore(surveyFields[key].dimension, reading);
  }
  if (survey.household) {
    // What is typed as a figure comes before what the household would make.
    readings.demand ??= meanDemand(survey.household);
    readings.largestDraw ??= survey.household.potL;
  }
  return readings;
}

/** Turns a survey and a catalogue into a sizing task. Errors: those of `resolveSurvey`. */
export function briefOf(survey: Survey, catalogue: readonly Part[]): Outcome<JobBrief> {
  const resolved = resolveSurvey(surveyReadings(survey));
  if (!resolved.ok) return resolved;
  const { values, waters, line } = resolved.value;
  const household = survey.household ?? householdOfDemand(values.demand, values.largestDraw);
  const requirements: Requirements = {
    ...usualRequirements,
    household,
    demandLPerDay: values.demand,
    largestDrawL: values.largestDraw,
  };
  const facts: SiteFacts = {
    highestSupplyBar: values.highestPressure,
    unsafe: survey.safe === 'no',
    // An outlet not asked about is taken to exist; the plumbing list says that it must be seen.
    power: survey.outlet !== 'none',
  };
  const acid = permeatePh(waters.today, typicalPassage);
  const flat = acid.ok && acid.value.permeatePh < requirements.leastProductPh;
  return succeed({
    survey: resolved.value,
    requirements,
    facts,
    task: {
      catalogue,
      waters,
      requirements,
      site: {
        line,
        chloramine: survey.disinfectant === 'chloramine',
        power: facts.power,
        tankRoom: survey.tankRoom !== 'no',
        unsafe: facts.unsafe,
        mineral: flat ? 'before-tank' : 'none',
      },
    },
  });
}

/** Readings of a verification in the core's units; nothing while the four that rejection needs are not all there. */
export function verificationReadings(
  verify: JobDocument['verify'],
): VerificationReadings | undefined {
  const read = (key: VerifyKey) => {
    const reading = verify.readings[key];
    return reading && toCore(verifyFields[key].dimension, reading);
  };
  const [feedTdsMgL, productTdsMgL] = [read('feedTds'), read('productTds')];
  const [temperatureC, pressureBar] = [read('temperature'), read('pressure')];
  if (
    feedTdsMgL === undefined ||
    productTdsMgL === undefined ||
    temperatureC === undefined ||
    pressureBar === undefined
  ) {
    return undefined;
  }
  const productFlowLPerH = read('productFlow');
  const drainFlowLPerH = read('drainFlow');
  return {
    feedTdsMgL,
    productTdsMgL,
    temperatureC,
    pressureBar,
    ...(productFlowLPerH === undefined ? {} : { productFlowLPerH }),
    ...(drainFlowLPerH === undefined ? {} : { drainFlowLPerH }),
  };
}
