import { dueReasons, servicedKinds, trendStates } from '@katharos/core';
import { needs } from '@katharos/job';
import { z } from 'zod';

/** What is due on a firm's installed systems, the earliest first. */

const dueSchema = z.object({
  id: z.string(),
  kind: z.enum(servicedKinds),
  because: z.enum(dueReasons),
  /** ISO calendar day. */
  on: z.iso.date(),
});

export const diaryRowSchema = z.object({
  jobId: z.uuid(),
  number: z.int(),
  name: z.string(),
  address: z.string(),
  phone: z.string(),
  email: z.string(),
  /** Who came last; empty where nobody did. */
  who: z.string(),
  /** When a letter was written to the household last. */
  wroteAt: z.iso.datetime().nullable(),
  /** When somebody should come. */
  on: z.iso.date(),
  /** What is done at that visit. */
  dues: z.array(dueSchema),
});
export type DiaryRow = z.infer<typeof diaryRowSchema>;

export const diarySchema = z.object({
  rows: z.array(diaryRowSchema),
  /** Systems that are not reckoned yet: asked for again, they are. */
  /** Due in this time, and further on than is shown. */
  beyond: z.int(),
  waiting: z.int(),
});

/** A person's calendar of the diary: whether there is one; its address is told once, when it is made. */
export const feedSchema = z.object({ madeAt: z.iso.datetime().nullable() });
export const newFeedSchema = z.object({ path: z.string() });

/** Who has a part, or a batch of it: as it was put in at a visit, or as it stands in the system. */
export const recallQuerySchema = z
  .object({
    part: z.string().trim().max(120).default(''),
    batch: z.string().trim().max(80).default(''),
  })
  .refine(({ part, batch }) => part !== '' || batch !== '', {
    path: ['part'],
    message: 'Say a part or a batch.',
  });
export const recallSchema = z.object({
  rows: z.array(
    z.object({
      jobId: z.uuid(),
      number: z.int(),
      name: z.string(),
      address: z.string(),
      phone: z.string(),
      part: z.string(),
      /** Empty where nobody noted it. */
      batch: z.string(),
      /** ISO day on which it was put in. */
      on: z.iso.date(),
    }),
  ),
});
export type RecallRow = z.infer<typeof recallSchema>['rows'][number];

export const diaryQuerySchema = z.object({
  /** Calendar day of whoever looks. */
  today: z.iso.date(),
  /** How far ahead. */
  days: z.coerce.number().int().min(1).max(3660).default(120),
});

const seriesSchema = z.object({
  state: z.enum(trendStates),
  factorNow: z.number(),
  dueOn: z.iso.date().nullable(),
});

/** Every installed system, what it needs most first. */
export const fleetRowSchema = z.object({
  jobId: z.uuid(),
  number: z.int(),
  name: z.string(),
  address: z.string(),
  since: z.iso.date(),
  /** Null where nothing is due that is known of. */
  dueOn: z.iso.date().nullable(),
  /** Null while nothing was read that a trend can be made of. */
  membrane: z
    .object({ readings: z.int(), saltPassage: seriesSchema, flow: seriesSchema })
    .nullable(),
  /** As last read: dissolved solids held back, as a share, and the day; null where both waters were not read. */
  rejection: z.number().nullable(),
  readOn: z.iso.date().nullable(),
});
export type FleetRow = z.infer<typeof fleetRowSchema>;
export const fleetSchema = z.object({
  /** The first of those that were asked for. */
  rows: z.array(fleetRowSchema.extend({ need: z.enum(needs) })),
  /** Of all systems, how many need what. */
  counts: z.record(z.enum(needs), z.int()),
  waiting: z.int(),
});

export const fleetQuerySchema = diaryQuerySchema.pick({ today: true }).extend({
  need: z.enum(needs).optional(),
  /** How many are shown. */
  most: z.coerce.number().int().min(1).max(10_000).default(100),
});

/** A part of a system that falls due, and when it will be put in. */
export interface PartDue {
  name: string;
  count: number;
  /** ISO calendar day. */
  on: string;
}

/** Parts that fall due until a day, against what vans and stores hold. */
export const forecastSchema = z.object({
  lines: z.array(
    z.object({
      name: z.string(),
      count: z.int(),
      /** Of the first of them. */
      firstOn: z.iso.date(),
      /** What vans and stores hold of it; null where the catalogue knows no such part. */
      held: z.number().nullable(),
    }),
  ),
  waiting: z.int(),
});

/** Letters to households of what is due. */
export const writeLettersSchema = z.strictObject({
  jobIds: z.array(z.uuid()).min(1).max(200),
  today: z.iso.date(),
});
export const letterSchema = z.object({
  id: z.uuid(),
  jobId: z.uuid(),
  name: z.string(),
  recipient: z.string(),
  subject: z.string(),
  text: z.string(),
  writtenAt: z.iso.datetime(),
  writtenBy: z.string(),
  /** Null while it waits to be handed to the mail. */
  sentAt: z.iso.datetime().nullable(),
});
export type Letter = z.infer<typeof letterSchema>;
export const lettersSchema = z.object({ letters: z.array(letterSchema) });
/** What became of an order of letters. */
export const writtenSchema = z.object({
  written: z.int(),
  /** Households without an address of mail, or of which nothing is due. */
  without: z.array(z.object({ jobId: z.uuid(), name: z.string() })),
});

/** Work ahead, with the parts that it takes. */
export const neededSchema = z.object({
  jobId: z.uuid(),
  number: z.int(),
  name: z.string(),
  /** Day of a visit that is due; null for an installation that is agreed and waits for its day. */
  on: z.iso.date().nullable(),
  /** A part's id is null where the catalogue has none of that name. */
  lines: z.array(
    z.object({ partId: z.string().nullable(), name: z.string(), quantity: z.number() }),
  ),
});
export type Needed = z.infer<typeof neededSchema>;
export const neededListSchema = z.object({
  needed: z.array(neededSchema),
  /** Systems that are not reckoned yet: asked for again, they are. */
  waiting: z.int(),
});
