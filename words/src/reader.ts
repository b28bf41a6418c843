import {
  type DecimalSign,
  type Dimension,
  type Quantity,
  type Unit,
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
  /** Of the clock times, IANA name; where this runs, where it is absent. */
  timeZone?: string | undefined;
}

/** How precisely a moment is told. */
export type Precision = 'date' | 'long-date' | 'month' | 'time' | 'moment' | 'short-moment';

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
  /** A core value in a unit of its own, where the person's usual one does not suit the thing. */
  sayIn: (dimension: Dimension, unit: string, coreValue: number) => string;
  /** An entered quantity as it was entered; what lies below an instrument's limit says so. */
  entered: (dimension: Dimension, quantity: Quantity & { below?: true | undefined }) => string;
  /** A number to be typed over: all its digits, and nothing between thousands. */
  plainNumber: (value: number) => string;
  /** What stands before decimals. */
  decimal: DecimalSign;
  /** A duration: seconds under two minutes, minutes under two hours, then hours. */
  minutes: (minutes: number) => string;
  /** A tube as it is cut, rounded up to what a tape shows: whole centimetres, or sixteenths of an inch. */
  cut: (metres: number) => string;
  /** A hole, a pipe or a bit: whole millimetres, or sixteenths of an inch, rounded up so that what passes a hole still does. */
  millimetres: (mm: number) => string;
  /** What something weighs, from kg. */
  weight: (kg: number) => string;
  /** What is poured out of a bottle, from mL: whole millilitres, or half fluid ounces. */
  bleach: (mL: number) => string;
  /** How many pieces, or how much by the metre. */
  pieces: (value: number, unit: 'piece' | 'm') => string;
  money: (amount: number, decimals?: number) => string;
  when: (at: string | number, precision: Precision) => string;
  /** How long ago a moment was: now, minutes, hours, days, months, years, each of them whole. What is still to come is now. */
  ago: (at: string | number, now: number) => string;
  /** A calendar day, which is the same everywhere; ISO 8601. */
  day: (date: string, precision?: 'date' | 'long-date' | 'month') => string;
  /** "a, b and c". */
  list: (items: readonly string[]) => string;
  /** The form that goes with a count; the count itself is not written. */
  plural: (count: number, forms: { one: string; other: string }) => string;
  /** A name that stands by itself, as it is written within a sentence: "Feed valve" as "feed valve", but "TDS" as it is. */
  within: (name: string) => string;
}

const usual: ReaderChoices = { locale: 'en-GB', units: 'metric', currency: 'EUR' };

const metresPerInch = 0.0254;
const kgPerPound = 0.45359237;
const metresPerFoot = 0.3048;
const mLPerFluidOunce = 29.5735;
const sixteenths = 16;
/** From this length on a tape is read to a quarter of an inch, m (8 ft). */
const longCutM = 2.4384;

/** A length in sixteenths of an inch as a tape reads: "17 5/16 in", "9/32" never. */
function inches(count: number): string {
  const whole = Math.floor(count / sixteenths);
  let [over, under] = [count % sixteenths, sixteenths];
  if (over === 0) return `${whole} in`;
  while (over % 2 === 0) [over, under] = [over / 2, under / 2];
  return whole === 0 ? `${over}/${under} in` : `${whole} ${over}/${under} in`;
}

