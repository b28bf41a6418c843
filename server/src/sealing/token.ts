import { createHash, randomBytes } from 'node:crypto';

/** 256 random bits, for a link or a cookie; it is told once and nowhere kept. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** Whether a text can be a token at all. */
export const isToken = (text: string): boolean => /^[\w-]{43}$/.test(text);

/** What is kept of a token: who reads the table cannot use it. */
export const hashToken = (token: string): string =>
  createHash('sha256').update(token).digest('base64url');
