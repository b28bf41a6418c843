import { useMemo } from 'react';
import { vanLane } from '../data/line/deeds.ts';
import { useWaitingDeeds } from '../data/line/useWaitingDeeds.ts';

/** Counts of a place that wait in this browser to be sent, by part. @param mine place of a count that names none */
export function useWaitingStock(
  placeId: string | undefined,
  mine: string | undefined,
): ReadonlyMap<string, number> {
  const deeds = useWaitingDeeds(vanLane);
  return useMemo(
    () =>
      new Map(
        deeds.flatMap((deed) =>
          deed.kind === 'stock' && (deed.placeId ?? mine) === placeId
            ? [[deed.partId, deed.quantity] as const]
            : [],
        ),
      ),
    [deeds, placeId, mine],
  );
}
