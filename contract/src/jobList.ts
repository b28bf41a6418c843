import { customerSchema, stages } from '@katharos/job';
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
});
export type JobSummary = z.infer<typeof jobSummarySchema>;
export const jobListSchema = z.object({ jobs: z.array(jobSummarySchema), total: z.int() });

export const jobQuerySchema = z.object({
  search: z.string().trim().max(100).default(''),
  limit: z.coerce.number().int().min(1).max(200).default(50),
  offset: z.coerce.number().int().min(0).max(1e6).default(0),
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
