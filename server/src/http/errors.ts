import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import { ApiError } from './apiError.ts';

/** Errors of the body parser, which carries the status in `type`. */
const parserErrors: Record<string, 'malformed-json' | 'too-large'> = {
  'entity.parse.failed': 'malformed-json',
  'encoding.unsupported': 'malformed-json',
  'charset.unsupported': 'malformed-json',
  'request.aborted': 'malformed-json',
  'request.size.invalid': 'malformed-json',
  'entity.too.large': 'too-large',
};

function asApiError(error: unknown): ApiError | undefined {
  if (error instanceof ApiError) return error;
  if (error instanceof URIError) return new ApiError('not-found');
  const type = (error as { type?: string } | null)?.type;
  const code = type === undefined ? undefined : parserErrors[type];
  return code && new ApiError(code);
}

/** The last step of every request that went wrong: a sentence for the person, the rest for the log, never a stack trace out. */
export function answerErrors(logger: Logger): ErrorRequestHandler {
  return (error: unknown, request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const known = asApiError(error);
    if (!known) logger.error({ err: error, url: request.originalUrl }, 'request failed');
    const answer = known ?? new ApiError('internal');
    response.status(answer.status).json(answer.body);
  };
}
