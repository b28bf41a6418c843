import { z } from 'zod';

/** Every error that the API answers: status and sentence. A test holds the server to this list in both directions. */
export const apiErrors = {
  'malformed-json': { status: 400, message: 'The request is not readable JSON.' },
  'invalid-input': { status: 400, message: 'Something in the request is not as it must be.' },
  'not-signed-in': { status: 401, message: 'Sign in first.' },
  'wrong-credentials': { status: 401, message: 'This e-mail and password do not belong together.' },
  'wrong-setup-code': {
    status: 403,
    message: 'This setup code is not the one printed at the server’s start.',
  },
  'foreign-origin': { status: 403, message: 'The request came from another site and was refused.' },
  'not-found': { status: 404, message: 'There is nothing here under this address.' },
  'already-set-up': { status: 409, message: 'This installation already has an owner. Sign in.' },
  'version-conflict': {
    status: 409,
    message: 'This job was changed elsewhere since you opened it.',
  },
  'not-verified': {
    status: 409,
    message: 'The certificate needs a chosen system and the verification readings.',
  },
  'too-many-photographs': {
    status: 409,
    message: 'This job holds as many photographs as it can. Take one away first.',
  },
  'already-taken': {
    status: 409,
    message: 'The parts of this job were taken out of the van already. Put them back first.',
  },
  'nothing-in-the-van': {
    status: 409,
    message: 'The van holds none of these parts. Count what is in it on the van’s page.',
  },
  'not-agreed': { status: 409, message: 'The proposal needs a chosen system.' },
  'not-a-picture': {
    status: 415,
    message: 'This file is no picture that can be read: take a JPEG, PNG, WebP or HEIC.',
  },
  'too-large': { status: 413, message: 'The request is larger than this server takes.' },
  'too-many-tries': { status: 429, message: 'Too many tries. Wait a few minutes and try again.' },
  internal: { status: 500, message: 'Something went wrong on the server. It has been recorded.' },
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
