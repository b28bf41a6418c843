import type { JobDocument } from './job.ts';
import { isRecord, type Json, same } from './json.ts';
import { documentPlace, type Place } from './place.ts';

/** Two people's edits of one job, brought together field by field. */
export interface Merged {
  document: JobDocument;
  /** Dotted paths that both changed, to different values; `document` has mine there. */
  conflicts: string[];
}

/**
 * What is nobody's decision, so that nobody is asked: the device that acted last leads, and a plan follows from the rest of the document.
 */
const settled: Record<string, (mine: Json, theirs: Json) => Json> = {
  'flush.lead': (mine, theirs) => (momentOf(theirs) > momentOf(mine) ? theirs : mine),
  'flush.plan': (mine) => mine,
};

const momentOf = (value: Json): string =>
  isRecord(value) && typeof value.at === 'string' ? value.at : '';

/** Three-way merge: what only one side changed is taken from that side; what both changed differently is a conflict. */
export function mergeDocuments(base: JobDocument, mine: JobDocument, theirs: JobDocument): Merged {
  const conflicts: string[] = [];
  const merge = (
    place: Place | undefined,
    b: Json | undefined,
    m: Json | undefined,
    t: Json | undefined,
    path: string,
  ): Json | undefined => {
    if (same(m, t) || same(b, t)) return m;
    if (same(b, m)) return t;
    // A side that has none of what is filled key by key has it empty.
    const grown = (side: Json | undefined) =>
      side === undefined && place?.growsByKey && !place.isWhole ? {} : side;
    const [mine_, theirs_] = [grown(m), grown(t)];
    if (place && !place.isWhole && isRecord(mine_) && isRecord(theirs_)) {
      const before = isRecord(b) ? b : {};
      const keys = new Set([...Object.keys(mine_), ...Object.keys(theirs_)]);
      const entries = [...keys].map(
        (key) =>
          [
            key,
            merge(
              place.inside(key),
              before[key],
              mine_[key],
              theirs_[key],
              path ? `${path}.${key}` : key,
            ),
          ] as const,
      );
      return Object.fromEntries(
        entries.filter((entry): entry is [string, Json] => entry[1] !== undefined),
      );
    }
    const settle = settled[path];
    if (settle && m !== undefined && t !== undefined) return settle(m, t);
    conflicts.push(path);
    return m;
  };
  const [b, m, t] = [base, mine, theirs] as unknown as Json[];
  const document = merge(documentPlace(), b, m, t, '') as unknown as JobDocument;
  return { document, conflicts };
}

/** Whether two documents, or two parts of them, say the same. */
export const saysTheSame = <T extends object>(a: T, b: T): boolean =>
  same(a as unknown as Json, b as unknown as Json);
