import {
  type Dimension,
  type Quantity,
  unitOf,
  type UnitSystem,
  unitSystems,
} from '@katharos/core';

/** How a person reads: in whose notation, units and money. */
export interface ReaderChoices {
  /** BCP 47. */
  locale: string;
  units: UnitSystem;
  /** ISO 4217. */
  currency: string;
}

/** How precisely a moment is told. */
export type Precision = 'date' | 'long-date' | 'time' | 'moment' | 'short-moment';

/** A value, and its unit apart, for where they are set in different sizes. */
export interface ApartFigure {
  text: string;
  symbol: string;
}

/**
 * Writes everything for one person: the one place that knows notation, units, money, dates, lists and plurals. Its functions stand on
 * their own and may be taken out of it; what it formats with is made once.
 */
export interface Reader extends ReaderChoices {
  /** A fixed count of decimals; a dash for what is not a number. */
  number: (value: number, decimals: number) => string;
  /** A fraction as a percentage. */
  percent: (fraction: number, decimals?: number) => string;
  /** A core value in the person's unit, with the unit behind it. */
  say: (dimension: Dimension, coreValue: number, decimals?: number) => string;
  apart: (dimension: Dimension, coreValue: number, decimals?: number) => ApartFigure;
  /** An entered quantity as it was entered. */
  entered: (dimension: Dimension, quantity: Quantity) => string;
  /** A duration: seconds under two minutes, minutes under two hours, then hours. */
  minutes: (minutes: number) => string;
  /** A tube as it is cut, rounded up to what a tape shows: whole centimetres or inches. */
  cut: (metres: number) => string;
  /** A hole, a pipe or a bit. */
  millimetres: (mm: number) => string;
  /** How many pieces, or how much by the metre. */
  pieces: (value: number, unit: 'piece' | 'm') => string;
  money: (amount: number, decimals?: number) => string;
  when: (at: string | number, precision: Precision) => string;
  /** "a, b and c". */
  list: (items: readonly string[]) => string;
  /** The form that goes with a count; the count itself is not written. */
  plural: (count: number, forms: { one: string; other: string }) => string;
  /** A name that stands by itself, as it is written within a sentence: "Feed valve" as "feed valve", but "TDS" as it is. */
  within: (name: string) => string;
}

const usual: ReaderChoices = { locale: 'en-GB', units: 'metric', currency: 'EUR' };

const metresPerInch = 0.0254;

const precisions: Record<Precision, Intl.DateTimeFormatOptions> = {
  date: { dateStyle: 'short' },
  'long-date': { day: 'numeric', month: 'long', year: 'numeric' },
  time: { hour: '2-digit', minute: '2-digit' },
  moment: { dateStyle: 'short', timeStyle: 'medium' },
  'short-moment': { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' },
};

/** A function whose answers are kept by what was asked. */
function kept<K extends string | number, V>(make: (key: K) => V): (key: K) => V {
  const made = new Map<K, V>();
  return (key) => {
    let value = made.get(key);
    if (value === undefined) made.set(key, (value = make(key)));
    return value;
  };
}

const readers = kept((key: string): Reader => {
  const [locale, units, currency] = JSON.parse(key) as [string, UnitSystem, string];
  return makeReader({ locale, units, currency });
});

/** The writer for a person; the same one for the same choices. */
export function readerOf(choices: Partial<ReaderChoices> = {}): Reader {
  const { locale, units, currency } = { ...usual, ...choices };
  return readers(JSON.stringify([locale, units, currency]));
}

function makeReader({ locale, units, currency }: ReaderChoices): Reader {
  const numbers = kept(
    (decimals: number) =>
      new Intl.NumberFormat(locale, {
        minimumFractionDigits: decimals,
        maximumFractionDigits: decimals,
      }),
  );
  const moneys = kept(
    (decimals: number) =>
      new Intl.NumberFormat(locale, {
        style: 'currency',
        currency,
        minimumFractionDigits: decimals,
        maximumFractionDigits: decimals,
      }),
  );
  const dates = kept(
    (precision: Precision) => new Intl.DateTimeFormat(locale, precisions[precision]),
  );
  const lists = new Intl.ListFormat(locale, { type: 'conjunction' });
  const plurals = new Intl.PluralRules(locale);

  const number = (value: number, decimals: number): string => {
    if (!Number.isFinite(value)) return '–';
    const rounded = Number(value.toFixed(decimals));
    return numbers(decimals).format(Object.is(rounded, -0) ? 0 : rounded);
  };
  const apart = (dimension: Dimension, coreValue: number, decimals?: number): ApartFigure => {
    const unit = unitOf(dimension, unitSystems[units][dimension]);
    const value = unit.fromCore(coreValue);
    // A small volume or flow keeps two figures; a whole-number unit would round it away.
    const places = decimals ?? (Math.abs(value) < 10 ? Math.max(unit.decimals, 1) : unit.decimals);
    return { text: number(value, places), symbol: unit.symbol };
  };
  return {
    locale,
    units,
    currency,
    number,
    percent: (fraction, decimals = 0) => `${number(fraction * 100, decimals)} %`,
    apart,
    say: (...figure) => {
      const { text, symbol } = apart(...figure);
      return symbol ? `${text} ${symbol}` : text;
    },
    entered: (dimension, { value, unit }) => {
      const { symbol } = unitOf(dimension, unit);
      return symbol ? `${value} ${symbol}` : String(value);
    },
    minutes: (minutes) => {
      if (!Number.isFinite(minutes)) return 'never';
      if (minutes < 2) return `${Math.round(minutes * 60)} s`;
      if (minutes < 120) return `${Math.round(minutes)} min`;
      const whole = Math.round(minutes / 5) * 5;
      const rest = whole % 60;
      return rest === 0 ? `${whole / 60} h` : `${Math.floor(whole / 60)} h ${rest} min`;
    },
    cut: (metres) =>
      units === 'us' ? `${Math.ceil(metres / metresPerInch)} in` : `${Math.ceil(metres * 100)} cm`,
    millimetres: (mm) =>
      units === 'us' ? `${number(mm / 1000 / metresPerInch, 2)} in` : `${number(mm, 0)} mm`,
    pieces: (value, unit) => (unit === 'm' ? `${value} m` : String(value)),
    money: (amount, decimals = 0) =>
      Number.isFinite(amount) ? moneys(decimals).format(amount) : '–',
    when: (at, precision) => dates(precision).format(new Date(at)),
    list: (items) => lists.format(items),
    plural: (count, forms) => (plurals.select(count) === 'one' ? forms.one : forms.other),
    within: (name) =>
      /^\p{Lu}\p{Ll}/u.test(name)
        ? name.slice(0, 1).toLocaleLowerCase(locale) + name.slice(1)
        : name,
  };
}
