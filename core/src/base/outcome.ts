/**
 * What a computation can come to: a value, or a failure named by its physical meaning.
 * Programmers' mistakes throw; whatever a real water, part or reading can cause is returned.
 */
export type Outcome<T> = { ok: true; value: T } | { ok: false; failure: Failure };

/** The closed set of named failures. The sentence for each is made by the contract's word list. */
export const failureCodes = [
  'not-a-number',
  'out-of-range',
  'no-driving-pressure',
  'pressure-below-osmotic',
  'rating-impossible',
  'concentrate-too-strong',
  'shutoff-below-precharge',
  'tank-not-emptied',
  'source-below-rise',
  'existing-not-read',
  'no-product-to-the-tap',
  'water-not-in-equilibrium-range',
  'no-bracket',
  'iteration-limit',
] as const;

export type FailureCode = (typeof failureCodes)[number];

export interface Failure {
  code: FailureCode;
  /** Dotted path of the input that the failure is about, or the quantity being sought. */
  path: string;
  /** The numbers that a sentence about this failure needs. */
  data: Readonly<Record<string, number | string>>;
}

export const succeed = <T>(value: T): Outcome<T> => ({ ok: true, value });

export const fail = (
  code: FailureCode,
  path: string,
  data: Failure['data'] = {},
): { ok: false; failure: Failure } => ({ ok: false, failure: { code, path, data } });
