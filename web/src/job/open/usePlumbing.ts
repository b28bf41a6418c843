import { type JobBrief, type JobDocument, plumbingOf } from '@katharos/job';
import type { Plumbing, InstalledSystem } from '@katharos/core';
import { useDocument } from './useJob.ts';

/** What was worked out last for a document: the stage, its waterline and the sheet ask for the same in one render. */
const made = new WeakMap<
  JobDocument,
  { system: InstalledSystem; brief: JobBrief; plumbing: Plumbing }
>();

/** The job's plumbing with a system; worked out once for all that show it. */
export function usePlumbing(system: InstalledSystem, brief: JobBrief): Plumbing;
export function usePlumbing(system: InstalledSystem, brief: JobBrief | null): Plumbing | null;
export function usePlumbing(system: InstalledSystem, brief: JobBrief | null): Plumbing | null {
  const document = useDocument();
  if (!brief) return null;
  const known = made.get(document);
  if (known?.system === system && known.brief === brief) return known.plumbing;
  const plumbing = plumbingOf(document, system, brief);
  made.set(document, { system, brief, plumbing });
  return plumbing;
}
