import type { Answer } from '@katharos/contract';
import type { Need } from '@katharos/job';
import { v4 as newId } from 'uuid';
import { api } from '../data/api.ts';

const diaryApi = api.injectEndpoints({
  endpoints: (build) => ({
    diary: build.query<Answer<'GET /diary'>, { today: string; days: number }>({
      query: ({ today, days }) => `/diary?today=${today}&days=${days}`,
      providesTags: ['Jobs'],
    }),
    fleet: build.query<
      Answer<'GET /diary/fleet'>,
      { today: string; need: Need | ''; most: number }
    >({
      query: ({ today, need, most }) => ({
        url: '/diary/fleet',
        params: { today, most, ...(need ? { need } : {}) },
      }),
      providesTags: ['Jobs'],
    }),
    forecast: build.query<Answer<'GET /diary/forecast'>, { today: string; days: number }>({
      query: ({ today, days }) => `/diary/forecast?today=${today}&days=${days}`,
      providesTags: ['Jobs'],
    }),
    letters: build.query<Answer<'GET /diary/letters'>, void>({
      query: () => '/diary/letters',
      keepUnusedDataFor: 0,
    }),
    writeLetters: build.mutation<
      Answer<'POST /diary/letters'>,
      { jobIds: string[]; today: string }
    >({
      query: (body) => ({
        url: '/diary/letters',
        method: 'POST',
        body,
        headers: { 'Idempotency-Key': newId() },
      }),
    }),
    recall: build.query<Answer<'GET /diary/recall'>, { part: string; batch: string }>({
      query: (params) => ({ url: '/diary/recall', params }),
      keepUnusedDataFor: 0,
    }),
    feed: build.query<Answer<'GET /diary/feed'>, void>({
      query: () => '/diary/feed',
      keepUnusedDataFor: 0,
    }),
    makeFeed: build.mutation<Answer<'POST /diary/feed'>, void>({
      query: () => ({ url: '/diary/feed', method: 'POST' }),
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
