import {
  diarySchema,
  feedSchema,
  fleetSchema,
  forecastSchema,
  lettersSchema,
  newFeedSchema,
  recallSchema,
  writtenSchema,
} from '@katharos/contract';
import type { Need } from '@katharos/job';
import { v4 as newId } from 'uuid';
import type { z } from 'zod';
import { api } from '../data/api.ts';

const diaryApi = api.injectEndpoints({
  endpoints: (build) => ({
    diary: build.query<z.infer<typeof diarySchema>, { today: string; days: number }>({
      query: ({ today, days }) => `/diary?today=${today}&days=${days}`,
      responseSchema: diarySchema,
      providesTags: ['Jobs'],
    }),
    fleet: build.query<
      z.infer<typeof fleetSchema>,
      { today: string; need: Need | ''; most: number }
    >({
      query: ({ today, need, most }) => ({
        url: '/diary/fleet',
        params: { today, most, ...(need ? { need } : {}) },
      }),
      responseSchema: fleetSchema,
      providesTags: ['Jobs'],
    }),
    forecast: build.query<z.infer<typeof forecastSchema>, { today: string; days: number }>({
      query: ({ today, days }) => `/diary/forecast?today=${today}&days=${days}`,
      responseSchema: forecastSchema,
      providesTags: ['Jobs'],
    }),
    letters: build.query<z.infer<typeof lettersSchema>, void>({
      query: () => '/diary/letters',
      responseSchema: lettersSchema,
      keepUnusedDataFor: 0,
    }),
    writeLetters: build.mutation<
      z.infer<typeof writtenSchema>,
      { jobIds: string[]; today: string }
    >({
      query: (body) => ({
        url: '/diary/letters',
        method: 'POST',
        body,
        headers: { 'Idempotency-Key': newId() },
      }),
      responseSchema: writtenSchema,
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
  useFleetQuery,
  useForecastQuery,
  useLettersQuery,
  useWriteLettersMutation,
  useRecallQuery,
  useMakeFeedMutation,
} = diaryApi;
