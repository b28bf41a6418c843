import { useEffect, useState } from 'react';
import { store } from '../store.ts';
import { keepFor } from './keep.ts';

/**
 * Joins this page to the line to the server, for as long as it stands and somebody is signed in. What is done meanwhile is kept; what
 * sends it comes right behind the page's first picture, and a page that it does not come to is none: what it kept would never be sent.
 */
export function useLine(userId: string | undefined): void {
  const [missing, setMissing] = useState<unknown>();
  useEffect(() => {
    if (!userId) return undefined;
    keepFor(userId);
    let leave: (() => void) | null = null;
    let isWanted = true;
    import('./connect.ts').then(({ connect }) => {
      if (isWanted) leave = connect(store, userId);
    }, setMissing);
    return () => {
      isWanted = false;
      leave?.();
    };
  }, [userId]);
  if (missing) throw missing as Error;
}
