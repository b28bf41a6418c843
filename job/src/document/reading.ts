import { hasUnit } from '@katharos/core';
import { isWithin, type QuantityField } from '../fields/fields.ts';
import { fault } from '../fields/schemaFault.ts';
import { text } from '../fields/text.ts';
import { z } from 'zod';
import { saysWho, whole } from './whole.ts';

/** What every part of a job's document is made of: who, when, and a figure as it was entered. */

export const instant = z.iso.datetime();
export const itemId = z.string().trim().min(1).max(40);
export const person = saysWho(text(120));

/** A reading as it was entered: never what was displayed after conversion. */
const readingShape = z.strictObject({
  value: z.number(),
  unit: z.string().max(20),
  /** Below what the instrument can see, which is the value. */
  below: z.literal(true).optional(),
  takenAt: instant.nullable(),
  by: person.nullable(),
  /** What it was taken with; absent where nobody said. */
  instrument: text(80).optional(),
  /** Shown by a simulated device, for practice: it says nothing of a household's water. */
  simulated: z.literal(true).optional(),
});
export type Reading = z.infer<typeof readingShape>;

export const tick = whole(z.strictObject({ at: instant, by: person }));

const readingOf = (field: QuantityField) =>
  whole(
    readingShape
      .refine((reading) => hasUnit(field.dimension, reading.unit), {
        path: ['unit'],
        message: fault(`unit:${field.name}`),
      })
      .refine((reading) => !hasUnit(field.dimension, reading.unit) || isWithin(field, reading), {
        path: ['value'],
        message: fault(`outside:${field.name}`),
      }),
  ).optional();

export const readingsOf = <K extends string>(fields: Record<K, QuantityField>) =>
  z.strictObject(
    Object.fromEntries(
      Object.entries(fields).map(([key, field]) => [key, readingOf(field as QuantityField)]),
    ) as Record<K, ReturnType<typeof readingOf>>,
  );
