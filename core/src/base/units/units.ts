/**
 * Every unit that a person may type or read, by what it measures. Inside the core there is one set: bar gauge, L, L/h, degrees C,
 * m, mg/L. `toCore(value)` and `fromCore(value)` are each other's inverse.
 */
export interface Unit {
  /** What is written after a number. */
  symbol: string;
  toCore: (value: number) => number;
  fromCore: (value: number) => number;
  /** Decimals that a reading in this unit deserves. */
  decimals: number;
  /** Spellings that are understood when typed, lower case, without blanks and degree signs. */
  spellings: readonly string[];
}

const linear = (
  symbol: string,
  factor: number,
  decimals: number,
  ...spellings: string[]
): Unit => ({
  symbol,
  toCore: (value) => value * factor,
  fromCore: (value) => value / factor,
  decimals,
  spellings,
});

/** Litres in a US gallon (231 cubic inches, exactly). */
export const litresPerGallon = 3.785411784;
/** bar in a pound per square inch. */
export const barPerPsi = 0.0689475729;

export const units = {
  pressure: {
    bar: linear('bar', 1, 2, 'bar', 'bars'),
    psi: linear('psi', barPerPsi, 0, 'psi', 'lb', 'lbs', 'pounds', 'psig'),
    kPa: linear('kPa', 0.01, 0, 'kpa'),
  },
  temperature: {
    C: linear('°C', 1, 1, 'c', 'celsius'),
    F: {
      symbol: '°F',
      toCore: (value) => (value - 32) / 1.8,
      fromCore: (value) => value * 1.8 + 32,
      decimals: 0,
      spellings: ['f', 'fahrenheit'],
    },
  },
  tds: {
    'mg/L': linear('mg/L', 1, 0, 'mg/l', 'mgl', 'mg'),
    ppm: linear('ppm', 1, 0, 'ppm'),
    // The meter's scale turns conductivity at 25 C into dissolved solids; it must be known, so it is part of the unit.
    'uS/cm NaCl': linear(
      'µS/cm (NaCl 0.5)',
      0.5,
      0,
      'us/cm',
      'µs/cm',
      'μs/cm',
      'us',
      'µs',
      'μs',
      'us/cmnacl',
    ),
    'uS/cm KCl': linear('µS/cm (KCl 0.55)', 0.55, 0, 'us/cmkcl', 'µs/cmkcl'),
    'uS/cm 442': linear('µS/cm (442, 0.7)', 0.7, 0, 'us/cm442', 'µs/cm442', 'us442'),
    'mS/cm NaCl': linear('mS/cm (NaCl 0.5)', 500, 2, 'ms/cm', 'ms'),
  },
  dailyVolume: {
    'L/day': linear('L/day', 1, 0, 'l/day', 'l/d', 'lpd', 'l', 'litres', 'liters'),
    gpd: linear('gpd', litresPerGallon, 1, 'gpd', 'gal/day', 'gal/d', 'gal', 'gallons'),
    'L/h': linear('L/h', 24, 1, 'l/h', 'lph'),
  },
  flow: {
    'L/h': linear('L/h', 1, 1, 'l/h', 'lph'),
    'L/min': linear('L/min', 60, 2, 'l/min', 'lpm'),
    'mL/min': linear('mL/min', 0.06, 0, 'ml/min', 'mlmin', 'ml/m'),
    gpd: linear('gpd', litresPerGallon / 24, 1, 'gpd', 'gal/day'),
    gpm: linear('gpm', litresPerGallon * 60, 2, 'gpm', 'gal/min'),
  },
  /** At an open tap, L/min in the core. */
  tapFlow: {
    'L/min': linear('L/min', 1, 1, 'l/min', 'lpm'),
    gpm: linear('gal/min', litresPerGallon, 2, 'gpm', 'gal/min'),
  },
  volume: {
    L: linear('L', 1, 1, 'l', 'litre', 'litres', 'liter', 'liters'),
    mL: linear('mL', 0.001, 0, 'ml'),
    gal: linear('gal', litresPerGallon, 2, 'gal', 'gallon', 'gallons'),
  },
  hardness: {
    'mg/L CaCO3': linear('mg/L CaCO₃', 1, 0, 'mg/l', 'ppm', 'mg', 'mg/lcaco3'),
    gpg: linear('gpg', 17.118, 1, 'gpg', 'grains', 'gr/gal'),
    dH: linear('°dH', 17.848, 1, 'dh', 'gdh'),
    fH: linear('°fH', 10, 1, 'fh', 'tf'),
    'mmol/L': linear('mmol/L', 100.09, 2, 'mmol/l', 'mmol'),
  },
  concentration: {
    'mg/L': linear('mg/L', 1, 2, 'mg/l', 'ppm', 'mg'),
    'ug/L': linear('µg/L', 0.001, 0, 'ug/l', 'µg/l', 'μg/l', 'ppb', 'ug', 'µg'),
  },
  turbidity: { NTU: linear('NTU', 1, 1, 'ntu', 'fnu', 'ftu') },
  share: { '%': linear('%', 0.01, 0, '%', 'percent') },
  length: {
    m: linear('m', 1, 2, 'm', 'metre', 'metres', 'meter'),
    cm: linear('cm', 0.01, 0, 'cm'),
    mm: linear('mm', 0.001, 0, 'mm'),
    in: linear('in', 0.0254, 1, 'in', '"', 'inch', 'inches'),
    ft: linear('ft', 0.3048, 1, 'ft', "'", 'feet', 'foot'),
  },
  pH: { pH: linear('', 1, 1, 'ph', '') },
  count: { count: linear('', 1, 0, '') },
  duration: {
    min: linear('min', 1, 0, 'min', 'minutes'),
    h: linear('h', 60, 1, 'h', 'hours'),
    s: linear('s', 1 / 60, 0, 's', 'sec', 'seconds'),
  },
} as const satisfies Record<string, Record<string, Unit>>;

