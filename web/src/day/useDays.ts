import type { Ageing, FeedWater, Household, Outcome, SystemDesign } from '@katharos/core';
import { type Remote, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { DaysWorker, LivedDays } from './days.worker.ts';

let remote: Remote<DaysWorker> | undefined;

/** One worker serves all; it is started when the first days are asked for. */
function daysWorker(): Remote<DaysWorker> {
  remote ??= wrap<DaysWorker>(
    new Worker(new URL('./days.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}

/** Sampled days of a household with a design in a water; the last ones stay until new ones are there. */
export function useDays(
  design: SystemDesign,
  water: FeedWater,
  ageing: Ageing,
  household: Household,
): Outcome<LivedDays> | null {
  const [lived, setLived] = useState<Outcome<LivedDays> | null>(null);
  useEffect(() => {
    let wanted = true;
    void daysWorker()
      .live(design, water, ageing, household)
      .then((days) => {
        if (wanted) setLived(days);
      });
    return () => {
      wanted = false;
    };
  }, [design, water, ageing, household]);
  return lived;
}
