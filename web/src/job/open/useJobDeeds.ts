import { useMemo } from 'react';
import type { KeptDeed } from '../../data/line/deeds.ts';
import { useWaitingDeeds } from '../../data/line/useWaitingDeeds.ts';
import { useJobId } from './useJob.ts';

/** What waits in this browser of the open job besides edits of its document. */
export function useJobDeeds(): readonly KeptDeed[] {
  const deeds = useWaitingDeeds(useJobId());
  return useMemo(() => deeds.filter(({ kind }) => kind !== 'document'), [deeds]);
}
