import { z } from 'zod';
import { verifyFields, type VerifyKey } from '../fields/fields.ts';
import { text } from '../fields/text.ts';
import { instant, itemId, person, readingsOf, tick } from './reading.ts';
import { whole } from './whole.ts';

/** The years after the hand-over: visits to an installed system, each with what was read, done and put in. */

export const visitKinds = ['change-out', 'reading', 'complaint', 'repair', 'sanitising'] as const;
export type VisitKind = (typeof visitKinds)[number];

const servicedId = z.string().max(40);

const visitSchema = z.strictObject({
  kind: z.enum(visitKinds),
  at: instant,
  by: person,
  /** As found, before anything was changed. */
  readings: readingsOf<VerifyKey>(verifyFields),
  /** What the visit is for. */
  planned: whole(z.array(servicedId).max(20)).optional(),
  /** Steps of the change-out that are done. */
  done: z.record(z.string().max(60), tick).optional(),
  /** What was changed or done, with the part and its batch. */
  changed: z
    .record(
      servicedId,
      whole(z.strictObject({ part: text(120), batch: text(80), at: instant, by: person })),
    )
    .optional(),
  note: text(2000),
});
export type ServiceVisitRecord = z.infer<typeof visitSchema>;

export const serviceRecordSchema = z.strictObject({
  /** Calendar day from which it counts, where another firm fitted it or nobody issued a certificate. */
  since: z.iso.date().optional(),
  visits: z.record(itemId, visitSchema).optional(),
});
