import type { Answer } from '@katharos/contract';
import { api } from './api.ts';

/** What waits for water: asked for behind the first picture, since it reads parts of documents. */
export const boardApi = api.injectEndpoints({
  endpoints: (build) => ({
    board: build.query<Answer<'GET /board'>, void>({
      query: () => '/board',
      providesTags: ['Board'],
    }),
  }),
});

export const { useBoardQuery } = boardApi;
