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
} from '@katharos/core';
import type { JobDocument } from '../document/job.ts';
import type { JobBrief } from './brief.ts';
import { lampFeedOf } from './lampFeed.ts';

/** How a job's system is flushed as it is plumbed, in the water as measured. Errors: those of the system in that water. */
export function flushOf(
  { survey }: Pick<JobDocument, 'survey'>,
  system: InstalledSystem,
  { task, settings }: JobBrief,
  plumbing: Pick<Plumbing, 'feed' | 'tubes'>,
): Outcome<FlushStep[]> {
  const water = task.waters.today;
  const facts = flushFactsOf(system, plumbing, settings.regulatorBar);
  if (isUltravioletLine(system)) {
    const lit = assessUltraviolet(system, water, lampFeedOf(survey, water.hardnessMgL));
    return lit.ok ? succeed(ultravioletFlushPlan(system, lit.value, facts)) : lit;
  }
  const today = assess(system, water);
  return today.ok ? flushPlan(system, today.value, facts) : today;
}
