import { z } from 'zod';
import { captionSchema, photographSubjects, provenStepSchema } from '@katharos/job';

export const photographSchema = z.object({
  id: z.uuid(),
  about: z.enum(photographSubjects),
  step: provenStepSchema.nullable(),
  caption: captionSchema,
  takenAt: z.iso.datetime(),
  takenBy: z.string(),
  width: z.int(),
  height: z.int(),
});
export type Photograph = z.infer<typeof photographSchema>;

export const photographListSchema = z.object({ photographs: z.array(photographSchema) });

export const newPhotographQuerySchema = z.object({
  /** Its id, where it was kept on the way and must be known there by it. */
  id: z.uuid().optional(),
  about: z.enum(photographSubjects).default('other'),
  step: provenStepSchema.optional(),
  caption: captionSchema.default(''),
  /** When it was taken, where it was kept on the way. */
  takenAt: z.iso.datetime().optional(),
});

export const changePhotographSchema = z
  .strictObject({ about: z.enum(photographSubjects), caption: captionSchema })
  .partial();
