import type { Job } from '@katharos/contract';
import {
  applyOverOwn,
  diffDocuments,
  inverted,
  type JobDocument,
  joined,
  type Patch,
  saysTheSame,
} from '@katharos/job';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { DeedKind } from './line/deeds.ts';

/** How the open job stands to the server's copy. */
export type SaveState =
  | { kind: 'saved' }
  /** Kept in this browser, to be sent or on its way. */
  | { kind: 'waiting' }
  | { kind: 'refused'; message: string; path: string | null }
  | { kind: 'conflict'; theirs: Job; paths: string[] };

/** What besides the document can be taken back: photographs, takings from the van. */
export type Reversible = Exclude<DeedKind, { kind: 'document' | 'photograph' | 'paper' }>;

/** One deed of this window, as it can be taken back and done again. */
export type Step =
  | { patches: Patch[]; of: string | null; at: number }
  | { undo: Reversible; redo: Reversible };

/** The one job that is open for work. `base` is the document as the server last confirmed it. */
export interface OpenJob {
  id: string;
  number: number;
  version: number;
  base: JobDocument;
  document: JobDocument;
  past: Step[];
  future: Step[];
  save: SaveState;
  /** A remark to show once, such as that another's edits were taken in. */
  remark: string | null;
}

/** Deeds that can be taken back. */
const deepest = 200;
/** Edits of the same thing within this time of each other are one deed, ms. */
const togetherMs = 2000;

interface Edit {
  document: JobDocument;
  /** What is being done, where several edits are one deed: nudging a tank, writing a note. */
  of: string | null;
  at: number;
}

const waiting = (save: SaveState): SaveState =>
  save.kind === 'conflict' ? save : { kind: 'waiting' };

/** Takes a deed back, or does it again, as far as what it was made over still stands. */
function replay(state: OpenJob, patches: readonly Patch[]): void {
  const { document, left } = applyOverOwn(state.document, patches);
  if (left.length > 0) {
    state.remark =
      left.length === patches.length
        ? 'This was changed by somebody else since; it stands as they left it.'
        : 'Part of this was changed by somebody else since; that part stands as they left it.';
  }
  if (saysTheSame(document, state.document)) return;
  state.document = document;
  state.save = waiting(state.save);
}

const slice = createSlice({
  name: 'job',
  initialState: null as OpenJob | null,
  reducers: {
    /** A job is opened: as the server has it, and as it stands here. */
    opened: (
      _state,
      {
        payload: { job, document, save },
      }: PayloadAction<{ job: Job; document: JobDocument; save: SaveState }>,
    ): OpenJob => ({
      id: job.id,
      number: job.number,
      version: job.version,
      base: job.document,
      document,
      past: [],
      future: [],
      save,
      remark: null,
    }),
    closed: () => null,
    edited: {
      prepare: (document: JobDocument, of: string | null = null) => ({
        payload: { document, of, at: Date.now() },
      }),
      reducer: (state, { payload: { document, of, at } }: PayloadAction<Edit>) => {
        if (!state) return;
        const patches = diffDocuments(state.document, document);
        if (patches.length === 0) return;
        const last = state.past.at(-1);
        const goesOn =
          of !== null && last && 'of' in last && last.of === of && at - last.at < togetherMs;
        if (goesOn) {
          last.patches = joined(last.patches, patches);
          last.at = at;
        } else {
          state.past = [...state.past, { patches, of, at }].slice(-deepest);
        }
        state.future = [];
        state.document = document;
        state.save = waiting(state.save);
      },
    },
    /** Something besides the document was done. */
    done: (state, { payload }: PayloadAction<{ undo: Reversible; redo: Reversible }>) => {
      if (!state) return;
      state.past = [...state.past, payload].slice(-deepest);
      state.future = [];
    },
    undone: (state) => {
      const step = state?.past.pop();
      if (!state || !step) return;
      state.future.push(step);
      if ('patches' in step) replay(state, inverted(step.patches));
    },
    redone: (state) => {
      const step = state?.future.pop();
      if (!state || !step) return;
      state.past.push(step);
      if ('patches' in step) replay(state, step.patches);
    },
    /** What is known of the job changed: it was confirmed, refused, or others' work was taken in. */
    synced: (
      state,
      {
        payload: { job, document, save },
      }: PayloadAction<{ job: Job; document: JobDocument; save: SaveState }>,
    ) => {
      if (!state || state.id !== job.id) return;
      const isNew = !saysTheSame(document, state.document);
      if (isNew && job.version > state.version) {
        state.remark = `${job.updatedBy} changed this job in another window; both changes were kept.`;
      }
      state.version = job.version;
      state.base = job.document;
      if (isNew) state.document = document;
      state.save = save;
    },
    remarked: (state, { payload }: PayloadAction<string | null>) => {
      if (state) state.remark = payload;
    },
  },
});

export const jobReducer = slice.reducer;
export const { opened, closed, edited, done, undone, redone, synced, remarked } = slice.actions;
