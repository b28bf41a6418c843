import { type JobDocument, jobDocumentSchema } from '@katharos/job';
import { checkInput } from '@katharos/words';
import { ApiError } from '../http/apiError.ts';

/** What stands at a path of names joined by points. */
const at = (value: unknown, path: string): unknown =>
  path === ''
    ? value
    : path
        .split('.')
        .reduce<unknown>(
          (held, key) =>
            typeof held === 'object' && held !== null
              ? (held as Record<string, unknown>)[key]
              : undefined,
          value,
        );

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/**
 * A document as it may be stored: what was entered must be as the schema wants it; what stood there already stands, even if a range has
 * become tighter since; and fields that only a newer program knows are kept for it.
 * Errors: 'invalid-input' at the first field that was entered wrongly.
 */
export function acceptDocument(sent: JobDocument, stored: JobDocument): JobDocument {
  const checked = checkInput(jobDocumentSchema, sent);
  if (checked.ok) return checked.value;
  const faults = checked.faults.filter(
    ({ path, code }) => code !== 'unrecognized_keys' && !same(at(sent, path), at(stored, path)),
  );
  const [first] = faults;
  if (first)
    throw new ApiError('invalid-input', {
      path: `document.${first.path}`,
      message: first.sentence,
    });
  return sent;
}
