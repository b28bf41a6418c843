import type { Answer, Role } from '@katharos/contract';
import { api } from '../data/api.ts';

const peopleApi = api.injectEndpoints({
  endpoints: (build) => ({
    people: build.query<Answer<'GET /people'>, void>({
      query: () => '/people',
      keepUnusedDataFor: 0,
    }),
    invite: build.mutation<Answer<'POST /people/invitations'>, { name: string; role: Role }>({
      query: (body) => ({ url: '/people/invitations', method: 'POST', body }),
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
    makeReset: build.mutation<Answer<'POST /people/:person/reset'>, string>({
      query: (id) => ({ url: `/people/${id}/reset`, method: 'POST' }),
    }),
    endFactorOf: build.mutation<null, string>({
      query: (id) => ({ url: `/people/${id}/second-factor`, method: 'DELETE' }),
    }),
    factor: build.query<Answer<'GET /session/second-factor'>, void>({
      query: () => '/session/second-factor',
      keepUnusedDataFor: 0,
    }),
    beginFactor: build.mutation<Answer<'POST /session/second-factor'>, string>({
      query: (password) => ({ url: '/session/second-factor', method: 'POST', body: { password } }),
    }),
    proveFactor: build.mutation<Answer<'PUT /session/second-factor'>, string>({
      query: (code) => ({ url: '/session/second-factor', method: 'PUT', body: { code } }),
    }),
    endFactor: build.mutation<null, string>({
      query: (password) => ({
        url: '/session/second-factor/end',
        method: 'POST',
        body: { password },
      }),
    }),
    openSessions: build.query<Answer<'GET /session/all'>, void>({
      query: () => '/session/all',
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
