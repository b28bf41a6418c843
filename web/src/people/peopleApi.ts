import {
  begunFactorSchema,
  factorSchema,
  factorWordsSchema,
  invitedSchema,
  openSessionsSchema,
  peopleSchema,
  type Role,
} from '@katharos/contract';
import type { z } from 'zod';
import { api } from '../data/api.ts';

const peopleApi = api.injectEndpoints({
  endpoints: (build) => ({
    people: build.query<z.infer<typeof peopleSchema>, void>({
      query: () => '/people',
      responseSchema: peopleSchema,
      keepUnusedDataFor: 0,
    }),
    invite: build.mutation<z.infer<typeof invitedSchema>, { name: string; role: Role }>({
      query: (body) => ({ url: '/people/invitations', method: 'POST', body }),
      responseSchema: invitedSchema,
    }),
    withdraw: build.mutation<null, string>({
      query: (id) => ({ url: `/people/invitations/${id}`, method: 'DELETE' }),
    }),
    changeRole: build.mutation<null, { id: string; role: Role }>({
      query: ({ id, role }) => ({ url: `/people/${id}`, method: 'PATCH', body: { role } }),
      // It may have been one's own.
      invalidatesTags: ['Session'],
    }),
    removePerson: build.mutation<null, string>({
      query: (id) => ({ url: `/people/${id}`, method: 'DELETE' }),
    }),
    makeReset: build.mutation<z.infer<typeof invitedSchema>, string>({
      query: (id) => ({ url: `/people/${id}/reset`, method: 'POST' }),
      responseSchema: invitedSchema,
    }),
    endFactorOf: build.mutation<null, string>({
      query: (id) => ({ url: `/people/${id}/second-factor`, method: 'DELETE' }),
    }),
    factor: build.query<z.infer<typeof factorSchema>, void>({
      query: () => '/session/second-factor',
      responseSchema: factorSchema,
      keepUnusedDataFor: 0,
    }),
    beginFactor: build.mutation<z.infer<typeof begunFactorSchema>, string>({
      query: (password) => ({ url: '/session/second-factor', method: 'POST', body: { password } }),
      responseSchema: begunFactorSchema,
    }),
    proveFactor: build.mutation<z.infer<typeof factorWordsSchema>, string>({
      query: (code) => ({ url: '/session/second-factor', method: 'PUT', body: { code } }),
      responseSchema: factorWordsSchema,
    }),
    endFactor: build.mutation<null, string>({
      query: (password) => ({
        url: '/session/second-factor/end',
        method: 'POST',
        body: { password },
      }),
    }),
    openSessions: build.query<z.infer<typeof openSessionsSchema>, void>({
      query: () => '/session/all',
      responseSchema: openSessionsSchema,
      keepUnusedDataFor: 0,
    }),
    endSession: build.mutation<null, string>({
      query: (id) => ({ url: `/session/all/${id}`, method: 'DELETE' }),
    }),
    endOtherSessions: build.mutation<null, void>({
      query: () => ({ url: '/session/all', method: 'DELETE' }),
    }),
    changePassword: build.mutation<null, { current: string; next: string }>({
      query: (body) => ({ url: '/session/password', method: 'PUT', body }),
    }),
  }),
});

export const {
  useMakeResetMutation,
  useEndFactorOfMutation,
  useFactorQuery,
  useBeginFactorMutation,
  useProveFactorMutation,
  useEndFactorMutation,
  useChangePasswordMutation,
  useChangeRoleMutation,
  useEndOtherSessionsMutation,
  useEndSessionMutation,
  useInviteMutation,
  useOpenSessionsQuery,
  usePeopleQuery,
  useRemovePersonMutation,
  useWithdrawMutation,
} = peopleApi;
