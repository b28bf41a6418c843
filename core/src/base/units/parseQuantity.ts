import { type DecimalSign, plainly, readNumber } from './readNumber.ts';
import { type Dimension, type Quantity, type Unit, units } from './units.ts';

/** What typed text came to. */
export type Parsed =
  | {
      ok: true;
      quantity: Quantity;
      /** The other quantity that the text may mean, where it can be read in two ways. */
      otherwise: Quantity | null;
      /** Written as below this: "<0.05", what an instrument cannot see. */
      below: boolean;
    }
  | { ok: false; reason: 'empty' | 'no-number' | 'unknown-unit'; text: string };

/** A unit's spelling without what people add or leave out: blanks, brackets, degree signs, "as", a full stop at the end. */
const bare = (text: string): string =>
  plainly(text)
    .toLowerCase()
    .replace(/\bas\b/g, '')
    .replace(/[\s°º()]/g, '')
    .replace(/\.+$/, '');

/** Every spelling of a dimension's units; the first unit that claims one has it. */
const spelled = new Map<Dimension, Map<string, string>>();
function spellingsOf(dimension: Dimension): Map<string, string> {
  let found = spelled.get(dimension);
  if (!found) {
    found = new Map();
    const table = Object.entries(units[dimension] as Record<string, Unit>);
    // Names first: no other unit's loose spelling takes them.
    for (const [name] of table) found.set(bare(name), name);
    for (const [name, unit] of table) {
      for (const text of [unit.symbol, ...unit.spellings].map(bare)) {
        if (text !== '' && !found.has(text)) found.set(text, name);
      }
    }
    spelled.set(dimension, found);
  }
  return found;
}

/** Units that are written one behind the other, and how many of the second make one of the first. */
const compounds: Partial<Record<Dimension, readonly (readonly [string, string, number])[]>> = {
  length: [
    ['ft', 'in', 12],
    ['m', 'cm', 100],
  ],
  duration: [
    ['h', 'min', 60],
    ['min', 's', 60],
  ],
};

/** "2' 6"", "2 ft 6 1/2 in", "2 h 30 min": two figures of one length or duration, in the smaller unit. */
function compound(
  first: number,
  rest: string,
  dimension: Dimension,
  decimal: DecimalSign,
): Quantity | undefined {
  const split = /^([^\d.,]+?)\s*(\d.*)$/.exec(rest);
  if (!split || !Number.isInteger(first)) return undefined;
  const spellings = spellingsOf(dimension);
  const large = spellings.get(bare(split[1]!));
  const second = readNumber(split[2]!, decimal);
  if (!second) return undefined;
  for (const [one, other, count] of compounds[dimension] ?? []) {
    const isSmall = bare(second.rest) === '' || spellings.get(bare(second.rest)) === other;
    if (large === one && isSmall && second.value < count) {
      return { value: Math.abs(first) * count + second.value, unit: other };
    }
  }
  return undefined;
}

/**
 * Reads a quantity as a person writes it: "45 psi", "3,1bar", "62 °F", `30-1/2"`, `2' 6"`, "<0.05", "120 mg/l as CaCO3"; a bare number
 * takes the unit of the field. Where a text can be read in two ways ("1,200") both are given, first that of the reader's decimal sign.
 */
export function parseQuantity(
  text: string,
  dimension: Dimension,
  bareUnit: string,
  decimal: DecimalSign = '.',
): Parsed {
  const typed = plainly(text);
  if (typed === '') return { ok: false, reason: 'empty', text };
  const limit = /^[<≤] ?=? ?/.exec(typed)?.[0] ?? '';
  const number = readNumber(typed.slice(limit.length), decimal);
  if (!number) return { ok: false, reason: 'no-number', text };
  const { value, otherwise, rest } = number;
  const several = compound(value, rest, dimension, decimal);
  if (several) {
    return { ok: true, quantity: signed(several, typed), otherwise: null, below: limit !== '' };
  }
  const named = bare(rest);
  const unit = named === '' ? bareUnit : spellingsOf(dimension).get(named);
  if (unit === undefined) return { ok: false, reason: 'unknown-unit', text: rest.trim() };
  return {
    ok: true,
    quantity: { value, unit },
    otherwise: otherwise === null ? null : { value: otherwise, unit },
    below: limit !== '',
  };
}

const signed = ({ value, unit }: Quantity, typed: string): Quantity => ({
  value: typed.startsWith('-') ? -value : value,
  unit,
});
