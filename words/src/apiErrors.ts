import type { ApiErrorCode } from '@katharos/contract';

/** What the API says of each of its errors. */
export const apiErrorSentences: Record<ApiErrorCode, string> = {
  'malformed-json': 'The request is not readable JSON.',
  'malformed-request': 'The request is not of a form that this server reads.',
  'invalid-input': 'Something in the request is not as it must be.',
  'common-password':
    'This password is one of those that are tried first. Take several words that do not belong together.',
  'not-signed-in': 'Sign in first.',
  'let-go': 'You do not work in this firm any more. What this browser kept of it is forgotten.',
  'wrong-credentials': 'This e-mail and password do not belong together.',
  'second-factor-needed': 'Enter the code that your telephone shows, or one of your words.',
  'wrong-code': 'This code is not the one of this half minute, or it was used already.',
  'second-factor-there': 'There is a second factor already. End it first.',
  'wrong-password': 'This is not the password of now.',
  'password-needed': 'Give your password once more for this.',
  'passkey-refused':
    'This passkey was not taken. It is none of yours here any more, or too much time went by: try again, or sign in with the password.',
  'passkey-there': 'This device holds a passkey of yours already.',
  'too-many-passkeys': 'You have as many passkeys as one can have. Remove one first.',
  'passkeys-need-a-name':
    'Passkeys belong to a name, and this address is a number. Open Katharos under its name.',
  'wrong-setup-code': 'This setup code is not the one printed at the server’s start.',
  'foreign-origin': 'The request came from another site and was refused.',
  'not-allowed': 'Your part in the firm does not allow this. Ask its owner.',
  'not-found': 'There is nothing here under this address.',
  'already-set-up': 'This installation already has an owner. Sign in.',
  'email-taken': 'Somebody signs in with this e-mail already.',
  'last-owner': 'A firm needs an owner: make somebody else one first.',
  'version-conflict': 'This job was changed elsewhere since you opened it.',
  'key-reused': 'This key belongs to another request that was answered already.',
  'not-verified': 'The certificate needs a chosen system and the verification readings.',
  'too-many-photographs': 'This job holds as many photographs as it can. Take one away first.',
  'already-taken': 'The parts of this job were taken out of the van already. Put them back first.',
  'nothing-in-the-van': 'The van holds none of these parts. Count what is in it on the van’s page.',
  'not-enough': 'There is not so much of it there. Count it, or move less.',
  'place-in-use':
    'Only an empty place can be removed, and one van and one store stay. Move its parts elsewhere first.',
  'not-agreed': 'The proposal needs a chosen system.',
  'something-open':
    'Something is still open in this job. Do it first, or issue the paper regardless, with the reason.',
  'not-kept': 'How this job stood then is not kept.',
  'part-held': 'Another part of the catalogue holds this one. Change that first.',
  'part-changed':
    'Somebody changed this part meanwhile. Look at it as it is now, and change it again.',
  'not-a-picture':
    'This file is no picture that can be read: take a JPEG, PNG or WebP of up to 15 MB.',
  'too-large': 'The request is larger than this server takes.',
  'too-many-tries': 'Too many tries. Wait a few minutes and try again.',
  busy: 'The database is busy at the moment. Try again in a few seconds.',
  internal: 'Something went wrong on the server. It has been recorded.',
};
