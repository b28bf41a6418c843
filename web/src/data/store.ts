import { combineReducers, configureStore, createDynamicMiddleware } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { useDispatch, useSelector } from 'react-redux';
import { jobReducer } from './jobSlice.ts';
import { lineReducer } from './line/lineSlice.ts';
import { readerReducer } from './readerSlice.ts';
import { api } from './api.ts';

const reducer = combineReducers({
  [api.reducerPath]: api.reducer,
  job: jobReducer,
  reader: readerReducer,
  line: lineReducer,
});

/** Middleware that comes with the pages that need it. */
const later = createDynamicMiddleware();
export const addMiddleware = later.addMiddleware;

export const createStore = () =>
  configureStore({
    reducer,
    middleware: (usual) => usual().prepend(later.middleware).concat(api.middleware),
  });

export const store = createStore();
setupListeners(store.dispatch);

export type AppStore = typeof store;
export type RootState = ReturnType<typeof reducer>;
export type AppDispatch = typeof store.dispatch;
export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
