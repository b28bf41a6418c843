import { gapCodes, text, unitSystemSchema } from '@katharos/job';
import { paperKinds } from './paperKinds.ts';
import { z } from 'zod';

const isTimeZone = (name: string): boolean => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
};

const timeZoneSchema = z
  .string()
  .max(60)
  .refine(isTimeZone, 'This is no time zone, such as Europe/Paris.');

/** A paper is set in the reader's units where they differ from the firm's; clock times in the house's zone. */
export const draftQuerySchema = z.object({
  units: unitSystemSchema.optional(),
  timeZone: timeZoneSchema.optional(),
  /** Of which visit, for a service report. */
  visit: z.string().max(40).optional(),
});

export const issuePaperSchema = z.strictObject({
  kind: z.enum(paperKinds),
  units: unitSystemSchema,
  /** Of the house: its calendar dates the paper. */
  timeZone: timeZoneSchema,
  at: z.iso.datetime(),
  /** Of which visit, for a service report. */
  visit: z.string().max(40).optional(),
  /** Why there is a new version, or why it was issued with something open. */
  reason: text(300).default(''),
  /** Issued although something is open, which the paper then says. */
  regardless: z.boolean().default(false),
});
export type IssuePaper = z.input<typeof issuePaperSchema>;

/** An issued paper, without its content. */
export const paperSchema = z.object({
  id: z.uuid(),
  kind: z.enum(paperKinds),
  version: z.int(),
  /** Of which visit a service report is; null for every other paper. */
  visit: z.string().nullable(),
  /** SHA-256 of the paper, base64url: the same content under the same number has the same. */
  hash: z.string(),
  issuedAt: z.iso.datetime(),
  issuedBy: z.string(),
  reason: z.string(),
  gaps: z.array(z.enum(gapCodes)),
});
export type PaperRecord = z.infer<typeof paperSchema>;

export const paperListSchema = z.object({ papers: z.array(paperSchema) });

/** Where a certificate stands in the chain of its firm's, and its seal. */
export const sealSchema = z.object({ link: z.int(), seal: z.string() });
export type Seal = z.infer<typeof sealSchema>;

/** With what stands on it, as the papers of that day had it. */
export const issuedPaperSchema = paperSchema.extend({
  content: z.record(z.string(), z.unknown()),
  /** Null for what is no certificate. */
  seal: sealSchema.nullable(),
});
export type IssuedPaper = z.infer<typeof issuedPaperSchema>;
