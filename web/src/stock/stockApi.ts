import type { Answer, FirmStock, moveStockSchema } from '@katharos/contract';
import type { StockPlace, StockPlaceKind } from '@katharos/core';
import { v4 as newId } from 'uuid';
import type { z } from 'zod';
import { api } from '../data/api.ts';

const stockApi = api.injectEndpoints({
  endpoints: (build) => ({
    stock: build.query<FirmStock, void>({
      query: () => '/stock',
      providesTags: ['Van'],
    }),
    needed: build.query<Answer<'GET /diary/needed'>, { today: string; days: number }>({
      query: (params) => ({ url: '/diary/needed', params }),
      providesTags: ['Van', 'Jobs'],
    }),
    moveStock: build.mutation<unknown, z.infer<typeof moveStockSchema>>({
      query: (body) => ({
        url: '/stock/moves',
        method: 'POST',
        body,
        headers: { 'Idempotency-Key': newId() },
      }),
      invalidatesTags: ['Van'],
    }),
    setMinimum: build.mutation<null, { placeId: string; partId: string; minimum: number }>({
      query: ({ placeId, partId, minimum }) => ({
        url: `/stock/${placeId}/parts/${encodeURIComponent(partId)}/minimum`,
        method: 'PUT',
        body: { minimum },
      }),
      invalidatesTags: ['Van'],
    }),
    addPlace: build.mutation<StockPlace, { kind: StockPlaceKind; name: string }>({
      query: (body) => ({
        url: '/stock/places',
        method: 'POST',
        body,
        headers: { 'Idempotency-Key': newId() },
      }),
      invalidatesTags: ['Van'],
    }),
    changePlace: build.mutation<null, { id: string; name: string; userId: string | null }>({
      query: ({ id, ...body }) => ({ url: `/stock/places/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Van'],
    }),
    removePlace: build.mutation<null, string>({
      query: (id) => ({ url: `/stock/places/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Van'],
    }),
  }),
});

export const {
  useStockQuery,
  useNeededQuery,
  useMoveStockMutation,
  useSetMinimumMutation,
  useAddPlaceMutation,
  useChangePlaceMutation,
  useRemovePlaceMutation,
} = stockApi;
