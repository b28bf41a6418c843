import { useMemo } from 'react';
import { vanLane } from '../data/line/deeds.ts';
import { useWaitingDeeds } from '../data/line/useWaitingDeeds.ts';

/** Counts of the van that wait in this browser to be sent, by part. */
export function useWaitingStock(): ReadonlyMap<string, number> {
  const deeds = useWaitingDeeds(vanLane);
  return useMemo(
    () =>
      new Map(
        deeds.flatMap((deed) =>
          deed.kind === 'stock' ? [[deed.partId, deed.quantity] as const] : [],
        ),
      ),
    [deeds],
  );
}
