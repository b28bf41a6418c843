import { useEffect, useState } from 'react';
import { useAppSelector } from '../store.ts';
import type { KeptDeed, Lane } from './deeds.ts';
import { deedsOf } from './keptStore.ts';

const none: readonly KeptDeed[] = [];

/** What of a lane waits in this browser to be sent, in the order in which it was done. */
export function useWaitingDeeds(lane: Lane): readonly KeptDeed[] {
  const counted = useAppSelector(({ line }) => line.waiting);
  const [waiting, setWaiting] = useState(none);
  useEffect(() => {
    let current = true;
    void deedsOf(lane)
      .then((deeds) => {
        if (current) setWaiting(deeds.length > 0 ? deeds : none);
      })
      .catch(() => undefined);
    return () => {
      current = false;
    };
  }, [lane, counted]);
  return waiting;
}
