import {
  catalogueSchema,
  type Job,
  jobSchema,
  type Photograph,
  photographListSchema,
  photographSchema,
  savedJobSchema,
  takingSchema,
  vanSchema,
} from '@katharos/contract';
import type { Taking, Van, VanLine } from '@katharos/core';
import type { JobDocument, PhotographSubject } from '@katharos/job';
import type { z } from 'zod';
import { api } from './api.ts';

/** One photograph of one job. */
interface PhotographKey {
  jobId: string;
  id: string;
}

/** The server's data of an open job, its photographs, the van and the catalogue; loaded with the pages that need it. */
export const jobApi = api.injectEndpoints({
  endpoints: (build) => ({
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
  useJobQuery,
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
} = jobApi;
