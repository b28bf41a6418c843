import type { Stage } from '../fields/stages.ts';
import { isUltravioletLine, type SurveyKey } from '@katharos/core';
import { lampReadings, verificationReadings } from './brief.ts';
import { isFlushed } from '../document/flushRecord.ts';
import type { JobDocument } from '../document/job.ts';

/** The readings without which a size rests on guesses. */
const neededReadings: readonly SurveyKey[] = ['feedTds', 'pressure', 'temperature', 'demand'];

/** Whether a reading was taken, or follows from what was described. */
export const isKnown = (survey: JobDocument['survey'], key: SurveyKey): boolean =>
  survey.readings[key] !== undefined ||
  ((key === 'demand' || key === 'largestDraw') && survey.household !== undefined);

/** The needed readings that were not taken and do not follow from what was described. */
export const missingReadings = (survey: JobDocument['survey']): SurveyKey[] =>
  neededReadings.filter((key) => !isKnown(survey, key));

/** The stage that a job is waiting in, derived from what has been done; never stored by hand. */
export function stageOf(document: JobDocument): { stage: Stage; finished: boolean } {
  const { survey, system, plumb, flush, verify, keep } = document;
  const at = (stage: Stage) => ({ stage, finished: false });
  if (keep.issued || (system && document.service?.since)) return { stage: 'keep', finished: true };
  const judged =
    system && isUltravioletLine(system.design)
      ? lampReadings(system.design).every((key) => verify.readings[key] !== undefined)
      : verificationReadings(document) !== undefined;
  if (judged) return at('keep');
  if (system) {
    if (isFlushed(flush)) return at('verify');
    if (Object.keys(flush.steps).length > 0) return at('flush');
    if (plumb.ticks.finished) return at('flush');
    return at('plumb');
  }
  return at(missingReadings(survey).length === 0 ? 'size' : 'survey');
}
