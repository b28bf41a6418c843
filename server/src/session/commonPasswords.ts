import { dictionary } from '@zxcvbn-ts/language-common';

const common = new Set(dictionary['passwords-common'].map(String));

/** Whether a password is one of those that everybody tries first, or says nothing but who it belongs to. */
export function isCommonPassword(password: string, about: readonly string[]): boolean {
  const plain = password.normalize('NFKC').toLowerCase();
  const letters = plain.replace(/[^\p{L}]/gu, '');
  // One short thing over and over, whatever stands between.
  const isRepeated = /^(.{1,8}?)\1+$/u.test(plain.replace(/[^\p{L}\p{N}]/gu, ''));
  const isAbout = about
    .flatMap((text) => text.toLowerCase().split(/[^\p{L}\p{N}]+/u))
    .some((word) => word.length >= 4 && letters === word.replace(/[^\p{L}]/gu, ''));
  return isRepeated || isAbout || common.has(plain) || common.has(plain.replace(/[\d\W_]+$/u, ''));
}