export type Dimension = keyof typeof units;

/** A number as it was entered, with the unit it was entered in. */
export interface Quantity {
  value: number;
  unit: string;
}

/** The unit by dimension and name; a name that the dimension does not have is a programmer's mistake. */
export function unitOf(dimension: Dimension, name: string): Unit {
  const unit = (units[dimension] as Record<string, Unit>)[name];
  if (!unit) throw new RangeError(`no unit ${name} of ${dimension}`);
  return unit;
}

/** Whether a dimension knows a unit by this name. */
export const hasUnit = (dimension: Dimension, name: string): boolean =>
  Object.hasOwn(units[dimension], name);

/** An entered quantity in the core's unit. */
export const toCore = (dimension: Dimension, quantity: Quantity): number =>
  unitOf(dimension, quantity.unit).toCore(quantity.value);

/** The two customary sets; a firm or a person picks one, and each dimension is shown in its unit. */
export const unitSystems = {
  metric: {
    pressure: 'bar',
    temperature: 'C',
    tds: 'mg/L',
    dailyVolume: 'L/day',
    flow: 'L/h',
    tapFlow: 'L/min',
    volume: 'L',
    hardness: 'mg/L CaCO3',
    concentration: 'mg/L',
    turbidity: 'NTU',
    share: '%',
    length: 'm',
    pH: 'pH',
    count: 'count',
    duration: 'min',
  },
  us: {
    pressure: 'psi',
    temperature: 'F',
    tds: 'ppm',
    dailyVolume: 'gpd',
    flow: 'gpd',
    tapFlow: 'gpm',
    volume: 'gal',
    hardness: 'gpg',
    concentration: 'mg/L',
    turbidity: 'NTU',
    share: '%',
    length: 'ft',
    pH: 'pH',
    count: 'count',
    duration: 'min',
  },
} as const satisfies Record<string, Record<Dimension, string>>;

export type UnitSystem = keyof typeof unitSystems;
