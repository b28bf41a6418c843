import type { JobDocument } from './job.ts';
import { isRecord, type Json, type JsonRecord, same } from './json.ts';
import { documentPlace, type Place } from './place.ts';

/** One value that was changed, in its place: what stood there and what stands there now; absent is undefined. */
export interface Patch {
  path: string[];
  before: Json | undefined;
  after: Json | undefined;
}

/** What a person did, as changes of values: as few and as deep as the document's schema allows. */
export function diffDocuments(before: JobDocument, after: JobDocument): Patch[] {
  const patches: Patch[] = [];
  const walk = (
    place: Place | undefined,
    a: Json | undefined,
    b: Json | undefined,
    path: string[],
  ): void => {
    if (same(a, b)) return;
    const goesInside = place && !place.isWhole;
    const left = goesInside && a === undefined && place.growsByKey ? {} : a;
    const right = goesInside && b === undefined && place.growsByKey ? {} : b;
    if (goesInside && isRecord(left) && isRecord(right)) {
      for (const key of new Set([...Object.keys(left), ...Object.keys(right)])) {
        walk(place.inside(key), left[key], right[key], [...path, key]);
      }
      return;
    }
    patches.push({ path, before: a, after: b });
  };
  walk(documentPlace(), before as unknown as Json, after as unknown as Json, []);
  return patches;
}

/** The same changes backwards, the last first. */
export const inverted = (patches: readonly Patch[]): Patch[] =>
  patches.map(({ path, before, after }) => ({ path, before: after, after: before })).reverse();

/** Changes that follow each other as one deed: of one place only its first and its last value. */
export function joined(first: readonly Patch[], then: readonly Patch[]): Patch[] {
  const all = new Map<string, Patch>();
  for (const patch of [...first, ...then]) {
    const key = JSON.stringify(patch.path);
    const earlier = all.get(key);
    all.set(key, earlier ? { ...patch, before: earlier.before } : patch);
  }
  return [...all.values()].filter(({ before, after }) => !same(before, after));
}

/** What stands at a path. */
export function valueAt(document: JobDocument, path: readonly string[]): Json | undefined {
  let value: Json | undefined = document as unknown as Json;
  for (const key of path) value = isRecord(value) ? value[key] : undefined;
  return value;
}

/** A document after changes, and those of them that had no place to go to. */
export interface Patched {
  document: JobDocument;
  left: Patch[];
}

/** Makes changes wherever they can be made, whatever stands there now. */
export const applyPatches = (document: JobDocument, patches: readonly Patch[]): Patched =>
  patched(document, patches, () => true);

/** Makes changes only where what they were made over still stands: nobody else's value is touched. */
export const applyOverOwn = (document: JobDocument, patches: readonly Patch[]): Patched =>
  patched(document, patches, (present, { before }) => same(present, before));

function patched(
  document: JobDocument,
  patches: readonly Patch[],
  mayChange: (present: Json | undefined, patch: Patch) => boolean,
): Patched {
  const left: Patch[] = [];
  let current = document as unknown as JsonRecord;
  for (const patch of patches) {
    const present = valueAt(current as unknown as JobDocument, patch.path);
    const next = mayChange(present, patch)
      ? withValue(documentPlace(), current, patch.path, patch.after)
      : undefined;
    if (next === undefined) left.push(patch);
    else current = next as JsonRecord;
  }
  return { document: current as unknown as JobDocument, left };
}

/** A copy with one value set or taken out; undefined where there is no place for it. */
function withValue(
  place: Place | undefined,
  held: Json | undefined,
  [key, ...rest]: readonly string[],
  value: Json | undefined,
): Json | undefined {
  if (key === undefined) return value;
  const record = held === undefined && place?.growsByKey && !place.isWhole ? {} : held;
  if (!isRecord(record)) return undefined;
  const inside = place?.inside(key);
  const { [key]: old, ...others } = record;
  const next = rest.length === 0 ? value : withValue(inside, old, rest, value);
  if (next === undefined && rest.length > 0) return undefined;
  // What began by being filled is absent again once it is empty.
  const isEmptied =
    rest.length > 0 && inside?.optional && isRecord(next) && Object.keys(next).length === 0;
  return next === undefined || isEmptied ? others : { ...record, [key]: next };
}
