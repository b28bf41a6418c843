import { useEffect } from 'react';
import { store } from '../store.ts';

/** Time until the line's code is asked for again where the server did not give it, ms. */
const againAfterMs = 1000;

/** Joins this page to the line to the server, for as long as it stands and somebody is signed in. */
export function useLine(userId: string | undefined): void {
  useEffect(() => {
    if (!userId) return undefined;
    let leave: (() => void) | undefined;
    let isGone = false;
    const join = async () => {
      // The line's code is no part of the first picture. Without it nothing is kept, so it is asked for until it comes.
      while (!isGone) {
        try {
          const { connect } = await import('./connect.ts');
          if (!isGone) leave = connect(store, userId);
          return;
        } catch {
          await new Promise((resolve) => setTimeout(resolve, againAfterMs));
        }
      }
    };
    void join();
    return () => {
      isGone = true;
      leave?.();
    };
  }, [userId]);
}
