import { complaints } from '@katharos/core';
import { text } from '@katharos/job';
import { z } from 'zod';

/** A household's own page, and what it said there. */

export const householdWordSchema = z.object({
  id: z.uuid(),
  complaint: z.enum(complaints),
  text: z.string(),
  saidAt: z.iso.datetime(),
  /** Of the job's photographs; null where none was sent. */
  photographId: z.uuid().nullable(),
});
export type HouseholdWord = z.infer<typeof householdWordSchema>;

export const householdSideSchema = z.object({
  /** Address of the page; null where there is none. */
  path: z.string().nullable(),
  /** The newest first. */
  words: z.array(householdWordSchema),
});

/** The form of the page. */
export const saySchema = z.strictObject({ complaint: z.enum(complaints), text: text(1000) });

/** A household's data are removed; of papers that were handed over, the law may want them kept. */
export const forgetPersonSchema = z.strictObject({ papers: z.enum(['kept', 'removed']) });
