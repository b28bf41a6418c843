import {
  assess,
  assessUltraviolet,
  flushFactsOf,
  flushPlan,
  type FlushStep,
  type InstalledSystem,
  isDisinfectantPossible,
  isKnownSafe,
  isUltravioletLine,
  type Outcome,
  type Plumbing,
  succeed,
  ultravioletFlushPlan,
  usualFlushWays,
} from '@katharos/core';
import type { FirmSettings } from '../fields/firmSettings.ts';
import type { JobDocument } from '../document/job.ts';
import type { JobBrief } from './brief.ts';
import { supplyOf } from './certification.ts';
import { lampFeedOf } from './lampFeed.ts';

/**
 * Whether disinfecting is part of the installation until somebody says otherwise: a supply that is not safe has been through the line to
 * the tap, and a lamp cleans nothing behind it. What is second-hand or stood about is for a person to know.
 */
export const isSanitisingAdvised = (survey: JobDocument['survey']): boolean =>
  !isKnownSafe(supplyOf(survey));

/** What the supply carries or may carry that carbon has to take out; null where it carries none. */
const disinfectantToTest = (survey: JobDocument['survey']) =>
  isDisinfectantPossible(supplyOf(survey)) && survey.disinfectant !== 'none'
    ? survey.disinfectant
    : null;

/** How a job's system is flushed as it is plumbed, in the water as measured. Errors: those of the system in that water. */
export function flushOf(
  {
    survey,
    flush,
    verify,
  }: Pick<JobDocument, 'survey' | 'flush'> & Partial<Pick<JobDocument, 'verify'>>,
  system: InstalledSystem,
  { task, settings }: JobBrief,
  plumbing: Pick<Plumbing, 'feed' | 'tubes'>,
  ways: FirmSettings['flushing'] = {},
): Outcome<FlushStep[]> {
  const water = task.waters.today;
  const facts = flushFactsOf(system, plumbing, {
    regulatorBar: settings.regulatorBar,
    disinfectant: disinfectantToTest(survey),
    sanitise: flush.sanitise ?? (isSanitisingAdvised(survey) && system.lamp !== null),
    germsFound: verify?.germTest?.result?.found === true,
    visits: flush.visits ?? null,
    ways: { ...usualFlushWays, ...ways },
  });
  if (isUltravioletLine(system)) {
    const lit = assessUltraviolet(system, water, lampFeedOf(survey, water.hardnessMgL));
    return lit.ok ? succeed(ultravioletFlushPlan(system, lit.value, facts)) : lit;
  }
  const today = assess(system, water);
  return today.ok ? flushPlan(system, today.value, facts) : today;
}
