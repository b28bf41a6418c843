import { z } from 'zod';

/** What a photograph shows. */
export const photographSubjects = [
  'readings',
  'cabinet',
  'supply',
  'drain',
  'counter',
  'work',
  'other',
] as const;
export type PhotographSubject = (typeof photographSubjects)[number];

export const photographWords: Record<PhotographSubject, string> = {
  readings: 'Readings',
  cabinet: 'Cabinet',
  supply: 'Cold supply',
  drain: 'Drain',
  counter: 'Counter',
  work: 'Work done',
  other: 'Other',
};

/** The most that one job keeps, and the largest file that is taken, bytes. What is kept is made smaller. */
export const photographLimits = { perJob: 60, fileBytes: 15_000_000 } as const;

const caption = z.string().trim().max(300);

/** Step of the work that a photograph proves. */
const step = z.string().min(1).max(80);

export const photographSchema = z.object({
  id: z.uuid(),
  about: z.enum(photographSubjects),
  step: step.nullable(),
  caption,
  takenAt: z.iso.datetime(),
  takenBy: z.string(),
  width: z.int(),
  height: z.int(),
});
export type Photograph = z.infer<typeof photographSchema>;

export const photographListSchema = z.object({ photographs: z.array(photographSchema) });

export const newPhotographQuerySchema = z.object({
  about: z.enum(photographSubjects).default('other'),
  step: step.optional(),
  caption: caption.default(''),
});

export const changePhotographSchema = z
  .strictObject({ about: z.enum(photographSubjects), caption })
  .partial();

/** A photograph inside a job file: as JPEG, in base 64. */
export const filedPhotographSchema = z.strictObject({
  about: z.enum(photographSubjects),
  step: step.optional(),
  caption,
  takenAt: z.iso.datetime(),
  takenBy: z.string().max(120),
  jpeg: z.base64().max(2_000_000),
});
export type FiledPhotograph = z.infer<typeof filedPhotographSchema>;
