import { fault, firmSettingsSchema } from '@katharos/job';
import { z } from 'zod';
import { roles } from './roles.ts';

/** Who is there, and how they get in. */

export const credentialsSchema = z.strictObject({
  email: z.email(fault('email-form')).max(200),
  password: z.string().min(1, fault('password-missing')).max(200),
});

export const setupSchema = z.strictObject({
  code: z.string().min(1, fault('setup-code-missing')).max(60),
  firm: z.string().trim().min(1, fault('firm-missing')).max(120),
  name: z.string().trim().min(1, fault('person-missing')).max(120),
  email: credentialsSchema.shape.email,
  password: z.string().min(12, fault('password-short')).max(200),
});
export type Setup = z.infer<typeof setupSchema>;

export const metaSchema = z.object({
  demo: credentialsSchema.nullable(),
  setupNeeded: z.boolean(),
});

export const sessionSchema = z.object({
  user: z.object({ id: z.uuid(), name: z.string(), email: z.string(), role: z.enum(roles) }),
  firm: z.object({ id: z.uuid(), name: z.string(), settings: firmSettingsSchema }),
});
export type Session = z.infer<typeof sessionSchema>;
