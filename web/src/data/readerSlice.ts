import type { UnitSystem } from '@katharos/core';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { readLocal, writeLocal } from './localStore.ts';

/** How this browser's person wants things shown; kept here, not on the server. */
export interface ReaderState {
  /** Units, where they differ from the firm's: null until someone switches. */
  units: UnitSystem | null;
  /** Whether shortcuts of a single key are listened to. */
  singleKeys: boolean;
  /** Whether the waterline stands open on every stage. */
  waterlineOpen: boolean;
}

const isSystem = (value: unknown): value is UnitSystem => value === 'metric' || value === 'us';

/** Where each is kept. */
const keys = {
  units: 'units',
  singleKeys: 'single-keys',
  waterlineOpen: 'waterline-open',
} as const;

const initialState = (): ReaderState => {
  const units = readLocal(keys.units);
  return {
    units: isSystem(units) ? units : null,
    singleKeys: readLocal(keys.singleKeys) !== false,
    waterlineOpen: readLocal(keys.waterlineOpen) === true,
  };
};

const slice = createSlice({
  name: 'reader',
  initialState,
  reducers: {
    readerChanged: (state, { payload }: PayloadAction<Partial<ReaderState>>) => {
      Object.assign(state, payload);
      for (const [name, value] of Object.entries(payload)) {
        writeLocal(keys[name as keyof ReaderState], value);
      }
    },
  },
});

export const readerReducer = slice.reducer;
export const { readerChanged } = slice.actions;
