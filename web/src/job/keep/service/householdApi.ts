import type { Answer } from '@katharos/contract';
import { api } from '../../../data/api.ts';

const householdApi = api.injectEndpoints({
  endpoints: (build) => ({
    householdSide: build.query<Answer<'GET /jobs/:job/household'>, string>({
      query: (jobId) => `/jobs/${jobId}/household`,
      keepUnusedDataFor: 0,
    }),
    makePage: build.mutation<unknown, string>({
      query: (jobId) => ({ url: `/jobs/${jobId}/household`, method: 'POST' }),
    }),
    endPage: build.mutation<unknown, string>({
      query: (jobId) => ({ url: `/jobs/${jobId}/household`, method: 'DELETE' }),
    }),
  }),
});

export const { useEndPageMutation, useHouseholdSideQuery, useMakePageMutation } = householdApi;
