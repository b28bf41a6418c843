import type { JobDocument } from '@katharos/job';
import { useSessionQuery } from '../../data/api.ts';
import { useAppDispatch } from '../../data/store.ts';
import { edited, type OpenJob } from '../../data/jobSlice.ts';
import { createContext, useCallback, useContext } from 'react';

/** The open job for the stages below its page. */
export const JobContext = createContext<OpenJob | null>(null);

/** The open job, a way to edit it, and a stamp of who and when for what is recorded. */
export function useJob() {
  const job = useContext(JobContext);
  if (!job) throw new Error('useJob is for the stages of an open job');
  const dispatch = useAppDispatch();
  const { data: session } = useSessionQuery();
  const { document } = job;
  /** Replaces sections of the document; the change is made on the newest state, so that two edits in a row both count. */
  const edit = useCallback(
    (change: (current: JobDocument) => Partial<JobDocument>) =>
      dispatch((send, getState) => {
        const current = getState().job?.document;
        if (current) send(edited({ ...current, ...change(current) }));
      }),
    [dispatch],
  );
  const stamp = useCallback(
    () => ({ at: new Date().toISOString(), by: session?.user.name ?? '' }),
    [session],
  );
  return { job, document, edit, stamp };
}
