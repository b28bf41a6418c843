import type { JobDocument } from '@katharos/job';
import { serverNow } from '../../data/serverClock.ts';
import { api } from '../../data/api.ts';
import { edited, type OpenJob } from '../../data/jobSlice.ts';
import { type RootState, useAppDispatch, useAppSelector } from '../../data/store.ts';
import { useMemo } from 'react';

const selectSession = api.endpoints.session.select();

function openIn({ job }: RootState): OpenJob {
  if (!job) throw new Error('this is for the stages of an open job');
  return job;
}

/** What is asked of the open job; whoever asks is drawn again only when just that changes. */
export const useOpenJob = <T>(select: (job: OpenJob) => T): T =>
  useAppSelector((state) => select(openIn(state)));

export const useJobId = (): string => useOpenJob(({ id }) => id);

export const useDocument = (): JobDocument => useOpenJob(({ document }) => document);

/** A way to edit the open job, and a stamp of who and when for what is recorded; the same ones at every render. */
export function useEdit() {
  const dispatch = useAppDispatch();
  return useMemo(
    () => ({
      /**
       * Replaces sections of the document; the change is made on the newest state, so that two edits in a row both count. Edits `of` the
       * same thing that follow each other closely are one deed, taken back at once.
       */
      edit: (change: (current: JobDocument) => Partial<JobDocument>, of: string | null = null) =>
        dispatch((send, getState) => {
          const current = getState().job?.document;
          if (current) send(edited({ ...current, ...change(current) }, of));
        }),
      stamp: () =>
        dispatch((_send, getState) => ({
          at: new Date(serverNow()).toISOString(),
          by: selectSession(getState()).data?.user.name ?? '',
        })),
    }),
    [dispatch],
  );
}

/** The open job's number, its document and the ways to change it. */
export function useJob() {
  const jobId = useJobId();
  const document = useDocument();
  return { jobId, document, ...useEdit() };
}
