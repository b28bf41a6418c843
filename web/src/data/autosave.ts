import type { Job } from '@katharos/contract';
import { type JobDocument, mergeDocuments, saysTheSame } from '@katharos/job';
import { type api, troubleOf } from './api.ts';
import { jobApi } from './jobApi.ts';
import { forgetLocal, readLocal, writeLocal } from './localStore.ts';
import {
  type OpenJob,
  closed,
  confirmed,
  edited,
  opened,
  rebased,
  redone,
  saveStateChanged,
  undone,
} from './jobSlice.ts';
import {
  createListenerMiddleware,
  isAnyOf,
  type ThunkDispatch,
  type UnknownAction,
} from '@reduxjs/toolkit';

/** Quiet time after the last edit before it is sent, ms. */
const settleMs = 400;
/** Time between tries while the server cannot be reached, ms. */
const retryMs = 4000;

/** Work that has not reached the server, kept in this browser until it has. */
export interface Draft {
  version: number;
  base: JobDocument;
  document: JobDocument;
}
const draftKey = (id: string) => `draft:${id}`;
export const readDraft = (id: string) => readLocal(draftKey(id)) as Draft | undefined;

/** The part of the store that saving knows. */
type RootState = { job: OpenJob | null } & {
  [K in typeof api.reducerPath]: ReturnType<typeof api.reducer>;
};
type AppDispatch = ThunkDispatch<RootState, unknown, UnknownAction>;

export const autosave = createListenerMiddleware();
const listen = autosave.startListening.withTypes<RootState, AppDispatch>();

listen({
  matcher: isAnyOf(edited, undone, redone, rebased, opened),
  effect: async (_action, listener) => {
    listener.cancelActiveListeners();
    const started = listener.getState().job;
    if (!started) return;
    if (saysTheSame(started.document, started.base)) {
      forgetLocal(draftKey(started.id));
      if (started.save.kind === 'waiting') listener.dispatch(saveStateChanged({ kind: 'saved' }));
      return;
    }
    const draft: Draft = {
      version: started.version,
      base: started.base,
      document: started.document,
    };
    writeLocal(draftKey(started.id), draft);
    if (started.save.kind === 'conflict') return;
    await listener.delay(settleMs);
    // From here the request is under way and must be followed to its answer, whatever is edited meanwhile.
    void sendUntilSettled(() => listener.getState(), listener.dispatch);
  },
});

let sending = false;

/** Sends the open job until the server has what is on screen; one request at a time. */
async function sendUntilSettled(getState: () => RootState, dispatch: AppDispatch): Promise<void> {
  if (sending) return;
  sending = true;
  try {
    for (;;) {
      const job = getState().job;
      if (!job || job.save.kind === 'conflict' || saysTheSame(job.document, job.base)) return;
      dispatch(saveStateChanged({ kind: 'saving' }));
      const { id, version, document } = job;
      const request = dispatch(jobApi.endpoints.saveJob.initiate({ id, version, document }));
      const answer = await request;
      request.reset();
      if (getState().job?.id !== id) {
        if (!answer.error) {
          forgetLocal(draftKey(id));
          dispatch(jobApi.util.updateQueryData('job', id, () => ({ ...answer.data, document })));
        }
        continue;
      }
      if (!answer.error) {
        dispatch(confirmed({ version: answer.data.version, document }));
        // Whoever leaves the job and comes back opens what was saved, not what was there when it was first opened.
        dispatch(jobApi.util.updateQueryData('job', id, () => ({ ...answer.data, document })));
        if (saysTheSame(getState().job!.document, document)) forgetLocal(draftKey(id));
        continue;
      }
      const trouble = troubleOf(answer.error);
      if (trouble.code === 'version-conflict') {
        await reconcile(id, getState, dispatch);
      } else if (trouble.code === 'offline' || trouble.code === 'internal') {
        dispatch(saveStateChanged({ kind: 'offline' }));
        await new Promise((resolve) => setTimeout(resolve, retryMs));
      } else {
        dispatch(saveStateChanged({ kind: 'refused', message: trouble.message }));
        return;
      }
    }
  } finally {
    sending = false;
  }
}

/** Someone else saved first: takes in what they changed, and asks only about fields that both changed. */
async function reconcile(
  id: string,
  getState: () => RootState,
  dispatch: AppDispatch,
): Promise<void> {
  const theirs = await fetchJob(id, dispatch);
  const job = getState().job;
  if (!theirs || !job || job.id !== id) {
    dispatch(saveStateChanged({ kind: 'offline' }));
    await new Promise((resolve) => setTimeout(resolve, retryMs));
    return;
  }
  const merged = mergeDocuments(job.base, job.document, theirs.document);
  if (merged.conflicts.length > 0) {
    dispatch(saveStateChanged({ kind: 'conflict', theirs, paths: merged.conflicts }));
    return;
  }
  const remark = `${theirs.updatedBy} changed this job in another window; both changes were kept.`;
  dispatch(rebased({ theirs, document: merged.document, remark }));
}

async function fetchJob(id: string, dispatch: AppDispatch): Promise<Job | undefined> {
  const request = dispatch(
    jobApi.endpoints.job.initiate(id, { forceRefetch: true, subscribe: false }),
  );
  return (await request).data;
}

/** Ends a conflict: theirs or mine for the fields both changed; all other edits of both are kept. */
export function settleConflict(choice: 'mine' | 'theirs') {
  return (dispatch: AppDispatch, getState: () => RootState): void => {
    const job = getState().job;
    if (job?.save.kind !== 'conflict') return;
    const { theirs } = job.save;
    const [first, second] =
      choice === 'mine' ? [job.document, theirs.document] : [theirs.document, job.document];
    const { document } = mergeDocuments(job.base, first, second);
    const remark =
      choice === 'mine'
        ? 'Your values were kept over the other window’s.'
        : 'The other window’s values were taken; undo brings yours back.';
    dispatch(rebased({ theirs, document, remark }));
  };
}

/** Opens a job from the server together with a draft that this browser may hold of it. */
export function openJob(job: Job) {
  return (dispatch: AppDispatch): void => {
    const draft = readDraft(job.id);
    if (!draft || saysTheSame(draft.document, job.document)) {
      forgetLocal(draftKey(job.id));
      dispatch(opened({ job }));
      return;
    }
    if (draft.version === job.version) {
      dispatch(opened({ job, draft: draft.document }));
      return;
    }
    // The draft was made on an older version: open it there, and let the version check bring the two together.
    dispatch(
      opened({
        job: { ...job, version: draft.version, document: draft.base },
        draft: draft.document,
      }),
    );
  };
}

/** Leaves the open job; anything not yet sent goes on being sent or stays as a draft. */
export const leaveJob = () => closed();
