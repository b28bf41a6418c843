import { text } from '../fields/text.ts';
import { photographSubjects } from './photographed.ts';
import { z } from 'zod';

export const captionSchema = text(300);

/** Step of the work that a photograph proves. */
export const provenStepSchema = z.string().min(1).max(80);

/** A photograph inside a job file: as JPEG, in base 64. */
export const filedPhotographSchema = z.strictObject({
  about: z.enum(photographSubjects),
  step: provenStepSchema.optional(),
  caption: captionSchema,
  takenAt: z.iso.datetime(),
  takenBy: z.string().max(120),
  jpeg: z.base64().max(2_000_000),
});
export type FiledPhotograph = z.infer<typeof filedPhotographSchema>;
