import { forgetComputed } from './computedStore.ts';
import { call } from './line/call.ts';
import { flag, forgetAll, setFlag } from './line/keptStore.ts';
import { forgetTyped } from './localStore.ts';

const pending = 'sign-out';

/**
 * Ends the session on the server, or, where it cannot be reached, at the next contact; whatever was kept here for the person goes at
 * once. The cookie alone cannot be taken away by a page: until the server is told, the session is only not used.
 */
export async function endSession(): Promise<void> {
  await setFlag(pending, true).catch(() => undefined);
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

/** Tells the server of a sign-out that it has not heard of; nothing else is asked of it before. */
export async function finishSignOut(): Promise<'signed-in' | 'signed-out'> {
  const isPending = await flag(pending).catch(() => undefined);
  if (!isPending) return 'signed-in';
  const answer = await call({ method: 'DELETE', address: '/session' });
  if (answer.kind === 'answered') await setFlag(pending, undefined).catch(() => undefined);
  return 'signed-out';
}

/** Signing in anew ends the one that was pending with it: the server gives a new session. */
export const forgetSignOut = (): Promise<void> =>
  setFlag(pending, undefined).catch(() => undefined);

/** Photographs that the browser kept for pages without a line. */
async function forgetFiles(): Promise<void> {
  if (!('caches' in window)) return;
  const names = await caches.keys().catch(() => []);
  await Promise.all(
    names.filter((name) => name.includes('photographs')).map((n) => caches.delete(n)),
  );
}
