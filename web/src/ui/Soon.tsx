import { type ReactNode, startTransition, useEffect, useState } from 'react';

/** Whether the rest is drawn: what is drawn from then on is drawn in pieces, between which the page still answers. */
export function useSoon(): boolean {
  const [isDue, setDue] = useState(false);
  useEffect(() => startTransition(() => setDue(true)), []);
  return isDue;
}

/**
 * Draws what stands in it once the rest is drawn, in pieces between which the page still answers: what comes with an answer of the
 * store is drawn in one go, a second on a slow phone.
 */
export const Soon = ({ fallback, children }: { fallback: ReactNode; children: ReactNode }) =>
  useSoon() ? children : fallback;
