import type { Answer, apiErrorSchema, Session, Setup, Shelf } from '@katharos/contract';
import type { FirmSettings } from '@katharos/job';
import { createApi, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import type { z } from 'zod';
import { finishSignOut, forgetKept, forgetSignOut } from './endSession.ts';
import { keptQuery } from './keptQuery.ts';

/** What the server would say of a session that was ended here. */
const signedOut: FetchBaseQueryError = {
  status: 401,
  data: { error: { code: 'not-signed-in', message: 'Sign in first.' } },
};

/** What an answer to signing in makes of it, by whatever somebody signed in: a sign-out of before is not made up for any more. */
export function entered({
  data,
  error,
}: {
  data?: unknown;
  error?: FetchBaseQueryError | undefined;
}): { data: Session } | { error: FetchBaseQueryError } {
  if (error) return { error };
  forgetSignOut();
  return { data: data as Session };
}

/** What is asked for anew once somebody is in. */
export const newToWhoSignedIn = (session: Session | undefined) =>
  session ? (['Session', 'Jobs', 'Board', 'Job'] as const) : [];

type JobPage = Answer<'GET /jobs'>;

/**
 * The server's data that every page may need; what only an open job needs is added by `jobApi`. Every answer is checked against the
 * contract before anything shows it.
 */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: keptQuery,
  tagTypes: [
    'Session',
    'Jobs',
    'Board',
    'Job',
    'Meta',
    'Photographs',
    'Van',
    'Instruments',
    'Papers',
    'Catalogue',
  ],
  endpoints: (build) => ({
    meta: build.query<Answer<'GET /meta'>, void>({
      query: () => '/meta',
      providesTags: ['Meta'],
    }),
    session: build.query<Session, void>({
      queryFn: async (_nothing, _api, _options, ask) => {
        if ((await finishSignOut()) === 'signed-out') return { error: signedOut };
        const answer = await ask('/session');
        if (answer.error && troubleOf(answer.error).code === 'let-go') {
          await forgetKept();
        }
        if (answer.error) return { error: answer.error };
        return { data: answer.data as Session };
      },
      providesTags: ['Session'],
    }),
    signIn: build.mutation<Session, { email: string; password: string; code?: string }>({
      queryFn: async (body, _api, _options, ask) => {
        return entered(await ask({ url: '/session', method: 'POST', body }));
      },
      invalidatesTags: newToWhoSignedIn,
    }),
    proof: build.query<null, void>({
      query: () => '/session/proof',
      keepUnusedDataFor: 0,
    }),
    prove: build.mutation<null, string>({
      query: (password) => ({ url: '/session/proof', method: 'PUT', body: { password } }),
    }),
    askReset: build.mutation<null, { email: string }>({
      query: (body) => ({ url: '/reset', method: 'POST', body }),
    }),
    resetFace: build.query<Answer<'GET /reset/:token'>, string>({
      query: (token) => `/reset/${encodeURIComponent(token)}`,
      keepUnusedDataFor: 0,
    }),
    reset: build.mutation<null, { token: string; password: string }>({
      query: ({ token, ...body }) => ({
        url: `/reset/${encodeURIComponent(token)}`,
        method: 'PUT',
        body,
      }),
    }),
    invitation: build.query<Answer<'GET /join/:token'>, string>({
      query: (token) => `/join/${encodeURIComponent(token)}`,
      keepUnusedDataFor: 0,
    }),
    join: build.mutation<Session, { token: string; name: string; email: string; password: string }>(
      {
        query: ({ token, ...body }) => ({
          url: `/join/${encodeURIComponent(token)}`,
          method: 'POST',
          body,
        }),
        invalidatesTags: (result) => (result ? ['Session', 'Meta'] : []),
      },
    ),
    setUp: build.mutation<Session, Setup>({
      query: (body) => ({ url: '/setup', method: 'POST', body }),
      invalidatesTags: (result) => (result ? ['Session', 'Meta'] : []),
    }),
    saveSettings: build.mutation<FirmSettings, FirmSettings>({
      query: (body) => ({ url: '/firm/settings', method: 'PUT', body }),
      invalidatesTags: ['Session'],
    }),
    jobs: build.infiniteQuery<JobPage, { search: string; shelf: Shelf }, string | null>({
      infiniteQueryOptions: {
        initialPageParam: null,
        getNextPageParam: ({ next }) => next,
      },
      query: ({ queryArg, pageParam }) => ({
        url: '/jobs',
        params: pageParam === null ? queryArg : { ...queryArg, after: pageParam },
      }),
      providesTags: ['Jobs'],
    }),
    shelveJob: build.mutation<null, { id: string; shelf: Shelf }>({
      query: ({ id, shelf }) => ({ url: `/jobs/${id}`, method: 'PATCH', body: { shelf } }),
      invalidatesTags: ['Jobs', 'Board'],
    }),
    forgetPerson: build.mutation<null, { id: string; papers: 'kept' | 'removed' }>({
      query: ({ id, papers }) => ({
        url: `/jobs/${id}/person/forget`,
        method: 'POST',
        body: { papers },
      }),
      invalidatesTags: ['Jobs', 'Board', 'Job'],
    }),
    // With the key of the form or file: a request sent again begins no second job.
    addJob: build.mutation<Answer<'POST /jobs'>, { name: string; address: string; key: string }>({
      query: ({ key, ...body }) => ({
        url: '/jobs',
        method: 'POST',
        body,
        headers: { 'Idempotency-Key': key },
      }),
      invalidatesTags: ['Jobs', 'Board'],
    }),
    openJobFile: build.mutation<Answer<'POST /jobs'>, { content: unknown; key: string }>({
      query: ({ content, key }) => ({
        url: '/jobs/file',
        method: 'POST',
        body: content,
        headers: { 'Idempotency-Key': key },
      }),
      invalidatesTags: ['Jobs', 'Board'],
    }),
  }),
});

export const {
  useMetaQuery,
  useSessionQuery,
  useSignInMutation,
  useSetUpMutation,
  useLazyProofQuery,
  useProveMutation,
  useSaveSettingsMutation,
  useAskResetMutation,
  useResetFaceQuery,
  useResetMutation,
  useInvitationQuery,
  useJoinMutation,
  useJobsInfiniteQuery,
  useShelveJobMutation,
  useForgetPersonMutation,
  useAddJobMutation,
  useOpenJobFileMutation,
} = api;

/** What went wrong with a request, in a sentence, with the field it is about. */
export interface Trouble {
  code: string;
  path: string | undefined;
  message: string;
}

/** Reads RTK Query's error as the API's own; a request that never arrived has its own code. */
export function troubleOf(error: unknown): Trouble {
  const { status, data } = (error ?? {}) as { status?: unknown; data?: unknown };
  const body = data as z.infer<typeof apiErrorSchema> | undefined;
  if (typeof status === 'number' && body?.error) {
    return { code: body.error.code, path: body.error.path, message: body.error.message };
  }
  if (status === 'FETCH_ERROR' || status === 'TIMEOUT_ERROR') {
    return {
      code: 'offline',
      path: undefined,
      message: 'The server cannot be reached at the moment.',
    };
  }
  return { code: 'internal', path: undefined, message: 'The server’s answer could not be read.' };
}
