import { useEffect, useState } from 'react';
import type { KeptDeed } from '../../data/line/deeds.ts';
import { deedsOf } from '../../data/line/keptStore.ts';
import { useAppSelector } from '../../data/store.ts';
import { useJobId } from './useJob.ts';

/** What waits in this browser of the open job besides edits of its document. */
export function useWaitingDeeds(): readonly KeptDeed[] {
  const jobId = useJobId();
  const counted = useAppSelector(({ line }) => line.waiting);
  const [deeds, setDeeds] = useState<readonly KeptDeed[]>([]);
  useEffect(() => {
    let current = true;
    void deedsOf(jobId)
      .then((found) => {
        if (current) setDeeds(found.filter(({ kind }) => kind !== 'document'));
      })
      .catch(() => undefined);
    return () => {
      current = false;
    };
  }, [jobId, counted]);
  return deeds;
}
