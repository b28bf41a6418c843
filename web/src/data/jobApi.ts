import {
  instrumentListSchema,
  type IssuedPaper,
  issuedPaperSchema,
  paperListSchema,
  photographListSchema,
  vanSchema,
} from '@katharos/contract';
import type { Van } from '@katharos/core';
import type { z } from 'zod';
import { api } from './api.ts';

/** What belongs to an open job: its photographs and papers, the van, the instruments; loaded with the pages that need it. */
export const jobApi = api.injectEndpoints({
  endpoints: (build) => ({
    photographs: build.query<z.infer<typeof photographListSchema>, string>({
      query: (jobId) => `/jobs/${jobId}/photographs`,
      responseSchema: photographListSchema,
      providesTags: ['Photographs'],
    }),
    papers: build.query<z.infer<typeof paperListSchema>, string>({
      query: (jobId) => `/jobs/${jobId}/papers`,
      responseSchema: paperListSchema,
      providesTags: ['Papers'],
    }),
    paper: build.query<IssuedPaper, { jobId: string; id: string }>({
      query: ({ jobId, id }) => `/jobs/${jobId}/papers/${id}`,
      responseSchema: issuedPaperSchema,
    }),
    van: build.query<Van, void>({
      query: () => '/van',
      responseSchema: vanSchema,
      providesTags: ['Van'],
    }),
    instruments: build.query<z.infer<typeof instrumentListSchema>, void>({
      query: () => '/instruments',
      responseSchema: instrumentListSchema,
      providesTags: ['Instruments'],
    }),
  }),
});

export const {
  useVanQuery,
  useInstrumentsQuery,
  usePhotographsQuery,
  usePapersQuery,
  usePaperQuery,
} = jobApi;
