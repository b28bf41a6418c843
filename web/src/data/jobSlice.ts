import type { Job } from '@katharos/contract';
import type { JobDocument } from '@katharos/job';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** How the open job stands to the server's copy. */
export type SaveState =
  | { kind: 'saved' }
  | { kind: 'waiting' }
  | { kind: 'saving' }
  | { kind: 'offline' }
  | { kind: 'refused'; message: string }
  | { kind: 'conflict'; theirs: Job; paths: string[] };

/** The one job that is open for work. `base` is the document as the server last confirmed it. */
export interface OpenJob {
  id: string;
  number: number;
  version: number;
  base: JobDocument;
  document: JobDocument;
  past: JobDocument[];
  future: JobDocument[];
  save: SaveState;
  /** A remark to show once, such as that another's edits were taken in. */
  remark: string | null;
}

/** Steps that can be taken back. */
const deepest = 200;

const slice = createSlice({
  name: 'job',
  initialState: null as OpenJob | null,
  reducers: {
    /** A job comes from the server, with a draft that this browser still held, if any. */
    opened: (
      _state,
      { payload: { job, draft } }: PayloadAction<{ job: Job; draft?: JobDocument }>,
    ): OpenJob => ({
      id: job.id,
      number: job.number,
      version: job.version,
      base: job.document,
      document: draft ?? job.document,
      past: draft ? [job.document] : [],
      future: [],
      save: { kind: draft ? 'waiting' : 'saved' },
      remark: draft ? 'Changes that had not reached the server were brought back.' : null,
    }),
    closed: () => null,
    edited: (state, { payload }: PayloadAction<JobDocument>) => {
      if (!state) return;
      state.past = [...state.past, state.document].slice(-deepest);
      state.future = [];
      state.document = payload;
      if (state.save.kind !== 'conflict') state.save = { kind: 'waiting' };
    },
    undone: (state) => {
      const before = state?.past.at(-1);
      if (!state || !before) return;
      state.past.pop();
      state.future.push(state.document);
      state.document = before;
      if (state.save.kind !== 'conflict') state.save = { kind: 'waiting' };
    },
    redone: (state) => {
      const after = state?.future.at(-1);
      if (!state || !after) return;
      state.future.pop();
      state.past.push(state.document);
      state.document = after;
      if (state.save.kind !== 'conflict') state.save = { kind: 'waiting' };
    },
    saveStateChanged: (state, { payload }: PayloadAction<SaveState>) => {
      if (state) state.save = payload;
    },
    /** The server confirmed a document under a new version. */
    confirmed: (state, { payload }: PayloadAction<{ version: number; document: JobDocument }>) => {
      if (!state) return;
      state.version = payload.version;
      state.base = payload.document;
      state.save = { kind: 'saved' };
    },
    /** Another's version becomes the base; `document` is what is now worked on, and undo leads back to mine. */
    rebased: (
      state,
      {
        payload: { theirs, document, remark },
      }: PayloadAction<{ theirs: Job; document: JobDocument; remark: string }>,
    ) => {
      if (!state) return;
      state.past = [...state.past, state.document].slice(-deepest);
      state.future = [];
      state.version = theirs.version;
      state.base = theirs.document;
      state.document = document;
      state.save = { kind: 'waiting' };
      state.remark = remark;
    },
    remarkRead: (state) => {
      if (state) state.remark = null;
    },
  },
});

export const jobReducer = slice.reducer;
export const {
  opened,
  closed,
  edited,
  undone,
  redone,
  saveStateChanged,
  confirmed,
  rebased,
  remarkRead,
} = slice.actions;
