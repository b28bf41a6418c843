import {
  addedJobSchema,
  type apiErrorSchema,
  jobListSchema,
  metaSchema,
  sessionSchema,
  type Setup,
} from '@katharos/contract';
import type { FirmSettings } from '@katharos/job';
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type { z } from 'zod';

/**
 * The server's data that every page may need; what only an open job needs is added by `jobApi`. Every answer is checked against the
 * contract before anything shows it.
 */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: fetchBaseQuery({ baseUrl: '/api' }),
  tagTypes: ['Session', 'Jobs', 'Job', 'Meta', 'Photographs', 'Van'],
  endpoints: (build) => ({
    meta: build.query<z.infer<typeof metaSchema>, void>({
      query: () => '/meta',
      responseSchema: metaSchema,
      providesTags: ['Meta'],
    }),
    session: build.query<z.infer<typeof sessionSchema>, void>({
      query: () => '/session',
      responseSchema: sessionSchema,
      providesTags: ['Session'],
    }),
    signIn: build.mutation<z.infer<typeof sessionSchema>, { email: string; password: string }>({
      query: (body) => ({ url: '/session', method: 'POST', body }),
      invalidatesTags: (result) => (result ? ['Session', 'Jobs', 'Job'] : []),
    }),
    signOut: build.mutation<null, void>({
      query: () => ({ url: '/session', method: 'DELETE' }),
    }),
    setUp: build.mutation<z.infer<typeof sessionSchema>, Setup>({
      query: (body) => ({ url: '/setup', method: 'POST', body }),
      invalidatesTags: (result) => (result ? ['Session', 'Meta'] : []),
    }),
    saveSettings: build.mutation<FirmSettings, FirmSettings>({
      query: (body) => ({ url: '/firm/settings', method: 'PUT', body }),
      invalidatesTags: ['Session'],
    }),
    jobs: build.query<z.infer<typeof jobListSchema>, { search: string; limit: number }>({
      query: (params) => ({ url: '/jobs', params }),
      responseSchema: jobListSchema,
      providesTags: ['Jobs'],
    }),
    addJob: build.mutation<z.infer<typeof addedJobSchema>, { name: string; address: string }>({
      query: (body) => ({ url: '/jobs', method: 'POST', body }),
      responseSchema: addedJobSchema,
      invalidatesTags: ['Jobs'],
    }),
    openJobFile: build.mutation<z.infer<typeof addedJobSchema>, unknown>({
      query: (body) => ({ url: '/jobs/file', method: 'POST', body }),
      responseSchema: addedJobSchema,
      invalidatesTags: ['Jobs'],
    }),
  }),
});

export const {
  useMetaQuery,
  useSessionQuery,
  useSignInMutation,
  useSignOutMutation,
  useSetUpMutation,
  useSaveSettingsMutation,
  useJobsQuery,
  useAddJobMutation,
  useOpenJobFileMutation,
} = api;

/** What went wrong with a request, in a sentence, with the field it is about. */
export interface Trouble {
  code: string;
  path: string | undefined;
  message: string;
}

/** Reads RTK Query's error as the API's own; a request that never arrived has its own code. */
export function troubleOf(error: unknown): Trouble {
  const { status, data } = (error ?? {}) as { status?: unknown; data?: unknown };
  const body = data as z.infer<typeof apiErrorSchema> | undefined;
  if (typeof status === 'number' && body?.error) {
    return { code: body.error.code, path: body.error.path, message: body.error.message };
  }
  if (status === 'FETCH_ERROR' || status === 'TIMEOUT_ERROR') {
    return {
      code: 'offline',
      path: undefined,
      message: 'The server cannot be reached at the moment.',
    };
  }
  return { code: 'internal', path: undefined, message: 'The server’s answer could not be read.' };
}
