import type { JobDocument } from './job.ts';
import { isRecord, type Json, type JsonRecord, same } from './json.ts';
import { documentPlace, type Place } from './place.ts';

/** Whether what two records say themselves is the same: who did it, and what lies deeper, aside. */
function saysTheSame(place: Place, sent: JsonRecord, stored: Json | undefined): boolean {
  if (!isRecord(stored)) return false;
  return [...new Set([...Object.keys(sent), ...Object.keys(stored)])].every((key) => {
    const [now, then] = [sent[key], stored[key]];
    return place.inside(key)?.isPerson || (isRecord(now) && isRecord(then)) || same(now, then);
  });
}

/**
 * A document in which whatever is new or changed was done by the person of the session, and whatever stood there before by who did it
 * then: a name that was sent counts for nothing.
 */
export function stampPersons(sent: JobDocument, stored: JobDocument, person: string): JobDocument {
  const walk = (place: Place | undefined, value: Json, before: Json | undefined): Json => {
    if (!place || !isRecord(value)) return value;
    const isOld = saysTheSame(place, value, before);
    return Object.fromEntries(
      Object.entries(value).map(([key, held]) => {
        const inside = place.inside(key);
        const then = isRecord(before) ? before[key] : undefined;
        if (!inside?.isPerson || typeof held !== 'string') return [key, walk(inside, held, then)];
        return [key, isOld && typeof then === 'string' ? then : person];
      }),
    );
  };
  const root = documentPlace();
  return walk(root, sent as unknown as Json, stored as unknown as Json) as unknown as JobDocument;
}
