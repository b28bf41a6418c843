import type { Answer, ChainReport } from '@katharos/contract';
import type { Found } from '@katharos/core';
import { api } from '../data/api.ts';

/** What only the firm's page asks for. */
const firmApi = api.injectEndpoints({
  endpoints: (build) => ({
    chain: build.query<ChainReport, void>({
      query: () => '/certificates',
      // Checked whenever somebody looks: an answer of before says nothing of now.
      keepUnusedDataFor: 0,
    }),
    found: build.query<Found, void>({
      query: () => '/firm/found',
      transformResponse: ({ found }: Answer<'GET /firm/found'>) => found,
      keepUnusedDataFor: 0,
    }),
  }),
});

export const { useChainQuery, useFoundQuery } = firmApi;
