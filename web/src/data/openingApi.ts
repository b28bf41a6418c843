import type { Answer, Job } from '@katharos/contract';
import { api } from './api.ts';

/** What a job's page cannot do without: asked for while the page's own code is still on its way. */
export const openingApi = api.injectEndpoints({
  endpoints: (build) => ({
    job: build.query<Job, string>({
      query: (id) => `/jobs/${id}`,
      providesTags: ['Job'],
    }),
    catalogue: build.query<Answer<'GET /catalogue'>, void>({
      query: () => '/catalogue',
      providesTags: ['Catalogue'],
    }),
  }),
});

export const { useJobQuery, useCatalogueQuery } = openingApi;
