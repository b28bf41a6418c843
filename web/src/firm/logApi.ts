import type { Answer, AuditQuery } from '@katharos/contract';
import { api } from '../data/api.ts';

type Page = Answer<'GET /audit'>;

const logApi = api.injectEndpoints({
  endpoints: (build) => ({
    log: build.infiniteQuery<
      Page,
      Pick<AuditQuery, 'search' | 'kind'> & { job?: string },
      number | null
    >({
      infiniteQueryOptions: {
        initialPageParam: null,
        getNextPageParam: ({ next }) => next,
      },
      query: ({ queryArg: { job, search, kind }, pageParam }) => ({
        url: job ? `/jobs/${job}/history` : '/audit',
        params: {
          ...(search ? { search } : {}),
          ...(kind ? { kind } : {}),
          ...(pageParam === null ? {} : { before: String(pageParam) }),
        },
      }),
      keepUnusedDataFor: 0,
    }),
    checkLog: build.query<Answer<'GET /audit/check'>, void>({
      query: () => '/audit/check',
      keepUnusedDataFor: 0,
    }),
    // As one deed: as it was then, laid over what stands there now.
    bringBack: build.mutation<null, { job: string; version: number }>({
      queryFn: async ({ job, version }, _api, _options, ask) => {
        const [then, now] = await Promise.all([
          ask(`/jobs/${job}/versions/${version}`),
          ask(`/jobs/${job}`),
        ]);
        const failed = then.error ?? now.error;
        if (failed) return { error: failed };
        const { document } = then.data as Answer<'GET /jobs/:job/versions/:version'>;
        const { version: current } = now.data as Answer<'GET /jobs/:job'>;
        const body = { version: current, document };
        const saved = await ask({ url: `/jobs/${job}`, method: 'PUT', body });
        return saved.error ? { error: saved.error } : { data: null };
      },
      invalidatesTags: ['Job', 'Jobs', 'Board'],
    }),
  }),
});

export const { useLogInfiniteQuery, useLazyCheckLogQuery, useBringBackMutation } = logApi;
