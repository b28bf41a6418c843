import type { Job } from '@katharos/contract';
import { applyPatches, diffDocuments, type Patch } from '@katharos/job';
import {
  createListenerMiddleware,
  isAnyOf,
  type ThunkDispatch,
  type UnknownAction,
} from '@reduxjs/toolkit';
import type { api } from './api.ts';
import {
  closed,
  done,
  edited,
  type OpenJob,
  opened,
  redone,
  remarked,
  type SaveState,
  synced,
  undone,
} from './jobSlice.ts';
import { type DeedKind, type Lane } from './line/deeds.ts';
import { keep } from './line/keep.ts';
import { changeLane, deedsOf, keptJob, type KeptJob } from './line/keptStore.ts';
import { presentOf, settled } from './line/lanes.ts';
import { type Message, onMessage, tellAll, tellOthers } from './line/messages.ts';
import { dropRefused, takeIn } from './line/sender.ts';

/** The part of the store that the open job knows. */
type RootState = { job?: OpenJob | null | undefined } & {
  [K in typeof api.reducerPath]: ReturnType<typeof api.reducer>;
};
type AppDispatch = ThunkDispatch<RootState, unknown, UnknownAction>;

export const openJobMiddleware = createListenerMiddleware();
const listen = openJobMiddleware.startListening.withTypes<RootState, AppDispatch>();

/** Edits of this window that are not in the store yet, by lane, and how many there ever were. */
const unstored = new Map<Lane, Patch[][]>();
let edits = 0;

listen({
  matcher: isAnyOf(edited, undone, redone),
  effect: (_action, listener) => {
    const [before, after] = [listener.getOriginalState().job, listener.getState().job];
    if (!before || !after || before.document === after.document) return;
    const patches = diffDocuments(before.document, after.document);
    if (patches.length > 0) void store(after.id, patches);
  },
});

async function store(lane: Lane, patches: Patch[]): Promise<void> {
  edits += 1;
  unstored.set(lane, [...(unstored.get(lane) ?? []), patches]);
  await keep(lane, { kind: 'document', patches });
  unstored.set(
    lane,
    (unstored.get(lane) ?? []).filter((one) => one !== patches),
  );
  tellOthers({ about: 'deed', lane });
}

const saveOf = ({ conflict, refusal }: KeptJob, waiting: number): SaveState => {
  if (conflict) return { kind: 'conflict', ...conflict };
  if (refusal) return { kind: 'refused', message: refusal.message, path: refusal.path };
  return { kind: waiting > 0 ? 'waiting' : 'saved' };
};

/** What is known of a job, with what waits over it; read until nothing was edited meanwhile. */
async function stateOf(id: string) {
  for (;;) {
    const before = edits;
    const held = await keptJob(id);
    const deeds = await deedsOf(id);
    if (before !== edits) continue;
    if (!held) return undefined;
    const own = (unstored.get(id) ?? []).flat();
    const { document } = applyPatches(presentOf(held, deeds), own);
    const isRefused = held.refusal && (deeds.at(-1)?.seq ?? 0) <= held.refusal.upTo;
    const { refusal: _refusal, ...rest } = held;
    const save = saveOf(isRefused ? held : rest, deeds.length + own.length);
    return { job: held.job, document, save, waiting: deeds.length };
  }
}

/** Opens a job as the server has it, with what this browser did to it and has not sent. */
export function openJob(job: Job) {
  return async (dispatch: AppDispatch): Promise<void> => {
    await takeIn(job).catch(() => undefined);
    const state = await stateOf(job.id).catch(() => undefined);
    if (!state) {
      dispatch(opened({ job, document: job.document, save: { kind: 'saved' } }));
      return;
    }
    dispatch(opened(state));
    if (state.waiting > 0) tellAll({ about: 'try' });
  };
}

/** Opens a job from this browser alone; says whether it holds one. */
export function openKeptJob(id: string) {
  return async (dispatch: AppDispatch): Promise<boolean> => {
    const state = await stateOf(id).catch(() => undefined);
    if (state) dispatch(opened(state));
    return state !== undefined;
  };
}

/** Brings the open job up to date with what became known of it. */
function syncOpenJob(id: string) {
  return async (dispatch: AppDispatch, getState: () => RootState): Promise<void> => {
    const state = await stateOf(id).catch(() => undefined);
    if (state && getState().job?.id === id) dispatch(synced(state));
  };
}

/** Hears what other windows, the server and the sender have to say of the open job. */
export function followOpenJob(dispatch: AppDispatch, getState: () => RootState): () => void {
  return onMessage((message: Message) => {
    const open = getState().job?.id;
    if ((message.about === 'deed' || message.about === 'lane') && message.lane === open) {
      void dispatch(syncOpenJob(open));
    }
  });
}

/** Ends a conflict: theirs or mine for what both changed; all other edits of both are kept. */
export function settleConflict(choice: 'mine' | 'theirs') {
  return async (dispatch: AppDispatch, getState: () => RootState): Promise<void> => {
    const id = getState().job?.id;
    if (!id) return;
    await changeLane(id, (held, deeds) => (held ? settled(held, deeds, choice) : {}));
    await dispatch(syncOpenJob(id));
    dispatch(
      remarked(
        choice === 'mine'
          ? 'Your values were kept over the other window’s.'
          : 'The other window’s values were taken.',
      ),
    );
    tellAll({ about: 'lane', lane: id });
    tellAll({ about: 'try' });
  };
}

/** Takes back what the server refused of the open job. */
export function takeRefusedBack() {
  return async (_dispatch: AppDispatch, getState: () => RootState): Promise<void> => {
    const id = getState().job?.id;
    if (id) await dropRefused(id);
  };
}

/** Does something to the open job besides editing its document, so that it can be taken back. */
export function doToJob(deed: DeedKind, undo?: Parameters<typeof done>[0]) {
  return async (dispatch: AppDispatch, getState: () => RootState): Promise<void> => {
    const id = getState().job?.id;
    if (!id) return;
    await keep(id, deed);
    if (undo) dispatch(done(undo));
  };
}

listen({
  matcher: isAnyOf(undone, redone),
  effect: (action, listener) => {
    const before = listener.getOriginalState().job;
    const id = listener.getState().job?.id;
    if (!before || !id) return;
    const step = undone.match(action) ? before.past.at(-1) : before.future.at(-1);
    if (step && 'undo' in step) void keep(id, undone.match(action) ? step.undo : step.redo);
  },
});

/** Leaves the open job; what is not sent yet goes on being sent. */
export const leaveJob = () => closed();
