import type { Answer, NewPrice } from '@katharos/contract';
import { api } from '../data/api.ts';

export interface PartChange {
  part: unknown;
  version: number | null;
}

const catalogueApi = api.injectEndpoints({
  endpoints: (build) => ({
    wholeCatalogue: build.query<Answer<'GET /catalogue/all'>, void>({
      query: () => '/catalogue/all',
      providesTags: ['Catalogue'],
    }),
    // With a key: changes that are sent again after a lost answer are done once.
    changeParts: build.mutation<unknown, { changes: readonly PartChange[]; key: string }>({
      query: ({ changes, key }) => ({
        url: '/catalogue/parts',
        method: 'PUT',
        body: { changes },
        headers: { 'Idempotency-Key': key },
      }),
      invalidatesTags: ['Catalogue'],
    }),
    retirePart: build.mutation<null, { id: string; retired: boolean }>({
      query: ({ id, retired }) => ({
        url: `/catalogue/parts/${encodeURIComponent(id)}`,
        method: 'PATCH',
        body: { retired },
      }),
      invalidatesTags: ['Catalogue'],
    }),
    partPrices: build.query<Answer<'GET /catalogue/parts/:part/prices'>, string>({
      query: (id) => `/catalogue/parts/${encodeURIComponent(id)}/prices`,
      keepUnusedDataFor: 0,
    }),
    notePrice: build.mutation<null, { id: string; price: NewPrice }>({
      query: ({ id, price }) => ({
        url: `/catalogue/parts/${encodeURIComponent(id)}/prices`,
        method: 'POST',
        body: price,
      }),
    }),
    dropPrice: build.mutation<null, { id: string; price: string }>({
      query: ({ id, price }) => ({
        url: `/catalogue/parts/${encodeURIComponent(id)}/prices/${price}`,
        method: 'DELETE',
      }),
    }),
  }),
});

export const {
  useWholeCatalogueQuery,
  useChangePartsMutation,
  useRetirePartMutation,
  usePartPricesQuery,
  useNotePriceMutation,
  useDropPriceMutation,
} = catalogueApi;
