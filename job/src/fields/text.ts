import { z } from 'zod';
import { fault } from './schemaFault.ts';

/** Text of any script; not NUL and no half of a character, which no database holds and no browser shows. */
export const isPlainText = (text: string): boolean => !/[\0\p{Cs}]/u.test(text);

/** What a person writes, up to so many characters. */
export const text = (most: number) =>
  z.string().trim().max(most).refine(isPlainText, fault('unprintable'));

/** The same, and not left empty; the fault says what is missing. */
export const wantedText = (most: number, missing: string) =>
  z.string().trim().min(1, missing).max(most).refine(isPlainText, fault('unprintable'));
