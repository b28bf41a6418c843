import { dueReasons, servicedKinds } from '@katharos/core';
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
  /** When somebody should come. */
  on: z.iso.date(),
  /** What is done at that visit. */
  dues: z.array(dueSchema),
});
export type DiaryRow = z.infer<typeof diaryRowSchema>;

export const diarySchema = z.object({
  rows: z.array(diaryRowSchema),
  /** Systems that are not reckoned yet: asked for again, they are. */
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
