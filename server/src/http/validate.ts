import { checkInput } from '@katharos/words';
import { ApiError } from './apiError.ts';
import type { z } from 'zod';

/** Checks input against a schema; the first thing wrong is answered with its path and sentence. */
export function validate<S extends z.ZodType>(schema: S, input: unknown): z.output<S> {
  const checked = checkInput(schema, input);
  if (checked.ok) return checked.value;
  const { path, sentence } = checked.faults[0];
  throw new ApiError('invalid-input', { path, message: sentence });
}

const uuid = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/i;

/** An id from the address; one that is none is simply not found. */
export function idFrom(params: Record<string, string | string[] | undefined>, name = 'id'): string {
  const id = params[name];
  if (typeof id !== 'string' || !uuid.test(id)) throw new ApiError('not-found');
  return id;
}
