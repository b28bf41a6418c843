import {
  type apiErrorSchema,
  catalogueSchema,
  type Job,
  jobListSchema,
  jobSchema,
  metaSchema,
  type Photograph,
  photographListSchema,
  photographSchema,
  savedJobSchema,
  sessionSchema,
  type Setup,
  takingSchema,
  vanSchema,
} from '@katharos/contract';
import type { FirmSettings, JobDocument, PhotographSubject } from '@katharos/job';
import type { Taking, Van, VanLine } from '@katharos/core';
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import type { z } from 'zod';

/** One photograph of one job. */
interface PhotographKey {
  jobId: string;
  id: string;
}

/** The server's data. Every answer is checked against the contract before anything shows it. */
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
    addJob: build.mutation<Job, { name: string; address: string }>({
      query: (body) => ({ url: '/jobs', method: 'POST', body }),
      invalidatesTags: ['Jobs'],
    }),
    job: build.query<Job, string>({
      query: (id) => `/jobs/${id}`,
      responseSchema: jobSchema,
      providesTags: ['Job'],
    }),
    saveJob: build.mutation<
      z.infer<typeof savedJobSchema>,
      { id: string; version: number; document: JobDocument }
    >({
      query: ({ id, ...body }) => ({ url: `/jobs/${id}`, method: 'PUT', body }),
      responseSchema: savedJobSchema,
      invalidatesTags: ['Jobs'],
    }),
    openJobFile: build.mutation<Job, unknown>({
      query: (body) => ({ url: '/jobs/file', method: 'POST', body }),
      responseSchema: jobSchema,
      invalidatesTags: ['Jobs'],
    }),
    photographs: build.query<z.infer<typeof photographListSchema>, string>({
      query: (jobId) => `/jobs/${jobId}/photographs`,
      responseSchema: photographListSchema,
      providesTags: ['Photographs'],
    }),
    addPhotograph: build.mutation<
      Photograph,
      { jobId: string; about: PhotographSubject; step?: string; file: File }
    >({
      query: ({ jobId, about, step, file }) => ({
        url: `/jobs/${jobId}/photographs`,
        method: 'POST',
        params: step ? { about, step } : { about },
        body: file,
        headers: { 'Content-Type': file.type || 'application/octet-stream' },
      }),
      responseSchema: photographSchema,
      invalidatesTags: ['Photographs'],
    }),
    changePhotograph: build.mutation<
      null,
      PhotographKey & Partial<Pick<Photograph, 'about' | 'caption'>>
    >({
      query: ({ jobId, id, ...body }) => ({
        url: `/jobs/${jobId}/photographs/${id}`,
        method: 'PATCH',
        body,
      }),
      invalidatesTags: ['Photographs'],
    }),
    removePhotograph: build.mutation<null, PhotographKey>({
      query: ({ jobId, id }) => ({ url: `/jobs/${jobId}/photographs/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Photographs'],
    }),
    restorePhotograph: build.mutation<null, PhotographKey>({
      query: ({ jobId, id }) => ({
        url: `/jobs/${jobId}/photographs/${id}/restore`,
        method: 'POST',
      }),
      invalidatesTags: ['Photographs'],
    }),
    van: build.query<Van, void>({
      query: () => '/van',
      responseSchema: vanSchema,
      providesTags: ['Van'],
    }),
    setStock: build.mutation<null, VanLine>({
      query: ({ partId, quantity }) => ({
        url: `/van/stock/${partId}`,
        method: 'PUT',
        body: { quantity },
      }),
      invalidatesTags: ['Van'],
    }),
    takeFromVan: build.mutation<Taking, { jobId: string; lines: VanLine[] }>({
      query: ({ jobId, lines }) => ({
        url: `/van/takings/${jobId}`,
        method: 'POST',
        body: { lines },
      }),
      responseSchema: takingSchema,
      invalidatesTags: ['Van'],
    }),
    putBackIntoVan: build.mutation<null, string>({
      query: (jobId) => ({ url: `/van/takings/${jobId}`, method: 'DELETE' }),
      invalidatesTags: ['Van'],
    }),
    catalogue: build.query<z.infer<typeof catalogueSchema>, void>({
      query: () => '/catalogue',
      responseSchema: catalogueSchema,
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
  useJobQuery,
  useOpenJobFileMutation,
  useCatalogueQuery,
  useVanQuery,
  useSetStockMutation,
  useTakeFromVanMutation,
  usePutBackIntoVanMutation,
  usePhotographsQuery,
  useAddPhotographMutation,
  useChangePhotographMutation,
  useRemovePhotographMutation,
  useRestorePhotographMutation,
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
