import { firmSettingsSchema } from '@katharos/job';
import { z } from 'zod';

/** Who is there, and how they get in. */

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
