import {
  complaints,
  faultCodes,
  instrumentKinds,
  type PurposeIon,
  samplePoints,
} from '@katharos/core';
import {
  ionFields,
  notedFields,
  type NotedKey,
  testLooks,
  verifyFields,
  type VerifyKey,
} from '../fields/fields.ts';
import { usedInstrumentSchema } from '../fields/instrument.ts';
import { fault } from '../fields/schemaFault.ts';
import { text, wantedText } from '../fields/text.ts';
import { z } from 'zod';
import { leakLooks } from '../fields/leakLooks.ts';
import { instant, person, readingsOf, tick } from './reading.ts';
import { whole } from './whole.ts';

const lookSchema = z.strictObject({
  seen: z.boolean(),
  at: instant,
  by: person,
  /** Told by a simulated system, for practice. */
  simulated: z.literal(true).optional(),
});

const verifyReadingsSchema = readingsOf<VerifyKey>(verifyFields);

const notedSchema = readingsOf<NotedKey>(notedFields);
const complaintsSchema = z.partialRecord(
  z.enum(complaints),
  whole(z.strictObject({ at: instant, by: person })),
);

/** A verification as it was when somebody went to mend something. */
const earlierSchema = z.strictObject({
  readings: verifyReadingsSchema,
  looks: z.partialRecord(z.enum(testLooks), lookSchema).optional(),
  shutoffSimulated: z.literal(true).optional(),
  noted: notedSchema.optional(),
  complaints: complaintsSchema.optional(),
  /** What was taken for the cause, how sure one was, and what was done. */
  cause: z.enum(faultCodes).optional(),
  /** The other, where it was two at once. */
  also: z.enum(faultCodes).optional(),
  probability: z.number().min(0).max(1).optional(),
  mended: text(500),
  at: instant,
  by: person,
});

export const verifyRecordSchema = z.strictObject({
  readings: verifyReadingsSchema,
  /** Noted besides; no fault is weighed by it. */
  noted: notedSchema.optional(),
  /** What was seen, heard and felt, where that was asked for. */
  looks: z.partialRecord(z.enum(testLooks), whole(lookSchema)).optional(),
  /** Where the product was sampled; the membrane's outlet where it is absent. */
  samplePoint: z.enum(samplePoints).optional(),
  /** What it was read with, where somebody said. */
  instruments: z.partialRecord(z.enum(instrumentKinds), whole(usedInstrumentSchema)).optional(),
  /** What the household complains of, where it does. */
  complaints: complaintsSchema.optional(),
  /** Accepted by somebody although it is not good by what was found, and why. */
  accepted: whole(
    z.strictObject({
      reason: wantedText(500, fault('reason-missing')),
      at: instant,
      by: person,
    }),
  ).optional(),
  /** A laboratory's test for germs, as far as it went. */
  germTest: whole(
    z.strictObject({
      ordered: tick.optional(),
      sampled: tick.optional(),
      result: z.strictObject({ found: z.boolean(), at: instant, by: person }).optional(),
      /** Somebody said that it may be drunk. */
      released: tick.optional(),
    }),
  ).optional(),
  /** A lamp's counter and alarm, as they were found. */
  lampLook: whole(
    z.strictObject({
      hours: z.number().min(0).max(200_000).optional(),
      alarm: z.enum(['quiet', 'sounds']).optional(),
      at: instant,
      by: person,
    }),
  ).optional(),
  /** What is being mended: what was taken for the cause, and the steps that are done, by id. */
  mending: whole(
    z.strictObject({
      faults: z.array(z.enum(faultCodes)).min(1).max(2),
      probability: z.number().min(0).max(1),
      done: z.record(z.string().max(60), tick),
      at: instant,
      by: person,
    }),
  ).optional(),
  /** Verifications that were not right, with what was done about it; by an id. */
  earlier: z.record(z.string().max(40), whole(earlierSchema)).optional(),
  shutoffTest: z.enum(['passed', 'failed', 'not-done']),
  /** The shut-off test was told by a simulated system. */
  shutoffSimulated: z.literal(true).optional(),
  /** One look for all, as it was noted before there were three; see `leaks`. */
  leakCheck: z.enum(['dry', 'leak', 'not-done']),
  /** What each look for leaks found; absent where the flush's own look stands, or nobody looked. */
  leaks: z.partialRecord(z.enum(leakLooks), z.enum(['dry', 'leak'])).optional(),
  /** What a laboratory found in the product of what the system was bought against. */
  ions: readingsOf<PurposeIon>(ionFields).optional(),
  note: text(2000),
});

export type VerifyRecord = z.infer<typeof verifyRecordSchema>;
