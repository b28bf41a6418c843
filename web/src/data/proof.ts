import type { FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import { useSyncExternalStore } from 'react';

/** What cannot be undone wants the password once more: whoever asks the server waits here until it was given, or was not. */

let waiting: ((given: boolean) => void) | undefined;
let whenChanged = (): void => undefined;

function listen(told: () => void): () => void {
  whenChanged = told;
  return () => (whenChanged = () => undefined);
}

/** Whether somebody is to be asked. */
export const useProofWanted = (): boolean =>
  useSyncExternalStore(listen, () => waiting !== undefined);

/** Asks for the password; false where it was not given. */
export function askForProof(): Promise<boolean> {
  waiting?.(false);
  return new Promise((resolve) => {
    waiting = resolve;
    whenChanged();
  });
}

export function answerProof(given: boolean): void {
  waiting?.(given);
  waiting = undefined;
  whenChanged();
}

export const wantsProof = ({ data }: FetchBaseQueryError): boolean =>
  (data as { error?: { code?: string } } | undefined)?.error?.code === 'password-needed';
