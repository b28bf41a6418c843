import { checkInput } from '@katharos/words';
import type { z } from 'zod';

/** For a form: what its schema finds wrong, by field. */
export const faultsBy =
  (schema: z.ZodType) =>
  (values: unknown): Record<string, string> => {
    const checked = checkInput(schema, values);
    return checked.ok
      ? {}
      : Object.fromEntries(checked.faults.map(({ path, sentence }) => [path, sentence]));
  };
