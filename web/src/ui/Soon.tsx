import { type ReactNode, startTransition, useEffect, useState } from 'react';

/**
 * Draws what stands in it once the rest is drawn, in pieces between which the page still answers: what comes with an answer of the
 * store is drawn in one go, a second on a slow phone.
 */
export function Soon({ fallback, children }: { fallback: ReactNode; children: ReactNode }) {
  const [isDue, setDue] = useState(false);
  useEffect(() => startTransition(() => setDue(true)), []);
  return isDue ? children : fallback;
}
