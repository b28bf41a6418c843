import { complaints, faultCodes } from '@katharos/core';
import { z } from 'zod';
import { text } from '../fields/text.ts';
import { instant, itemId, person, readingsOf, tick } from './reading.ts';
import { visitFields, visitKinds, visitSigns } from './visits.ts';
import { whole } from './whole.ts';

const servicedId = z.string().max(40);

const visitSchema = z.strictObject({
  kind: z.enum(visitKinds),
  at: instant,
  by: person,
  /** As found, before anything was changed. */
  readings: readingsOf(visitFields),
  /** After everything was changed; of a new membrane they are the first. */
  after: readingsOf(visitFields).optional(),
  /** What was seen, as found. */
  seen: z.partialRecord(z.enum(visitSigns), tick).optional(),
  /** What the household complains of. */
  complaints: z.partialRecord(z.enum(complaints), tick).optional(),
  /** What was taken for the cause, and is mended at this visit. */
  faults: whole(z.array(z.enum(faultCodes)).min(1).max(2)).optional(),
  /** A lamp's counter, h. */
  lampHours: z.number().min(0).max(200_000).optional(),
  /** What the visit is for. */
  planned: whole(z.array(servicedId).max(20)).optional(),
  /** Steps of the change-out that are done. */
  done: z.record(z.string().max(60), tick).optional(),
  /** When a step that takes its time was begun, by its id. */
  begun: z.record(z.string().max(60), instant).optional(),
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
