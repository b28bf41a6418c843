import { faultCodes } from '@katharos/core';
import { z } from 'zod';

/** What a firm's own verifications ended with: how often each fault was mended, and how often nothing was wrong. */
export const foundSchema = z.object({
  found: z.partialRecord(z.enum(faultCodes), z.int().min(0)),
});
