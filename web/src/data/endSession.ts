import { forgetComputed } from './computedStore.ts';
import { call } from './line/call.ts';
import { forgetAll } from './line/keptStore.ts';
import { forgetLocal, forgetTyped, readLocal, writeLocal } from './localStore.ts';

/** Where it is kept, for every tab, that the server has not heard of a sign-out: read at once, since all that is asked waits for it. */
const pending = 'sign-out';
/** The same on this page, for a browser that keeps nothing. */
let isPendingHere = false;

function setPending(isPending: boolean): void {
  isPendingHere = isPending;
  if (isPending) writeLocal(pending, true);
  else forgetLocal(pending);
}

/** Whether somebody signed out on this page, and nobody signed in since: who comes next begins at the beginning. */
let isLeft = false;
export const hasSignedOut = (): boolean => isLeft;

/**
 * Ends the session on the server, or, where it cannot be reached, at the next contact; whatever was kept here for the person goes at
 * once. The cookie alone cannot be taken away by a page: until the server is told, the session is only not used.
 */
export async function endSession(): Promise<void> {
  isLeft = true;
  setPending(true);
  await forgetKept();
  await finishSignOut();
}

/** Forgets whatever this browser keeps of a firm: on signing out, and when the server says that one does not work there any more. */
export async function forgetKept(): Promise<void> {
  await forgetAll({ deeds: true }).catch(() => undefined);
  await forgetComputed().catch(() => undefined);
  forgetTyped();
  await forgetFiles();
}

/** Whether somebody signed out and the server has not heard of it. */
export const isSignOutPending = (): boolean => isPendingHere || readLocal(pending) === true;

/** Tells the server of a sign-out that it has not heard of; nothing else is asked of it before. */
export async function finishSignOut(): Promise<'signed-in' | 'signed-out'> {
  if (!isSignOutPending()) return 'signed-in';
  const answer = await call({ method: 'DELETE', address: '/session' });
  if (answer.kind === 'answered') setPending(false);
  return 'signed-out';
}

/** Signing in anew ends the one that was pending with it: the server gives a new session. */
export function forgetSignOut(): void {
  isLeft = false;
  setPending(false);
}

/** Photographs that the browser kept for pages without a line. */
async function forgetFiles(): Promise<void> {
  if (!('caches' in window)) return;
  const names = await caches.keys().catch(() => []);
  await Promise.all(
    names.filter((name) => name.includes('photographs')).map((n) => caches.delete(n)),
  );
}
