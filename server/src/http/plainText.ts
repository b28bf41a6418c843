import type { RequestHandler } from 'express';
import { isPlainText as isPlain } from '@katharos/job';
import { ApiError } from './apiError.ts';

/** How deep an input may be nested: a job document goes to ten. */
const deepest = 40;

const refuse = (path: string, message: string): never => {
  throw new ApiError('invalid-input', { path, message });
};

/** Walks what came in, without recursion, and refuses at its field what no schema speaks of. */
function check(input: unknown): void {
  const open: { value: unknown; path: string; depth: number }[] = [
    { value: input, path: '', depth: 0 },
  ];
  for (let next = open.pop(); next; next = open.pop()) {
    const { value, path, depth } = next;
    if (typeof value === 'string' && !isPlain(value)) {
      refuse(
        path,
        'This holds characters that are no text. Type it anew, or paste it as plain text.',
      );
    }
    if (typeof value !== 'object' || value === null || Buffer.isBuffer(value)) continue;
    if (depth === deepest) refuse(path.slice(0, 200), 'This is nested too deep to be read.');
    for (const [key, inner] of Object.entries(value)) {
      const at = path === '' ? key : `${path}.${key}`;
      if (!isPlain(key)) refuse(path, 'A name in this holds characters that are no text.');
      open.push({ value: inner, path: at, depth: depth + 1 });
    }
  }
}

/** Refuses input that is no text, wherever it stands: in the address, in what is asked for, in what is sent. */
export const onlyPlainText: RequestHandler = (request, _response, next) => {
  let address: string;
  try {
    address = decodeURIComponent(request.path);
  } catch {
    throw new ApiError('not-found');
  }
  if (!isPlain(address)) throw new ApiError('not-found');
  check(request.query);
  check(request.body);
  next();
};
