import { customerSchema, stages, type visitFields } from '@katharos/job';
import { shelves } from './shelves.ts';
import { z } from 'zod';

/** Jobs as the list has them: without their documents, and without what reads one. */

export const jobSummarySchema = z.object({
  id: z.uuid(),
  number: z.int(),
  name: z.string(),
  address: z.string(),
  stage: z.enum(stages),
  finished: z.boolean(),
  updatedAt: z.iso.datetime(),
  /** Why a search found it, where name and address do not show it: a line of what it holds, or a reading in the core's unit. */
  hit: z
    .discriminatedUnion('kind', [
      z.object({ kind: z.literal('line'), text: z.string() }),
      z.object({
        kind: z.literal('reading'),
        figure: z.custom<keyof typeof visitFields>((name) => typeof name === 'string'),
        on: z.iso.date(),
        value: z.number(),
      }),
    ])
    .nullable(),
});
export type JobSummary = z.infer<typeof jobSummarySchema>;
export const shelveJobSchema = z.strictObject({ shelf: z.enum(shelves) });

/** One page of a list, the last touched first. */
export const jobListSchema = z.object({
  jobs: z.array(jobSummarySchema),
  /** Of all pages; said with the first. */
  total: z.int().nullable(),
  /** What to ask for the next page with; null behind the last. */
  next: z.string().nullable(),
});

/** The place behind a row: the moment it was last touched, and its number. */
const placeForm = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z~\d{1,9}$/;

export const jobQuerySchema = z.object({
  search: z.string().trim().max(100).default(''),
  shelf: z.enum(shelves).default('open'),
  limit: z.coerce.number().int().min(1).max(200).default(50),
  after: z
    .string()
    .refine((text) => placeForm.test(text) && !Number.isNaN(Date.parse(text.split('~')[0]!)), {
      message: 'This is no place in the list.',
    })
    .optional(),
});

export const newJobSchema = z.strictObject({
  name: customerSchema.shape.name,
  address: customerSchema.shape.address.default(''),
});

/** What of a job changes when it is saved. */
export const savedJobSchema = z.object({
  id: z.uuid(),
  number: z.int(),
  version: z.int(),
  updatedAt: z.iso.datetime(),
  updatedBy: z.string(),
});

/** A job that was added, as far as a page needs it that goes on to open it. */
export const addedJobSchema = savedJobSchema.pick({ id: true, number: true });
