import { documentPlaces } from './documentPlaces.ts';
import type { WrittenPlace } from './writtenPlace.ts';

/** One place of a document. */
export interface Place {
  /** Of one key inside; undefined where nothing is known of it. */
  inside: (key: string) => Place | undefined;
  /** Never gone inside of. */
  isWhole: boolean;
  /** May begin empty and be filled key by key: a record, or an object of which every field may be absent. */
  growsByKey: boolean;
  /** May be absent. */
  optional: boolean;
  /** Says who did something. */
  isPerson: boolean;
}

const kept = new WeakMap<WrittenPlace, Place>();

function placeOf(written: WrittenPlace): Place {
  let place = kept.get(written);
  if (!place) {
    place = read(written);
    kept.set(written, place);
  }
  return place;
}

function read({ fields, each, isWhole, optional, isPerson }: WrittenPlace): Place {
  const named = new Map(
    fields?.flatMap(({ of, place }) => of.map((name) => [name, place] as const)),
  );
  return {
    inside: (key) => {
      const held = named.get(key) ?? each;
      return held && placeOf(held);
    },
    isWhole: isWhole === true || !(fields || each),
    growsByKey: each !== undefined || allOptional(fields),
    optional: optional === true,
    isPerson: isPerson === true,
  };
}

const allOptional = (fields: WrittenPlace['fields']): boolean =>
  fields !== undefined && fields.every(({ place }) => place.optional === true);

/** A job's document as a whole. Written down, so that whoever edits one needs no schema for it. */
export const documentPlace = (): Place => placeOf(documentPlaces);
