import { fail, type Outcome, succeed } from './outcome.ts';

/** A physical range: what a value may be, both ends included. */
export interface Range {
  min: number;
  max: number;
}

/** Checks one number at the entry of a solver: which argument, what was expected, what came. */
export function guardRange(path: string, value: number, range: Range): Outcome<number> {
  if (typeof value !== 'number' || !Number.isFinite(value)) {
    return fail('not-a-number', path, { got: String(value) });
  }
  if (value < range.min || value > range.max) {
    return fail('out-of-range', path, { got: value, min: range.min, max: range.max });
  }
  return succeed(value);
}

/** Checks several numbers in order and returns the first failure, or nothing. */
export function firstOutOfRange(
  checks: readonly (readonly [path: string, value: number, range: Range])[],
): Extract<Outcome<never>, { ok: false }> | undefined {
  for (const [path, value, range] of checks) {
    const checked = guardRange(path, value, range);
    if (!checked.ok) return checked;
  }
  return undefined;
}
