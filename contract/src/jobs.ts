import { jobDocumentSchema, partSchema, unitSystemSchema } from '@katharos/job';
import { z } from 'zod';
import { savedJobSchema } from './jobList.ts';

/** Whole jobs, and the catalogue they choose from. */

export const jobSchema = savedJobSchema.extend({ document: jobDocumentSchema });
export type Job = z.infer<typeof jobSchema>;

export const saveJobSchema = z.strictObject({
  /** The version that the edit was made on. */
  version: z.int().min(1),
  document: jobDocumentSchema,
});

export const catalogueSchema = z.object({ parts: z.array(partSchema) });

/** The certificate is set in the reader's units where they differ from the firm's. */
export const certificateQuerySchema = z.object({ units: unitSystemSchema.optional() });
