import {
  type BaseQueryFn,
  type FetchArgs,
  fetchBaseQuery,
  type FetchBaseQueryError,
} from '@reduxjs/toolkit/query/react';
import { checkedAnswer, markOf } from './checkedAnswer.ts';
import { keepAnswer, keptAnswer } from './line/keptStore.ts';
import { askForProof, wantsProof } from './proof.ts';
import { fetchAndHear } from './serverClock.ts';

/** Patience with one request, ms. */
const patienceMs = 15_000;
/** With something that was answered before, a silent server is not waited for so long. */
const shortPatienceMs = 6_000;

const ask = fetchBaseQuery({
  baseUrl: '/api',
  timeout: patienceMs,
  fetchFn: fetchAndHear,
});

/** Asks at once, and is done with it early once it is known that something was answered before. */
async function askFor(
  known: Promise<unknown>,
  args: string | FetchArgs,
  context: Parameters<Query>[1],
  options: object,
) {
  const { signal } = context;
  const early = new AbortController();
  const stop = () => early.abort(signal.reason);
  signal.addEventListener('abort', stop);
  const asking = ask(args, { ...context, signal: early.signal }, options);
  let patience: ReturnType<typeof setTimeout> | undefined;
  void known.then((kept) => {
    if (kept) patience = setTimeout(stop, shortPatienceMs);
  });
  const result = await asking;
  clearTimeout(patience);
  signal.removeEventListener('abort', stop);
  return result;
}

const addressOf = (args: string | FetchArgs): string => {
  if (typeof args === 'string') return args;
  const params = args.params as Record<string, string> | undefined;
  return params ? `${args.url}?${new URLSearchParams(params)}` : args.url;
};

const isQuestion = (args: string | FetchArgs) =>
  typeof args === 'string' || args.method === undefined || args.method === 'GET';

/** Whether the server's own answer did not come, be it for the line or for a proxy: what was asked for may have been done. */
export function isUnanswered(error: object): boolean {
  const status = 'status' in error ? error.status : undefined;
  return status === 'FETCH_ERROR' || status === 'TIMEOUT_ERROR' || status === 502 || status === 504;
}

type Query = BaseQueryFn<string | FetchArgs, unknown, FetchBaseQueryError>;

interface Came {
  body: unknown;
  /** Of the contract under which it came; null where it is not known. */
  mark: string | null;
}

/** What came, as the contract has it. */
const held = (args: string | FetchArgs, { body, mark }: Came): ReturnType<Query> => {
  const { url: address, method = 'GET' } = typeof args === 'string' ? { url: args } : args;
  return checkedAnswer({ method, address, mark }, body).then(
    (data) => ({ data }),
    (error: unknown) => ({ error: { status: 'CUSTOM_ERROR', error: String(error) } }),
  );
};

/**
 * Asks the server, holds its answer to the contract and keeps it, and where it cannot be asked gives what it said last. Where it wants
 * the password once more, the person is asked for it.
 */
export const keptQuery: Query = async (args, context, options) => {
  const answer = await askOrRemember(args, context, options);
  const isAgain = answer.error && wantsProof(answer.error) && (await askForProof());
  return isAgain ? askOrRemember(args, context, options) : answer;
};

const askOrRemember: Query = async (args, context, options) => {
  const address = addressOf(args);
  const known = isQuestion(args) ? keptAnswer(address).catch(() => undefined) : undefined;
  const {
    error,
    data: body,
    meta,
  } = known ? await askFor(known, args, context, options) : await ask(args, context, options);
  if (error) {
    const kept = isUnanswered(error) ? await known : undefined;
    return kept ? held(args, { body: kept.body, mark: kept.mark ?? null }) : { error };
  }
  const mark = meta?.response ? markOf(meta.response.headers) : null;
  const answer = await held(args, { body, mark });
  if (known && !answer.error && answer.data !== undefined) {
    void keepAnswer(address, { body: answer.data, mark }).catch(() => undefined);
  }
  return answer;
};