const precisions: Record<Precision, Intl.DateTimeFormatOptions> = {
  date: { dateStyle: 'short' },
  'long-date': { day: 'numeric', month: 'long', year: 'numeric' },
  month: { month: 'short', year: 'numeric' },
  time: { hour: '2-digit', minute: '2-digit' },
  moment: { dateStyle: 'short', timeStyle: 'medium' },
  'short-moment': { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' },
};

/**
 * Decimals that a figure is told with. A small volume or flow keeps two figures, where a whole-number unit would round it away; of
 * thousands nobody reads tenths. What it is rounded to decides, so that a figure told and read back is told the same.
 */
function placesOf(value: number, { decimals }: Unit): number {
  const few = Math.max(decimals, 1);
  const rounded = (places: number) => Math.abs(Number(value.toFixed(places)));
  if (rounded(few) < 10) return few;
  return rounded(decimals) < 1000 ? decimals : 0;
}

/** Nobody measures a hundredth of a gallon: of a whole one tenths are told, of ten none. Undefined where the unit itself says. */
function toldDecimals(
  dimension: Dimension,
  coreValue: number,
  units: UnitSystem,
): number | undefined {
  if (dimension !== 'volume' || units !== 'us') return undefined;
  const gallons = Math.abs(unitOf('volume', 'gal').fromCore(coreValue));
  return gallons >= 10 ? 0 : gallons >= 0.95 ? 1 : undefined;
}

/** Units in which a past moment is told, the largest first, and their length, ms. */
const pastUnits = [
  ['year', 365.25 * 86400e3],
  ['month', (365.25 / 12) * 86400e3],
  ['day', 86400e3],
  ['hour', 3600e3],
  ['minute', 60e3],
] as const;

/** A function whose answers are kept by what was asked. */
function kept<K extends string | number, V>(make: (key: K) => V): (key: K) => V {
  const made = new Map<K, V>();
  return (key) => {
    let value = made.get(key);
    if (value === undefined) made.set(key, (value = make(key)));
    return value;
  };
}

function once<V>(make: () => V): () => V {
  const made = kept<string, V>(make);
  return () => made('');
}

const readers = kept((key: string): Reader => {
  const [locale, units, currency, timeZone] = JSON.parse(key) as [
    string,
    UnitSystem,
    string,
    string | null,
  ];
  return makeReader({ locale, units, currency, timeZone: timeZone ?? undefined });
});

/** The writer for a person; the same one for the same choices. */
export function readerOf(choices: Partial<ReaderChoices> = {}): Reader {
  const { locale, units, currency, timeZone } = { ...usual, ...choices };
  return readers(JSON.stringify([locale, units, currency, timeZone]));
}

function makeReader({ locale, units, currency, timeZone }: ReaderChoices): Reader {
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
    (precision: Precision) =>
      new Intl.DateTimeFormat(locale, { ...precisions[precision], timeZone }),
  );
  const days = kept(
    (precision: Precision) =>
      new Intl.DateTimeFormat(locale, { ...precisions[precision], timeZone: 'UTC' }),
  );
  // The first of a kind costs tens of milliseconds on a phone, so none is made before it is wanted.
  const lists = once(() => new Intl.ListFormat(locale, { type: 'conjunction' }));
  const plurals = once(() => new Intl.PluralRules(locale));
  const past = kept(
    (numeric: 'always' | 'auto') => new Intl.RelativeTimeFormat(locale, { numeric }),
  );

  const number = (value: number, decimals: number): string => {
    if (!Number.isFinite(value)) return '–';
    const rounded = Number(value.toFixed(decimals));
    return numbers(decimals).format(Object.is(rounded, -0) ? 0 : rounded);
  };
  const plain = once(
    () => new Intl.NumberFormat(locale, { useGrouping: false, maximumSignificantDigits: 15 }),
  );
  const plainNumber = (value: number): string => plain().format(value);
  const decimalSign = once(() => (/[,\u066b]/.test(numbers(1).format(0.5)) ? ',' : '.'));
  const apartIn = (unit: Unit, coreValue: number, decimals?: number): ApartFigure => {
    const value = unit.fromCore(coreValue);
    return { text: number(value, decimals ?? placesOf(value, unit)), symbol: unit.symbol };
  };
  const apart = (dimension: Dimension, ...figure: [coreValue: number, decimals?: number]) =>
    apartIn(unitOf(dimension, unitSystems[units][dimension]), ...figure);
  const joined = ({ text, symbol }: ApartFigure) => (symbol ? `${text} ${symbol}` : text);
  return {
    locale,
    units,
    currency,
    number,
    percent: (fraction, decimals = 0) => `${number(fraction * 100, decimals)} %`,
    apart,
    say: (dimension, coreValue, decimals) =>
      joined(apart(dimension, coreValue, decimals ?? toldDecimals(dimension, coreValue, units))),
    sayIn: (dimension, unit, coreValue) => joined(apartIn(unitOf(dimension, unit), coreValue)),
    entered: (dimension, { value, unit, below }) => {
      const { symbol } = unitOf(dimension, unit);
      const text = `${below ? '<' : ''}${plainNumber(value)}`;
      return symbol ? `${text} ${symbol}` : text;
    },
    plainNumber,
    get decimal() {
      return decimalSign();
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
      units === 'us'
        ? inches(
            metres > longCutM
              ? 4 * Math.ceil((metres / metresPerInch) * 4 - 1e-6)
              : Math.ceil((metres / metresPerInch) * sixteenths - 1e-6),
          )
        : `${Math.ceil(metres * 100)} cm`,
    millimetres: (mm) =>
      units === 'us'
        ? inches(Math.ceil((mm / 1000 / metresPerInch) * sixteenths - 0.1))
        : `${number(mm, 0)} mm`,
    weight: (kg) => (units === 'us' ? `${number(kg / kgPerPound, 0)} lb` : `${number(kg, 0)} kg`),
    pieces: (value, unit) =>
      unit !== 'm'
        ? String(value)
        : units === 'us'
          ? `${number(Math.ceil(value / metresPerFoot - 1e-6), 0)} ft`
          : `${value} m`,
    bleach: (mL) =>
      units === 'us'
        ? `${number(Math.max(Math.round((mL / mLPerFluidOunce) * 2) / 2, 0.5), 1)} fl oz`
        : `${number(Math.round(mL), 0)} mL`,
    money: (amount, decimals = 0) =>
      Number.isFinite(amount) ? moneys(decimals).format(amount) : '–',
    when: (at, precision) => dates(precision).format(new Date(at)),
    ago: (at, now) => {
      const passed = now - new Date(at).getTime();
      const [unit, length] = pastUnits.find(([, ms]) => passed >= ms) ?? [];
      return unit
        ? past('always').format(-Math.floor(passed / length), unit)
        : past('auto').format(0, 'second');
    },
    day: (date, precision = 'date') => days(precision).format(new Date(`${date}T12:00:00Z`)),
    list: (items) => lists().format(items),
    plural: (count, forms) => (plurals().select(count) === 'one' ? forms.one : forms.other),
    within: (name) =>
      /^\p{Lu}\p{Ll}/u.test(name)
        ? name.slice(0, 1).toLocaleLowerCase(locale) + name.slice(1)
        : name,
  };
}
