import { z } from 'zod';
import {
  partSchema,
  jobDocumentSchema,
  stages,
  firmSettingsSchema,
  unitSystemSchema,
} from '@katharos/job';

export const credentialsSchema = z.strictObject({
  email: z.email('Enter an e-mail address, such as name@firm.example.').max(200),
  password: z.string().min(1, 'Enter the password.').max(200),
});

export const setupSchema = z.strictObject({
  code: z.string().min(1, 'Enter the setup code that the server printed.').max(60),
  firm: z.string().trim().min(1, 'Enter the name of the firm.').max(120),
  name: z.string().trim().min(1, 'Enter your name.').max(120),
  email: credentialsSchema.shape.email,
  password: z.string().min(10, 'Use at least ten characters.').max(200),
});
export type Setup = z.infer<typeof setupSchema>;

export const metaSchema = z.object({
  demo: credentialsSchema.nullable(),
  setupNeeded: z.boolean(),
});

export const sessionSchema = z.object({
  user: z.object({ id: z.uuid(), name: z.string(), email: z.string() }),
  firm: z.object({ id: z.uuid(), name: z.string(), settings: firmSettingsSchema }),
});
export type Session = z.infer<typeof sessionSchema>;

export const jobSummarySchema = z.object({
  id: z.uuid(),
  number: z.int(),
  name: z.string(),
  address: z.string(),
  stage: z.enum(stages),
  finished: z.boolean(),
  updatedAt: z.iso.datetime(),
});
export type JobSummary = z.infer<typeof jobSummarySchema>;
export const jobListSchema = z.object({ jobs: z.array(jobSummarySchema), total: z.int() });

export const jobQuerySchema = z.object({
  search: z.string().trim().max(100).default(''),
  limit: z.coerce.number().int().min(1).max(200).default(50),
  offset: z.coerce.number().int().min(0).max(1e6).default(0),
});

export const newJobSchema = z.strictObject({
  name: jobDocumentSchema.shape.customer.shape.name,
  address: jobDocumentSchema.shape.customer.shape.address.default(''),
});

export const jobSchema = z.object({
  id: z.uuid(),
  number: z.int(),
  version: z.int(),
  updatedAt: z.iso.datetime(),
  updatedBy: z.string(),
  document: jobDocumentSchema,
});
export type Job = z.infer<typeof jobSchema>;

export const saveJobSchema = z.strictObject({
  /** The version that the edit was made on. */
  version: z.int().min(1),
  document: jobDocumentSchema,
});

export const savedJobSchema = jobSchema.omit({ document: true });

export const catalogueSchema = z.object({ parts: z.array(partSchema) });

/** The certificate is set in the reader's units where they differ from the firm's. */
export const certificateQuerySchema = z.object({ units: unitSystemSchema.optional() });
