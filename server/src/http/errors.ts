import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import {
  ConnectionAcquireTimeoutError,
  ConnectionError,
  DatabaseError,
  TimeoutError,
  UniqueConstraintError,
} from 'sequelize';
import { ApiError } from './apiError.ts';
import type { ApiErrorCode } from '@katharos/contract';

/** Errors of the body parser, which carries the status in `type`. */
const parserErrors: Record<string, ApiErrorCode> = {
  'entity.parse.failed': 'malformed-json',
  'encoding.unsupported': 'malformed-request',
  'charset.unsupported': 'malformed-request',
  'request.aborted': 'malformed-request',
  'request.size.invalid': 'malformed-request',
  'entity.too.large': 'too-large',
};

/** PostgreSQL's own codes for being stuck, stopped or short of something, not for a fault of ours. */
const stuck = /^(57014|55P03|40001|40P01|25P03|53\d{3}|57P0\d|08\w{3})$/;

/** Whether the database could not answer just now: worth another try in a moment. */
function isBusy(error: unknown): boolean {
  if (error instanceof ConnectionAcquireTimeoutError || error instanceof ConnectionError) {
    return true;
  }
  if (error instanceof TimeoutError) return true;
  // What the driver itself says of a connection that is made and gone at once, as a pooler makes it while the database starts anew.
  const { severity, code: said } = (error ?? {}) as { severity?: string; code?: string };
  if (severity === 'FATAL' && stuck.test(said ?? '')) return true;
  if (error instanceof DatabaseError) {
    const { code } = error.original as { code?: string };
    return (
      stuck.test(code ?? '') || /Connection terminated|not queryable/.test(error.original.message)
    );
  }
  return false;
}

function asApiError(error: unknown): ApiError | undefined {
  if (error instanceof ApiError) return error;
  if (error instanceof URIError) return new ApiError('not-found');
  if (isBusy(error)) return new ApiError('busy');
  if (error instanceof UniqueConstraintError) return new ApiError('key-reused');
  const { type, status } = (error ?? {}) as { type?: string; status?: number };
  const code = type === undefined ? undefined : parserErrors[type];
  if (code) return new ApiError(code);
  if (status === 404) return new ApiError('not-found');
  return status !== undefined && status >= 400 && status < 500
    ? new ApiError('malformed-request')
    : undefined;
}

/** What of an error goes to the log: where it came from, never what was in a statement or a document. */
export const withoutContent = (error: unknown): object => {
  if (!(error instanceof Error)) return { type: typeof error };
  const { name, message, stack, original } = error as Error & { original?: Error };
  const source = original && 'code' in original ? { code: original.code } : {};
  // A database's message quotes values; a frame quotes none.
  const said = original ? name : message;
  return { type: name, message: said, ...source, stack: stack?.replace(message, said) };
};

/** Seconds after which a busy server is worth another try. */
const retryAfterS = 2;

/** The last step of every request that went wrong: a sentence for the person, the rest for the log, never a stack trace out. */
export function answerErrors(logger: Logger): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const known = asApiError(error);
    if (!known || known.code === 'busy') {
      logger.error({ err: withoutContent(error), path: request.path }, 'request failed');
    }
    const answer = known ?? new ApiError('internal');
    if (answer.code === 'busy') response.setHeader('Retry-After', String(retryAfterS));
    response.status(answer.status).json(answer.body);
  };
}
