import { z } from 'zod';

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

export type Json = null | boolean | number | string | Json[] | { [key: string]: Json };
export type JsonRecord = { [key: string]: Json };

export const isRecord = (value: Json | undefined): value is JsonRecord =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Whether two values say the same; the order of keys is no difference, for the database does not keep it. */
export function same(a: Json | undefined, b: Json | undefined): boolean {
  if (a === b) return true;
  if (Array.isArray(a) || Array.isArray(b)) {
    return (
      Array.isArray(a) &&
      Array.isArray(b) &&
      a.length === b.length &&
      a.every((item, i) => same(item, b[i]))
    );
  }
  if (!isRecord(a) || !isRecord(b)) return false;
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
  return [...keys].every((key) => same(a[key], b[key]));
}

/** One place of a document's schema. */
export interface Place {
  /** Of one key inside; undefined where the schema does not say. */
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

const kept = new WeakMap<z.core.$ZodType, Place>();

/** The place that a schema describes. */
export function placeOf(schema: z.core.$ZodType): Place {
  let place = kept.get(schema);
  if (!place) {
    place = describe(schema);
    kept.set(schema, place);
  }
  return place;
}

function describe(schema: z.core.$ZodType): Place {
  const def = schema._zod.def as z.core.$ZodTypeDef & {
    innerType?: z.core.$ZodType;
    shape?: Record<string, z.core.$ZodType>;
    valueType?: z.core.$ZodType;
  };
  const declared = wholes.has(schema);
  const isPerson = persons.has(schema);
  if (def.innerType && (def.type === 'optional' || def.type === 'nullable')) {
    const inner = placeOf(def.innerType);
    return {
      ...inner,
      isWhole: inner.isWhole || declared,
      optional: def.type === 'optional' || inner.optional,
    };
  }
  if (def.type === 'object' && def.shape) {
    const { shape } = def;
    return {
      inside: (key) => (Object.hasOwn(shape, key) ? placeOf(shape[key]!) : undefined),
      isWhole: declared,
      growsByKey: Object.values(shape).every((field) => placeOf(field).optional),
      optional: false,
      isPerson,
    };
  }
  if (def.type === 'record' && def.valueType) {
    const value = { ...placeOf(def.valueType), optional: true };
    return { inside: () => value, isWhole: declared, growsByKey: true, optional: false, isPerson };
  }
  return { inside: () => undefined, isWhole: true, growsByKey: false, optional: false, isPerson };
}
