import { type ChainReport, chainReportSchema } from '@katharos/contract';
import { api } from '../data/api.ts';

const certificatesApi = api.injectEndpoints({
  endpoints: (build) => ({
    chain: build.query<ChainReport, void>({
      query: () => '/certificates',
      responseSchema: chainReportSchema,
      // Checked whenever somebody looks: an answer of before says nothing of now.
      keepUnusedDataFor: 0,
    }),
  }),
});

export const { useChainQuery } = certificatesApi;
