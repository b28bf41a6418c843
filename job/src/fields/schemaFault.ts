import type { FieldName } from './fields.ts';

/**
 * What a schema finds wrong where the general rules (too short, not a number) would not help. It stands in the place of Zod's message and
 * is worded for the reader by whoever shows it.
 */
export type SchemaFault =
  | 'customer-missing'
  | 'reason-missing'
  | 'no-job-file'
  | 'currency-form'
  | 'email-form'
  | 'curve-falls'
  | 'route-no-length'
  | 'password-missing'
  | 'passkey-name-missing'
  | 'password-short'
  | 'setup-code-missing'
  | 'firm-missing'
  | 'person-missing'
  | 'nothing-to-take'
  | 'instrument-name-missing'
  | 'full-scale-missing'
  | 'reference-missing'
  | 'supplier-missing'
  | 'place-unnamed'
  | 'same-place'
  | 'part-twice'
  | 'unprintable'
  | `unit:${FieldName}`
  | `outside:${FieldName}`;

/** For a schema's message, so that only what has words is put there. */
export const fault = (code: SchemaFault): SchemaFault => code;
