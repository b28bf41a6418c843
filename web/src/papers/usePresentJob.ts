import type { Job } from '@katharos/contract';
import { useEffect, useState } from 'react';
import { useJobQuery } from '../data/openingApi.ts';
import { deedsOf, keptJob } from '../data/line/keptStore.ts';
import { presentOf } from '../data/line/lanes.ts';

/** A job with what was done to it in this browser and is not sent yet: a paper shows what the page shows. */
export function usePresentJob(id: string): { job: Job | undefined; isMissing: boolean } {
  const { data, error } = useJobQuery(id, { refetchOnMountOrArgChange: true });
  const [present, setPresent] = useState<Job>();
  useEffect(() => {
    let current = true;
    const show = async () => {
      const [held, deeds] = await Promise.all([keptJob(id), deedsOf(id)]);
      if (!current) return;
      // Nothing waits here, or the server knows more: then it is as the server says.
      const newest =
        held && (!data || held.job.version >= data.version) ? held : data && { id, job: data };
      setPresent(newest && { ...newest.job, document: presentOf(newest, deeds) });
    };
    void show().catch(() => {
      if (current) setPresent(data);
    });
    return () => {
      current = false;
    };
  }, [id, data]);
  return { job: present, isMissing: error !== undefined && !present };
}
