import { z } from 'zod';

/** What the firm's log says was done. */
export const auditCodes = [
  'signed-in',
  'password-changed',
  'password-reset',
  'reset-made',
  'second-factor-set',
  'second-factor-ended',
  'passkey-made',
  'passkey-removed',
  'sessions-ended',
  'firm-set-up',
  'settings-changed',
  'person-invited',
  'invitation-withdrawn',
  'person-joined',
  'role-changed',
  'person-removed',
  'job-begun',
  'job-opened-from-file',
  'job-changed',
  'job-shelved',
  'photograph-added',
  'photograph-changed',
  'photograph-removed',
  'photograph-restored',
  'paper-issued',
  'household-page-made',
  'household-page-ended',
  'household-said',
  'letters-written',
  'calendar-made',
  'calendar-ended',
  'part-added',
  'part-changed',
  'part-retired',
  'part-restored',
  'price-noted',
  'price-removed',
  'stock-counted',
  'stock-taken',
  'stock-put-back',
  'stock-moved',
  'minimum-set',
  'place-added',
  'place-changed',
  'place-removed',
  'instrument-kept',
  'calibration-noted',
  'archive-saved',
  'customer-removed',
] as const;
export type AuditCode = (typeof auditCodes)[number];

/** What an entry is about, by which it is found again. */
export const subjectKinds = ['firm', 'person', 'job', 'part', 'place', 'instrument'] as const;
export type SubjectKind = (typeof subjectKinds)[number];

/** What an entry says in plain values; a person's removal takes it out and leaves its hash. */
export const auditContentSchema = z.object({
  by: z.string(),
  device: z.string(),
  /** Of what it is about, as it was called then. */
  name: z.string(),
  data: z.record(z.string(), z.unknown()),
});
export type AuditContent = z.infer<typeof auditContentSchema>;

export const auditEntrySchema = z.object({
  seq: z.int(),
  at: z.iso.datetime(),
  code: z.enum(auditCodes),
  subject: z.object({ kind: z.enum(subjectKinds), id: z.string() }),
  content: auditContentSchema.nullable(),
});
export type AuditEntry = z.infer<typeof auditEntrySchema>;

export const auditQuerySchema = z.object({
  search: z.string().trim().max(100).default(''),
  kind: z.enum(subjectKinds).optional(),
  subject: z.string().max(100).optional(),
  /** Entries of before this one; a page begins there. */
  before: z.coerce.number().int().min(1).optional(),
  limit: z.coerce.number().int().min(1).max(200).default(50),
});
export type AuditQuery = z.input<typeof auditQuerySchema>;

export const auditPageSchema = z.object({
  entries: z.array(auditEntrySchema),
  next: z.int().nullable(),
});

/** Whether the log holds from its first entry to its last. */
export const auditReportSchema = z.object({
  count: z.int(),
  /** The last link: whoever has noted it elsewhere can tell that nothing was cut off. */
  last: z.object({ seq: z.int(), seal: z.string() }).nullable(),
  faults: z.array(
    z.object({ seq: z.int(), fault: z.enum(['missing-before', 'not-joined', 'seal', 'content']) }),
  ),
  /** Entries whose content was taken out for a person's sake. */
  emptied: z.int(),
});
export type AuditReport = z.infer<typeof auditReportSchema>;
