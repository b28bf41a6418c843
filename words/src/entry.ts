import {
  type Dimension,
  parseQuantity,
  type Quantity,
  type Range,
  toCore,
  unitOf,
  type UnitSystem,
  unitSystems,
} from '@katharos/core';
import type { EnteredQuantity } from '@katharos/job';
import type { Reader } from './reader.ts';

/** What a box on the page takes: of what, from where to where, and how it is written there. */
export interface Measure {
  dimension: Dimension;
  /** In the core's unit. */
  range: Range;
  /** The unit that a bare number has, where it is not the dimension's usual one: a pipe is typed in millimetres. */
  units?: Readonly<Record<UnitSystem, string>>;
  /** Things that are only counted whole. */
  whole?: boolean;
  /** What stands behind a number that has no unit of its own: people, a currency. */
  symbol?: string;
  /** Whether "less than" can be meant: an instrument's limit of detection. */
  below?: boolean;
  /** What to do where a value lies outside the range. */
  outside?: string;
}

/** What typed text came to, in a form that a person can be answered with. */
export type Entry =
  | { kind: 'empty' }
  | { kind: 'taken'; quantity: EnteredQuantity }
  | { kind: 'two-ways'; quantities: readonly [EnteredQuantity, EnteredQuantity] }
  | { kind: 'refused'; sentence: string };

/** The unit that a bare number has for this reader. */
export const unitFor = (
  { dimension, units }: Pick<Measure, 'dimension' | 'units'>,
  system: UnitSystem,
): string => (units ?? unitSystemsOf(dimension))[system];

const unitSystemsOf = (dimension: Dimension): Record<UnitSystem, string> => ({
  metric: unitSystems.metric[dimension],
  us: unitSystems.us[dimension],
});

/** What stands behind a number in a box, with the blank before it; an inch may be a mark of its own. */
const tail = ({ dimension, symbol }: Measure, unit: string): string => {
  const written = symbol ?? unitOf(dimension, unit).symbol;
  return written === '' ? '' : ` ${written}`;
};

/** A core value as it stands in a box: in the box's unit, without what nobody measures. */
export function writeEntry(measure: Measure, coreValue: number, reader: Reader): string {
  const unit = unitFor(measure, reader.units);
  const { fromCore, decimals } = unitOf(measure.dimension, unit);
  const value = fromCore(coreValue);
  const places = measure.whole ? 0 : Math.max(decimals, measure.symbol === undefined ? 1 : 3);
  return `${reader.plainNumber(Number(value.toFixed(places)))}${tail(measure, unit)}`;
}

/** Text without a symbol that the box wrote or a person added: "12,5 EUR", "€ 12.5", "2 people". */
function withoutSymbol(text: string, symbol: string | undefined): string {
  if (symbol === undefined) return text;
  const trimmed = text.replace(/\p{Sc}/gu, '').trim();
  return symbol !== '' && trimmed.toLowerCase().endsWith(symbol.toLowerCase())
    ? trimmed.slice(0, -symbol.length)
    : trimmed;
}

/** A plausible figure in the box's unit, from the middle of its range. */
const example = ({ dimension, range }: Measure, unit: string): number =>
  Number(
    unitOf(dimension, unit)
      .fromCore(Math.sqrt(Math.max(range.min, 0.5) * Math.max(range.max, 0.5)))
      .toPrecision(2),
  );

const isWithin = ({ dimension, range }: Measure, quantity: Quantity): boolean => {
  const value = toCore(dimension, quantity);
  const room = 1e-9 * Math.max(1, Math.abs(range.max));
  return value >= range.min - room && value <= range.max + room;
};

/**
 * Reads what was typed into a box. A text of two meanings of which only one is possible has that one; where both are, both are given.
 * What cannot be taken is refused in a sentence that says what to do.
 */
export function readEntry(
  measure: Measure,
  text: string,
  reader: Reader,
  unit = unitFor(measure, reader.units),
): Entry {
  const { dimension, symbol } = measure;
  const bare = withoutSymbol(text, symbol);
  const parsed = parseQuantity(bare, dimension, unit, reader.decimal);
  const written = tail(measure, unit);
  if (!parsed.ok) {
    if (parsed.reason === 'empty') return { kind: 'empty' };
    const sentence =
      parsed.reason === 'no-number'
        ? `Enter a number${written && `, such as "${reader.plainNumber(example(measure, unit))}${written}"`}.`
        : written
          ? `"${parsed.text}" is not a unit of this. Try${written}.`
          : `"${parsed.text}" is not understood. Enter a number alone.`;
    return { kind: 'refused', sentence };
  }
  if (parsed.below && !measure.below) {
    return {
      kind: 'refused',
      sentence: 'Enter the figure itself; "less than" says too little here.',
    };
  }
  const below = parsed.below ? ({ below: true } as const) : {};
  const { quantity, otherwise } = parsed;
  const isWhole = ({ value }: Quantity) => !measure.whole || Number.isInteger(value);
  const possible = [quantity, ...(otherwise ? [otherwise] : [])]
    .filter((one) => isWithin(measure, one) && isWhole(one))
    .map((one) => ({ ...one, ...below }));
  const [first, second] = possible;
  if (first && second) return { kind: 'two-ways', quantities: [first, second] };
  if (first) return { kind: 'taken', quantity: first };
  return { kind: 'refused', sentence: refusal(measure, quantity, unit, reader) };
}

function refusal(measure: Measure, quantity: Quantity, unit: string, reader: Reader): string {
  if (isWithin(measure, quantity)) return 'Only whole numbers count here.';
  const { min, max } = measure.range;
  const { fromCore } = unitOf(measure.dimension, unit);
  const figure = (value: number) => reader.plainNumber(Number(fromCore(value).toPrecision(4)));
  const span = `Between ${figure(min)} and ${figure(max)}${tail(measure, unit)}.`;
  return measure.outside ? `${span} ${measure.outside}` : span;
}

/** A quantity that was understood, as it is said back. */
export const sayEntry = (measure: Measure, quantity: EnteredQuantity, reader: Reader): string =>
  measure.symbol === undefined
    ? reader.entered(measure.dimension, quantity)
    : `${quantity.below ? '<' : ''}${reader.plainNumber(quantity.value)}${tail(measure, quantity.unit)}`;
