import { gapCodes } from '@katharos/job';
import { z } from 'zod';
import { sealSchema } from './papers.ts';

/** The chain of a firm's certificates: each is sealed together with the seal before it, so that none can be changed or left out unseen. */

export const certificateLinkSchema = sealSchema.extend({
  /** Number of the job, and which issue of its certificate. */
  job: z.int(),
  version: z.int(),
  /** SHA-256 of the content. */
  hash: z.string(),
  issuedAt: z.iso.datetime(),
  issuedBy: z.string(),
  reason: z.string(),
  gaps: z.array(z.enum(gapCodes)),
  /** Seal of the certificate before; empty for the first. */
  before: z.string(),
});
export type CertificateLink = z.infer<typeof certificateLinkSchema>;

/** How a link does not hold. */
export const chainFaults = [
  'missing-before',
  'not-joined',
  'seal',
  'content',
  'content-missing',
] as const;
export type ChainFault = (typeof chainFaults)[number];

export const chainReportSchema = z.object({
  count: z.int(),
  last: sealSchema.nullable(),
  faults: z.array(
    z.object({ link: z.int(), job: z.int(), version: z.int(), fault: z.enum(chainFaults) }),
  ),
});
export type ChainReport = z.infer<typeof chainReportSchema>;

/** The file of a firm's certificates; docs/CERTIFICATES.md says how anybody checks it. */
export const chainFormat = 'katharos-certificates';
