import { z } from 'zod';

/** Every error that the API answers, with its status. A test holds the server to this list in both directions. */
export const apiErrors = {
  'malformed-json': 400,
  'malformed-request': 400,
  'invalid-input': 400,
  'common-password': 400,
  'not-signed-in': 401,
  'let-go': 401,
  'wrong-credentials': 401,
  'second-factor-needed': 401,
  'wrong-code': 403,
  'second-factor-there': 409,
  'wrong-setup-code': 403,
  'wrong-password': 403,
  'password-needed': 403,
  'passkey-refused': 403,
  'passkey-there': 409,
  'too-many-passkeys': 409,
  'passkeys-need-a-name': 409,
  'foreign-origin': 403,
  'not-allowed': 403,
  'not-found': 404,
  'already-set-up': 409,
  'email-taken': 409,
  'last-owner': 409,
  'version-conflict': 409,
  'key-reused': 409,
  'not-verified': 409,
  'too-many-photographs': 409,
  'already-taken': 409,
  'nothing-in-the-van': 409,
  'not-enough': 409,
  'place-in-use': 409,
  'not-agreed': 409,
  'something-open': 409,
  'not-kept': 409,
  'part-held': 409,
  'part-changed': 409,
  'not-a-picture': 415,
  'too-large': 413,
  'too-many-tries': 429,
  internal: 500,
  busy: 503,
} as const;

export type ApiErrorCode = keyof typeof apiErrors;

export const apiErrorSchema = z.object({
  error: z.object({
    code: z.string(),
    path: z.string().optional(),
    message: z.string(),
  }),
});
export type ApiErrorBody = z.infer<typeof apiErrorSchema>;
