import { diarySchema } from '@katharos/contract';
import type { z } from 'zod';
import { api } from '../data/api.ts';

const diaryApi = api.injectEndpoints({
  endpoints: (build) => ({
    diary: build.query<z.infer<typeof diarySchema>, { today: string; days: number }>({
      query: ({ today, days }) => `/diary?today=${today}&days=${days}`,
      responseSchema: diarySchema,
      providesTags: ['Jobs'],
    }),
  }),
});

export const { useDiaryQuery } = diaryApi;
