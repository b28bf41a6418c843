import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Lane } from './deeds.ts';

/** How the line to the server is, in words that differ in what a person can do about it. */
export type LineState =
  /** Everything that was done is sent, or on its way. */
  | { kind: 'open' }
  /** Not reached: no line, or no server behind it. */
  | { kind: 'unreachable'; since: string }
  /** Reached, and silent. */
  | { kind: 'slow'; since: string }
  /** Reached, and not well. */
  | { kind: 'fault'; since: string }
  /** The session is over: sign in again. */
  | { kind: 'signed-out' };

interface State {
  line: LineState;
  /** Deeds that wait to be sent, by lane. */
  waiting: Record<Lane, number>;
  /** The browser could not keep something: it is only on this page. */
  unkept: boolean;
  /** What the server did not want, to be told once. */
  refused: { kind: string; message: string } | null;
  /** A newer version of the application is there. */
  updated: boolean;
}

const initialState: State = {
  line: { kind: 'open' },
  waiting: {},
  unkept: false,
  refused: null,
  updated: false,
};

const slice = createSlice({
  name: 'line',
  initialState,
  reducers: {
    lineChanged: (state, { payload }: PayloadAction<LineState>) => {
      // Who has to sign in again has to, whatever becomes of the line meanwhile.
      if (state.line.kind === 'signed-out' && payload.kind !== 'open') return;
      // Since when it is so does not begin anew with every try.
      if ('since' in payload && 'since' in state.line)
        payload = { ...payload, since: state.line.since };
      state.line = payload;
    },
    waitingCounted: (state, { payload }: PayloadAction<Record<Lane, number>>) => {
      state.waiting = payload;
    },
    notKept: (state, { payload }: PayloadAction<boolean>) => {
      state.unkept = payload;
    },
    refusedFor: (state, { payload }: PayloadAction<{ kind: string; message: string } | null>) => {
      state.refused = payload && { kind: payload.kind, message: payload.message };
    },
    applicationUpdated: (state) => {
      state.updated = true;
    },
  },
});

export const lineReducer = slice.reducer;
export const { lineChanged, waitingCounted, notKept, refusedFor, applicationUpdated } =
  slice.actions;
