import { z } from 'zod';
import { isPlainText } from './plainText.ts';
import { fault } from './schemaFault.ts';

/** What a person writes, up to so many characters. */
export const text = (most: number) =>
  z.string().trim().max(most).refine(isPlainText, fault('unprintable'));

/** The same, and not left empty; the fault says what is missing. */
export const wantedText = (most: number, missing: string) =>
  z.string().trim().min(1, missing).max(most).refine(isPlainText, fault('unprintable'));
