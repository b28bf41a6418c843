import { z } from 'zod';
import { fault } from '../fields/schemaFault.ts';
import { photographLimits } from './photographed.ts';
import { filedPhotographSchema } from './photographs.ts';
import { jobDocumentSchema } from './job.ts';
import { jobFileVersion } from './jobFileVersion.ts';

/** A job as a file: all of it, readable without this program. Published as docs/job-file.schema.json. */
export const jobFileSchema = z.strictObject({
  format: z.literal('katharos-job', fault('no-job-file')),
  version: z.literal(jobFileVersion),
  /** Number of the job where it was written; a reader gives its own. */
  number: z.int().min(1),
  exportedAt: z.iso.datetime(),
  document: jobDocumentSchema,
  photographs: z.array(filedPhotographSchema).max(photographLimits.perJob),
});
export type JobFile = z.infer<typeof jobFileSchema>;

/** The file's JSON Schema, as published. */
export const jobFileJsonSchema = (): object => ({
  title: 'Katharos job file',
  description:
    'One installation of a reverse osmosis system, from survey to certificate, in the units in which it was entered.',
  ...z.toJSONSchema(jobFileSchema, { io: 'input' }),
});
