import type { boardSchema } from '@katharos/contract';
import type { z } from 'zod';
import { api } from './api.ts';
import { lateSchema } from './lateSchema.ts';

/** What waits for water: asked for behind the first picture, since it reads parts of documents. */
export const boardApi = api.injectEndpoints({
  endpoints: (build) => ({
    board: build.query<z.infer<typeof boardSchema>, void>({
      query: () => '/board',
      responseSchema: lateSchema(async () => (await import('./boardSchemas.ts')).boardSchema),
      providesTags: ['Board'],
    }),
  }),
});

export const { useBoardQuery } = boardApi;
