import type { FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import { signal } from './signal.ts';

/** What cannot be undone wants the password once more: whoever asks the server waits here until it was given, or was not. */

const waiting = signal<((given: boolean) => void) | undefined>(undefined);

/** Whether somebody is to be asked. */
export const useProofWanted = (): boolean => waiting.use() !== undefined;

/** Asks for the password; false where it was not given. Who asks while another waits takes their place. */
export function askForProof(): Promise<boolean> {
  waiting.get()?.(false);
  return new Promise((resolve) => waiting.set(resolve));
}

export function answerProof(given: boolean): void {
  waiting.get()?.(given);
  waiting.set(undefined);
}

export const wantsProof = ({ data }: FetchBaseQueryError): boolean =>
  (data as { error?: { code?: string } } | undefined)?.error?.code === 'password-needed';
