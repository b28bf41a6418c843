import { type Dimension, type Quantity, type Unit, units } from './units.ts';

/** What typed text came to. */
export type Parsed =
  | { ok: true; quantity: Quantity }
  | { ok: false; reason: 'empty' | 'no-number' | 'unknown-unit'; text: string };

const numberPattern = /^([+-]?\d+(?:[.,]\d+)?(?:e[+-]?\d+)?|[+-]?[.,]\d+)/i;
const mixedFraction = /^(\d+)\s+(\d+)\/(\d+)/;
const fraction = /^(\d+)\/(\d+)/;

/**
 * Reads a quantity as a person types it: "45 psi", "3,1bar", "62 °F", `1 1/2"`; a bare number takes the unit of the field.
 * A comma is a decimal comma unless it groups thousands ("1,200 ppm" beside three digits and no other sign is read as 1.2 thousand).
 */
export function parseQuantity(text: string, dimension: Dimension, bareUnit: string): Parsed {
  const typed = text.trim();
  if (typed === '') return { ok: false, reason: 'empty', text };
  const number = leadingNumber(typed);
  if (!number) return { ok: false, reason: 'no-number', text };
  const rest = typed
    .slice(number.length)
    .toLowerCase()
    .replace(/[\s°º₃()]/g, '');
  if (rest === '') return { ok: true, quantity: { value: number.value, unit: bareUnit } };
  const table = Object.entries(units[dimension] as Record<string, Unit>);
  const found =
    table.find(([name]) => name.toLowerCase().replace(/\s/g, '') === rest) ??
    table.find(([, unit]) => unit.spellings.includes(rest));
  if (!found) return { ok: false, reason: 'unknown-unit', text: typed.slice(number.length).trim() };
  return { ok: true, quantity: { value: number.value, unit: found[0] } };
}

function leadingNumber(typed: string): { value: number; length: number } | undefined {
  const mixed = mixedFraction.exec(typed);
  if (mixed && Number(mixed[3]) > 0) {
    return {
      value: Number(mixed[1]) + Number(mixed[2]) / Number(mixed[3]),
      length: mixed[0].length,
    };
  }
  const simple = fraction.exec(typed);
  if (simple && Number(simple[2]) > 0) {
    return { value: Number(simple[1]) / Number(simple[2]), length: simple[0].length };
  }
  const grouped = /^\d{1,3}(,\d{3})+(\.\d+)?/.exec(typed);
  if (grouped) return { value: Number(grouped[0].replaceAll(',', '')), length: grouped[0].length };
  const plain = numberPattern.exec(typed);
  if (!plain) return undefined;
  const value = Number(plain[0].replace(',', '.'));
  return Number.isFinite(value) ? { value, length: plain[0].length } : undefined;
}
