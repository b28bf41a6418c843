import { z } from 'zod';
import type { WrittenPlace } from './writtenPlace.ts';

/**
 * What of a document only makes sense whole, declared where its schema stands: half of one reading and half of another is nobody's
 * reading. Edits, undo and merging never go inside one.
 */
const wholes = z.registry<{ whole: true }>();

/** Declares that values of a schema are taken over whole. */
export function whole<T extends z.ZodType>(schema: T): T {
  wholes.add(schema, { whole: true });
  return schema;
}

const persons = z.registry<{ person: true }>();

/** Declares that a value of a schema says who did something. */
export function saysWho<T extends z.ZodType>(schema: T): T {
  persons.add(schema, { person: true });
  return schema;
}

/** The place that a schema describes, as it is written down. Inside what is whole only persons are looked for. */
export function writtenPlaceOf(schema: z.core.$ZodType): WrittenPlace {
  const def = schema._zod.def as z.core.$ZodTypeDef & {
    innerType?: z.core.$ZodType;
    shape?: Record<string, z.core.$ZodType>;
    valueType?: z.core.$ZodType;
  };
  const declared: WrittenPlace = {
    ...(wholes.has(schema) && { isWhole: true }),
    ...(persons.has(schema) && { isPerson: true }),
  };
  if (def.innerType && (def.type === 'optional' || def.type === 'nullable')) {
    const inner = { ...writtenPlaceOf(def.innerType), ...declared };
    return trimmed(def.type === 'optional' ? { ...inner, optional: true } : inner);
  }
  if (def.type === 'object' && def.shape) {
    const fields = Object.entries(def.shape).map(([name, field]) => ({
      of: [name],
      place: writtenPlaceOf(field),
    }));
    return trimmed({ ...declared, fields: together(fields) });
  }
  if (def.type === 'record' && def.valueType) {
    return trimmed({ ...declared, each: { ...writtenPlaceOf(def.valueType), optional: true } });
  }
  return declared;
}

/** Names whose places are alike, once. */
function together(fields: NonNullable<WrittenPlace['fields']>): WrittenPlace['fields'] {
  const alike = new Map<string, { of: string[]; place: WrittenPlace }>();
  for (const { of, place } of fields) {
    const key = JSON.stringify(place);
    const group = alike.get(key);
    if (group) group.of.push(...of);
    else alike.set(key, { of: [...of], place });
  }
  return [...alike.values()];
}

/** Of what is whole no more is written down than leads to a person. */
function trimmed(place: WrittenPlace): WrittenPlace {
  return place.isWhole ? (towardsPersons(place) ?? bare(place)) : place;
}

const bare = ({ fields: _fields, each: _each, ...rest }: WrittenPlace): WrittenPlace => rest;

function towardsPersons(place: WrittenPlace): WrittenPlace | undefined {
  const fields = (place.fields ?? []).flatMap(({ of, place: field }) => {
    const kept = towardsPersons(field);
    return kept ? [{ of, place: kept }] : [];
  });
  const each = place.each && towardsPersons(place.each);
  if (!place.isPerson && fields.length === 0 && !each) return undefined;
  return {
    ...bare(place),
    ...(fields.length > 0 && { fields: together(fields) }),
    ...(each && { each }),
  };
}
