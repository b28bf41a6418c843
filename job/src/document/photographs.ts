import { text } from '../fields/text.ts';
import { z } from 'zod';

/** What a photograph shows. */
export const photographSubjects = [
  'readings',
  'cabinet',
  'supply',
  'drain',
  'counter',
  'work',
  'complaint',
  'other',
] as const;
export type PhotographSubject = (typeof photographSubjects)[number];

/** The most that one job keeps, and the largest file that is taken, bytes. What is kept is made smaller. */
export const photographLimits = { perJob: 60, fileBytes: 15_000_000 } as const;

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
