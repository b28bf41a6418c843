import type { apiErrorSchema } from '@katharos/contract';
import type { z } from 'zod';
import { checkedAnswer, markOf } from '../checkedAnswer.ts';
import { fetchAndHear } from '../serverClock.ts';

/** What came of asking the server; what it answered is as the contract says. */
export type Called =
  | { kind: 'answered'; body: unknown; mark: string | null }
  /** It said no, for good: sending the same again would change nothing. */
  | { kind: 'refused'; status: number; code: string; path: string | null; message: string }
  /** The session is over. */
  | { kind: 'signed-out' }
  /** Nothing was heard of it; it may have been done. */
  | { kind: 'unreachable' }
  /** It took the request and did not answer in time; it may have been done. */
  | { kind: 'slow' }
  /** It answered that something is wrong with itself. */
  | { kind: 'fault'; retryAfterS: number | null };

/** Patience with one request, ms; a photograph on a thin line takes its time. */
const patience = { plain: 15_000, file: 120_000 } as const;

export interface Call {
  method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  address: string;
  body?: object | Blob;
  /** Under which the server does it once. */
  key?: string;
}

/** Asks the server one thing and says in one of six ways what came of it; never throws. */
export async function call({ method, address, body, key }: Call): Promise<Called> {
  const isFile = body instanceof Blob;
  const headers: Record<string, string> = {};
  if (key) headers['Idempotency-Key'] = key;
  if (body) {
    headers['Content-Type'] = isFile ? body.type || 'application/octet-stream' : 'application/json';
  }
  const signal = AbortSignal.timeout(isFile ? patience.file : patience.plain);
  try {
    const response = await fetchAndHear(`/api${address}`, {
      method,
      headers,
      signal,
      ...(body ? { body: isFile ? body : JSON.stringify(body) } : {}),
    });
    const text = await response.text();
    return await understood(response, text, { method, address });
  } catch {
    return { kind: signal.aborted ? 'slow' : 'unreachable' };
  }
}

async function understood(
  response: Response,
  text: string,
  asked: Pick<Call, 'method' | 'address'>,
): Promise<Called> {
  const { status } = response;
  if (status === 401) return { kind: 'signed-out' };
  if (status >= 500 || status === 429) {
    const after = Number(response.headers.get('retry-after'));
    return { kind: 'fault', retryAfterS: after > 0 ? after : null };
  }
  let body: unknown;
  try {
    body = text === '' ? null : JSON.parse(text);
  } catch {
    // Something between here and the server answered in its place.
    return { kind: 'unreachable' };
  }
  if (response.ok) {
    const mark = markOf(response.headers);
    return checkedAnswer({ ...asked, mark }, body).then(
      (checked): Called => ({ kind: 'answered', body: checked, mark }),
      (): Called => ({ kind: 'fault', retryAfterS: null }),
    );
  }
  const error = (body as z.infer<typeof apiErrorSchema> | null)?.error;
  if (!error) return { kind: 'fault', retryAfterS: null };
  return {
    kind: 'refused',
    status,
    code: error.code,
    path: error.path ?? null,
    message: error.message,
  };
}
