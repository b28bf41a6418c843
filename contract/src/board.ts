import { jobDocumentSchema, stages } from '@katharos/job';
import { z } from 'zod';

const { steps, plan } = jobDocumentSchema.shape.flush.shape;

/** A job between the plumbed system and the verified one, as far as a list of what waits needs it. */
export const boardRowSchema = z.object({
  id: z.uuid(),
  number: z.int(),
  name: z.string(),
  address: z.string(),
  phone: z.string(),
  stage: z.enum(stages),
  /** Who leads its flush, else who touched it last. */
  who: z.string(),
  steps,
  plan: plan.unwrap().nullable(),
});
export type BoardRow = z.infer<typeof boardRowSchema>;

export const boardSchema = z.object({ jobs: z.array(boardRowSchema) });
