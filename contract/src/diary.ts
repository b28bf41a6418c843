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

export const diaryQuerySchema = z.object({
  /** Calendar day of whoever looks. */
  today: z.iso.date(),
  /** How far ahead. */
  days: z.coerce.number().int().min(1).max(3660).default(120),
});
