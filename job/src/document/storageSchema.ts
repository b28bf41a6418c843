import { z } from 'zod';

type Def = z.core.$ZodTypeDef & Record<string, unknown>;
type AnySchema = z.ZodType;

const defOf = (schema: AnySchema): Def => schema._zod.def as Def;

/**
 * The shape that a schema has without what it asks of somebody who enters something: no ranges, no lengths, no forms of text, no rules
 * between fields, and fields that it does not know are left as they are. What was accepted once, or written by a newer program, stays
 * readable when a range is tightened.
 */
export function storageSchemaOf<T extends AnySchema>(
  schema: T,
): z.ZodType<z.output<T>, z.output<T>> {
  return loosened(schema) as z.ZodType<z.output<T>, z.output<T>>;
}

const made = new WeakMap<AnySchema, AnySchema>();

function loosened(schema: AnySchema): AnySchema {
  let loose = made.get(schema);
  if (!loose) {
    loose = loosen(schema);
    made.set(schema, loose);
  }
  return loose;
}

function loosen(schema: AnySchema): AnySchema {
  const def = defOf(schema);
  const inner = (name: string) => loosened(def[name] as AnySchema);
  switch (def.type) {
    case 'string':
      return z.string();
    case 'number':
      return z.number();
    case 'object':
      return z.looseObject(
        Object.fromEntries(
          Object.entries(def.shape as Record<string, AnySchema>).map(([key, value]) => [
            key,
            loosened(value),
          ]),
        ),
      );
    case 'array':
      return z.array(inner('element'));
    case 'record':
      return z.record(z.string(), inner('valueType'));
    case 'optional':
      return inner('innerType').optional();
    case 'nullable':
      return inner('innerType').nullable();
    case 'union':
      return z.union((def.options as AnySchema[]).map(loosened));
    case 'boolean':
    case 'literal':
    case 'enum':
    case 'null':
      return schema;
    default:
      throw new TypeError(`how a ${String(def.type)} is stored is not known`);
  }
}
