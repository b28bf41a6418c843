import type { UnitSystem } from '@katharos/core';
import { readLocal, writeLocal } from './localStore.ts';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

const key = 'units';

const isSystem = (value: unknown): value is UnitSystem => value === 'metric' || value === 'us';

/** The units of this browser, where they differ from the firm's: null until someone switches. */
const initialState = (): { own: UnitSystem | null } => {
  const held = readLocal(key);
  return { own: isSystem(held) ? held : null };
};

const slice = createSlice({
  name: 'units',
  initialState,
  reducers: {
    unitsChosen: (state, action: PayloadAction<UnitSystem>) => {
      state.own = action.payload;
      writeLocal(key, action.payload);
    },
  },
});

export const unitsReducer = slice.reducer;
export const { unitsChosen } = slice.actions;
