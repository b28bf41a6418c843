import type { Job } from '@katharos/contract';
import { applyPatches, type JobDocument, mergeDocuments, type Patch } from '@katharos/job';
import { isDocumentDeed, type KeptDeed } from './deeds.ts';
import type { KeptJob } from './keptStore.ts';

/** The document as a person sees it: what the server has, and over it what waits to be sent. */
export const presentOf = (held: KeptJob, deeds: readonly KeptDeed[]): JobDocument =>
  applyPatches(
    held.job.document,
    deeds.filter(isDocumentDeed).flatMap(({ patches }) => patches),
  ).document;

/** A newer state of the server under what waits here; where both changed the same, a person has to choose. */
export function takenIn(held: KeptJob, deeds: readonly KeptDeed[], theirs: Job): KeptJob {
  if (theirs.version <= held.job.version) return held;
  const mine = presentOf(held, deeds);
  const { conflicts } = mergeDocuments(held.job.document, mine, theirs.document);
  return conflicts.length > 0
    ? { ...held, conflict: { theirs, paths: conflicts } }
    : { id: held.id, job: theirs };
}

const touches = (path: readonly string[], place: string): boolean => {
  const dotted = path.join('.');
  return dotted === place || dotted.startsWith(`${place}.`) || place.startsWith(`${dotted}.`);
};

/** Deeds without their changes at some places. */
export const without = (deeds: readonly KeptDeed[], places: readonly string[]): KeptDeed[] =>
  deeds.map((deed) =>
    isDocumentDeed(deed)
      ? {
          ...deed,
          patches: deed.patches.filter(
            ({ path }: Patch) => !places.some((place) => touches(path, place)),
          ),
        }
      : deed,
  );

/** Ends a conflict: mine or theirs where both changed the same; all other changes of both are kept. */
export function settled(
  held: KeptJob,
  deeds: readonly KeptDeed[],
  choice: 'mine' | 'theirs',
): { job: KeptJob; rewritten: KeptDeed[] } {
  const { conflict, ...rest } = held;
  if (!conflict) return { job: held, rewritten: [] };
  return {
    job: { id: rest.id, job: conflict.theirs },
    rewritten: choice === 'mine' ? [] : without(deeds, conflict.paths),
  };
}
