import { combineSlices, configureStore, createDynamicMiddleware } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { useDispatch, useSelector } from 'react-redux';
import type { OpenJob } from './jobSlice.ts';
import { lineReducer } from './line/lineSlice.ts';
import { readerReducer } from './readerSlice.ts';
import { api } from './api.ts';

/** What every page may need; the open job comes with the pages that open one. */
export const rootReducer = combineSlices({
  [api.reducerPath]: api.reducer,
  reader: readerReducer,
  line: lineReducer,
}).withLazyLoadedSlices<{ job: OpenJob | null }>();

/** Middleware that comes with the pages that need it. */
const later = createDynamicMiddleware();
export const addMiddleware = later.addMiddleware;

export const createStore = () =>
  configureStore({
    reducer: rootReducer,
    middleware: (usual) => usual().prepend(later.middleware).concat(api.middleware),
  });

export const store = createStore();
setupListeners(store.dispatch);

export type AppStore = typeof store;
export type RootState = ReturnType<typeof rootReducer>;
export type AppDispatch = typeof store.dispatch;
export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
