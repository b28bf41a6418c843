import {
  assess,
  assessUltraviolet,
  flushFactsOf,
  flushPlan,
  type FlushStep,
  type InstalledSystem,
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
import { lampFeedOf } from './lampFeed.ts';

/** Whether sanitising is advised: a supply that is not safe, or a system that stood about. */
export const isSanitisingAdvised = ({ safe }: JobDocument['survey']): boolean => safe === 'no';

/** How a job's system is flushed as it is plumbed, in the water as measured. Errors: those of the system in that water. */
export function flushOf(
  { survey, flush }: Pick<JobDocument, 'survey' | 'flush'>,
  system: InstalledSystem,
  { task, settings }: JobBrief,
  plumbing: Pick<Plumbing, 'feed' | 'tubes'>,
  ways: FirmSettings['flushing'] = {},
): Outcome<FlushStep[]> {
  const water = task.waters.today;
  const facts = flushFactsOf(system, plumbing, {
    regulatorBar: settings.regulatorBar,
    disinfected: survey.disinfectant === 'chlorine' || survey.disinfectant === 'chloramine',
    sanitise: flush.sanitise ?? false,
    ways: { ...usualFlushWays, ...ways },
  });
  if (isUltravioletLine(system)) {
    const lit = assessUltraviolet(system, water, lampFeedOf(survey, water.hardnessMgL));
    return lit.ok ? succeed(ultravioletFlushPlan(system, lit.value, facts)) : lit;
  }
  const today = assess(system, water);
  return today.ok ? flushPlan(system, today.value, facts) : today;
}
