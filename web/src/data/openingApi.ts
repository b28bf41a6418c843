import type { catalogueSchema, Job } from '@katharos/contract';
import type { z } from 'zod';
import { api } from './api.ts';
import { lateSchema } from './lateSchema.ts';

const schemas = () => import('./openingSchemas.ts');

/** What a job's page cannot do without: asked for while the page's own code is still on its way. */
export const openingApi = api.injectEndpoints({
  endpoints: (build) => ({
    job: build.query<Job, string>({
      query: (id) => `/jobs/${id}`,
      responseSchema: lateSchema(async () => (await schemas()).jobSchema),
      providesTags: ['Job'],
    }),
    catalogue: build.query<z.infer<typeof catalogueSchema>, void>({
      query: () => '/catalogue',
      responseSchema: lateSchema(async () => (await schemas()).catalogueSchema),
      providesTags: ['Catalogue'],
    }),
  }),
});

export const { useJobQuery, useCatalogueQuery } = openingApi;
