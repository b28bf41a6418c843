import type { PhotographSubject } from '@katharos/job';
import { useAddPhotographMutation } from '../../data/jobApi.ts';
import { troubleOf } from '../../data/api.ts';
import { useJobId } from '../open/useJob.ts';
import { useState } from 'react';

/** Files that did not arrive, kept for another try, and why. */
export interface Unsent {
  files: File[];
  message: string;
}

/** Sends files one after the other and keeps what did not arrive. @param step of the work that they prove */
export function useSendPhotographs({ about, step }: { about: PhotographSubject; step?: string }) {
  const jobId = useJobId();
  const [add, { isLoading }] = useAddPhotographMutation();
  const [waiting, setWaiting] = useState<Unsent | null>(null);
  const send = async (files: File[]) => {
    setWaiting(null);
    for (const [i, file] of files.entries()) {
      const answer = await add({ jobId: jobId, about, file, ...(step ? { step } : {}) });
      if (answer.error) {
        setWaiting({
          files: files.slice(i),
          message: `${file.name}: ${troubleOf(answer.error).message}`,
        });
        return;
      }
    }
  };
  return { send, sending: isLoading, waiting };
}
