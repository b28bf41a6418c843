import { fault, firmSettingsSchema } from '@katharos/job';
import { z } from 'zod';
import { roles } from './roles.ts';

/** Who is there, and how they get in. */

export const credentialsSchema = z.strictObject({
  email: z.email(fault('email-form')).max(200),
  password: z.string().min(1, fault('password-missing')).max(200),
});

/** With the second factor's code, where somebody has one. */
export const signInSchema = credentialsSchema.extend({
  code: z.string().trim().max(40).optional(),
});

/** A second factor: whether there is one, how it is set up, the first code, and its end. */
export const factorSchema = z.object({ on: z.boolean(), words: z.int() });
export const begunFactorSchema = z.object({ secret: z.string(), address: z.string() });
export const proveFactorSchema = z.strictObject({ code: z.string().trim().min(6).max(10) });
export const factorWordsSchema = z.object({ words: z.array(z.string()) });
export const endFactorSchema = credentialsSchema.pick({ password: true });

/** Bytes as WebAuthn writes them in JSON: base64url. */
const bytes = z
  .string()
  .regex(/^[\w-]*$/)
  .max(20_000);
const credential = z.object({
  id: bytes.min(1).max(1400),
  rawId: bytes.min(1).max(1400),
  type: z.literal('public-key'),
  authenticatorAttachment: z.enum(['cross-platform', 'platform']).optional(),
  clientExtensionResults: z.object({}),
});

/** What a browser answers when it has made a passkey (WebAuthn level 3, 5.1), with what its person calls the device. */
export const newPasskeySchema = z.strictObject({
  name: z.string().trim().min(1, fault('passkey-name-missing')).max(60),
  made: credential.extend({
    response: z.object({
      clientDataJSON: bytes,
      attestationObject: bytes,
      transports: z.array(z.string().max(40)).max(10).optional(),
    }),
  }),
});

/** What a browser answers when it has signed with one. */
export const usedPasskeySchema = z.strictObject({
  used: credential.extend({
    response: z.object({
      clientDataJSON: bytes,
      authenticatorData: bytes,
      signature: bytes,
      userHandle: bytes.optional(),
    }),
  }),
});
export type UsedPasskey = z.infer<typeof usedPasskeySchema>['used'];

/** What a browser is asked: written by the server's library, read by the browser's. */
export const passkeyQuestionSchema = z.looseObject({ challenge: z.string() });

export const passkeysSchema = z.object({
  passkeys: z.array(
    z.object({
      id: z.uuid(),
      name: z.string(),
      madeAt: z.iso.datetime(),
      usedAt: z.iso.datetime().nullable(),
    }),
  ),
});

/** The password once more, for what cannot be undone. */
export const proofSchema = credentialsSchema.pick({ password: true });

/** A forgotten password. */
export const askResetSchema = credentialsSchema.pick({ email: true });
export const resetFaceSchema = z.object({ name: z.string() });

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
