import type { JobDocument } from './job.ts';

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** Two people's edits of one job, brought together field by field. */
export interface Merged {
  document: JobDocument;
  /** Dotted paths that both changed, to different values; `document` has mine there. */
  conflicts: string[];
}

const isRecord = (value: Json | undefined): value is { [key: string]: Json } =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const same = (a: Json | undefined, b: Json | undefined): boolean =>
  a === b || JSON.stringify(sorted(a)) === JSON.stringify(sorted(b));

/** Key order is no difference: the database does not keep it. */
function sorted(value: Json | undefined): Json | undefined {
  if (Array.isArray(value)) return value.map((item) => sorted(item)!);
  if (!isRecord(value)) return value;
  return Object.fromEntries(
    Object.keys(value)
      .sort()
      .map((key) => [key, sorted(value[key])!]),
  );
}

/** Fields that only make sense whole: half of one reading and half of another is nobody's reading. */
const isWhole = (value: Json | undefined): boolean =>
  !isRecord(value) || 'value' in value || 'design' in value || 'at' in value;

/** Three-way merge: what only one side changed is taken from that side; what both changed differently is a conflict. */
export function mergeDocuments(base: JobDocument, mine: JobDocument, theirs: JobDocument): Merged {
  const conflicts: string[] = [];
  const merge = (
    b: Json | undefined,
    m: Json | undefined,
    t: Json | undefined,
    path: string,
  ): Json | undefined => {
    if (same(m, t) || same(b, t)) return m;
    if (same(b, m)) return t;
    if (isRecord(m) && isRecord(t) && !isWhole(m) && !isWhole(t)) {
      const before = isRecord(b) ? b : {};
      const keys = new Set([...Object.keys(m), ...Object.keys(t)]);
      const entries = [...keys].map(
        (key) => [key, merge(before[key], m[key], t[key], path ? `${path}.${key}` : key)] as const,
      );
      return Object.fromEntries(
        entries.filter((entry): entry is [string, Json] => entry[1] !== undefined),
      );
    }
    conflicts.push(path);
    return m;
  };
  const [b, m, t] = [base, mine, theirs] as unknown as Json[];
  return { document: merge(b, m, t, '') as unknown as JobDocument, conflicts };
}

/** Whether two documents, or two parts of them, say the same. */
export const saysTheSame = <T extends object>(a: T, b: T): boolean =>
  same(a as unknown as Json, b as unknown as Json);
