import { householdSideSchema } from '@katharos/contract';
import type { z } from 'zod';
import { api } from '../../../data/api.ts';

const householdApi = api.injectEndpoints({
  endpoints: (build) => ({
    householdSide: build.query<z.infer<typeof householdSideSchema>, string>({
      query: (jobId) => `/jobs/${jobId}/household`,
      responseSchema: householdSideSchema,
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
