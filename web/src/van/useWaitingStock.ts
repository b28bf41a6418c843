import { useEffect, useState } from 'react';
import { vanLane } from '../data/line/deeds.ts';
import { deedsOf } from '../data/line/keptStore.ts';
import { useAppSelector } from '../data/store.ts';

/** Counts of the van that wait in this browser to be sent, by part. */
export function useWaitingStock(): ReadonlyMap<string, number> {
  const counted = useAppSelector(({ line }) => line.waiting);
  const [stock, setStock] = useState<ReadonlyMap<string, number>>(new Map());
  useEffect(() => {
    let current = true;
    void deedsOf(vanLane)
      .then((deeds) => {
        const counts = deeds.flatMap((deed) =>
          deed.kind === 'stock' ? [[deed.partId, deed.quantity] as const] : [],
        );
        if (current) setStock(new Map(counts));
      })
      .catch(() => undefined);
    return () => {
      current = false;
    };
  }, [counted]);
  return stock;
}
