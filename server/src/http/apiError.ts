import { type ApiErrorBody, type ApiErrorCode, apiErrors } from '@katharos/contract';
import { apiErrorSentences } from '@katharos/words';

/** An answer that is not the one asked for, by its code in the catalogue of errors. */
export class ApiError extends Error {
  readonly code: ApiErrorCode;
  readonly path: string | undefined;

  constructor(code: ApiErrorCode, details: { path?: string; message?: string } = {}) {
    super(details.message ?? apiErrorSentences[code]);
    this.code = code;
    this.path = details.path;
  }

  get status(): number {
    return apiErrors[this.code];
  }

  get body(): ApiErrorBody {
    const { code, path, message } = this;
    return { error: { code, ...(path === undefined ? {} : { path }), message } };
  }
}
