import type { Answer, IssuedPaper } from '@katharos/contract';
import type { Van } from '@katharos/core';
import { api } from './api.ts';

/** What belongs to an open job: its photographs and papers, the van, the instruments; loaded with the pages that need it. */
export const jobApi = api.injectEndpoints({
  endpoints: (build) => ({
    photographs: build.query<Answer<'GET /jobs/:job/photographs'>, string>({
      query: (jobId) => `/jobs/${jobId}/photographs`,
      providesTags: ['Photographs'],
    }),
    papers: build.query<Answer<'GET /jobs/:job/papers'>, string>({
      query: (jobId) => `/jobs/${jobId}/papers`,
      providesTags: ['Papers'],
    }),
    paper: build.query<IssuedPaper, { jobId: string; id: string }>({
      query: ({ jobId, id }) => `/jobs/${jobId}/papers/${id}`,
    }),
    van: build.query<Van, void>({
      query: () => '/van',
      providesTags: ['Van'],
    }),
    instruments: build.query<Answer<'GET /instruments'>, void>({
      query: () => '/instruments',
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
