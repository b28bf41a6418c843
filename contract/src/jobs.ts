import { jobDocumentSchema, storageSchemaOf } from '@katharos/job';
import { z } from 'zod';
import { savedJobSchema } from './jobList.ts';

/** Whole jobs. */

/** A document as it is stored and sent: its shape. What may be entered in it is checked where it is entered. */
export const storedDocumentSchema = storageSchemaOf(jobDocumentSchema);

export const jobSchema = savedJobSchema.extend({ document: storedDocumentSchema });
/** A document as it was at a version. */
export const jobVersionSchema = z.object({ document: storedDocumentSchema });
export type Job = z.infer<typeof jobSchema>;

export const saveJobSchema = z.strictObject({
  /** The version that the edit was made on. */
  version: z
    .int()
    .min(1)
    .max(2 ** 31 - 2),
  document: storedDocumentSchema,
});
