import { type JobBrief, type Plumbed, plumbingDecisions, plumbingOf } from '@katharos/job';
import type { InstalledSystem, Plumbing } from '@katharos/core';
import { picked, remembered } from './remembered.ts';
import { useDocument } from './useJob.ts';

const decidedIn = picked<Plumbed['plumb'], keyof Plumbed['plumb']>(plumbingDecisions);
const plumbingFrom = remembered(
  (
    survey: Plumbed['survey'],
    plumb: Plumbed['plumb'],
    system: InstalledSystem,
    brief: JobBrief,
  ): Plumbing => plumbingOf({ survey, plumb }, system, brief),
);

/**
 * A job's plumbing with a system: worked out once for all that show it, and not again for a step that is ticked or a note, of which it
 * would be a fifth.
 */
export const plumbingBy = (
  { survey, plumb }: Plumbed,
  system: InstalledSystem,
  brief: JobBrief,
): Plumbing => plumbingFrom(survey, decidedIn(plumb), system, brief);

/** The open job's plumbing with a system. */
export function usePlumbing(system: InstalledSystem, brief: JobBrief): Plumbing;
export function usePlumbing(system: InstalledSystem, brief: JobBrief | null): Plumbing | null;
export function usePlumbing(system: InstalledSystem, brief: JobBrief | null): Plumbing | null {
  const document = useDocument();
  return brief && plumbingBy(document, system, brief);
}
