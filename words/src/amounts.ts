import {
  type Dimension,
  type Quantity,
  unitOf,
  type UnitSystem,
  unitSystems,
} from '@katharos/core';

/** Writes a core value in the reader's unit, with the unit behind it. */
export type Say = (dimension: Dimension, coreValue: number, decimals?: number) => string;

/** A number with a fixed count of decimals in the reader's notation; a dash for what is not a number. */
export function writeNumber(value: number, decimals: number, locale = 'en-GB'): string {
  if (!Number.isFinite(value)) return '–';
  const rounded = Number(value.toFixed(decimals));
  return (Object.is(rounded, -0) ? 0 : rounded).toLocaleString(locale, {
    minimumFractionDigits: decimals,
    maximumFractionDigits: decimals,
  });
}

/** Value and unit of a core figure for a reader, apart, for where they are set in different sizes. */
export function inUnits(
  system: UnitSystem,
  dimension: Dimension,
  coreValue: number,
  decimals?: number,
) {
  const unit = unitOf(dimension, unitSystems[system][dimension]);
  const value = unit.fromCore(coreValue);
  // A small volume or flow keeps two figures; a whole-number unit would round it away.
  const places = decimals ?? (Math.abs(value) < 10 ? Math.max(unit.decimals, 1) : unit.decimals);
  return { text: writeNumber(value, places), symbol: unit.symbol };
}

/** A writer for one reader's units. */
export const sayIn =
  (system: UnitSystem): Say =>
  (dimension, coreValue, decimals) => {
    const { text, symbol } = inUnits(system, dimension, coreValue, decimals);
    return symbol ? `${text} ${symbol}` : text;
  };

/** An entered quantity as it was entered. */
export function writeEntered(dimension: Dimension, quantity: Quantity): string {
  const { symbol } = unitOf(dimension, quantity.unit);
  return symbol ? `${quantity.value} ${symbol}` : String(quantity.value);
}

/** A duration for people: seconds under two minutes, minutes under two hours, then hours. */
export function writeMinutes(minutes: number): string {
  if (!Number.isFinite(minutes)) return 'never';
  if (minutes < 2) return `${Math.round(minutes * 60)} s`;
  if (minutes < 120) return `${Math.round(minutes)} min`;
  const whole = Math.round(minutes / 5) * 5;
  const rest = whole % 60;
  return rest === 0 ? `${whole / 60} h` : `${Math.floor(whole / 60)} h ${rest} min`;
}

/** A fraction as a percentage. */
export const writePercent = (fraction: number, decimals = 0): string =>
  `${writeNumber(fraction * 100, decimals)} %`;

const metresPerInch = 0.0254;

/** A tube as it is cut, rounded up to what a tape shows: whole centimetres or inches. */
export const writeCut = (system: UnitSystem, metres: number): string =>
  system === 'us' ? `${Math.ceil(metres / metresPerInch)} in` : `${Math.ceil(metres * 100)} cm`;

/** A hole, a pipe or a bit. */
export const writeMillimetres = (system: UnitSystem, mm: number): string =>
  system === 'us' ? `${writeNumber(mm / 1000 / metresPerInch, 2)} in` : `${writeNumber(mm, 0)} mm`;

/** How many pieces, or how much by the metre. */
export const writeQuantity = (value: number, unit: 'piece' | 'm'): string =>
  unit === 'm' ? `${value} m` : String(value);
