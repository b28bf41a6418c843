import { diarySchema, feedSchema, newFeedSchema, recallSchema } from '@katharos/contract';
import type { z } from 'zod';
import { api } from '../data/api.ts';

const diaryApi = api.injectEndpoints({
  endpoints: (build) => ({
    diary: build.query<z.infer<typeof diarySchema>, { today: string; days: number }>({
      query: ({ today, days }) => `/diary?today=${today}&days=${days}`,
      responseSchema: diarySchema,
      providesTags: ['Jobs'],
    }),
    recall: build.query<z.infer<typeof recallSchema>, { part: string; batch: string }>({
      query: (params) => ({ url: '/diary/recall', params }),
      responseSchema: recallSchema,
      keepUnusedDataFor: 0,
    }),
    feed: build.query<z.infer<typeof feedSchema>, void>({
      query: () => '/diary/feed',
      responseSchema: feedSchema,
      keepUnusedDataFor: 0,
    }),
    makeFeed: build.mutation<z.infer<typeof newFeedSchema>, void>({
      query: () => ({ url: '/diary/feed', method: 'POST' }),
      responseSchema: newFeedSchema,
    }),
    endFeed: build.mutation<void, void>({
      query: () => ({ url: '/diary/feed', method: 'DELETE' }),
    }),
  }),
});

export const {
  useDiaryQuery,
  useEndFeedMutation,
  useFeedQuery,
  useRecallQuery,
  useMakeFeedMutation,
} = diaryApi;
