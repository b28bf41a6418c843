import type { Reader } from '@katharos/words';
import { type CriterionKey, litresPerGallon, type UnitSystem } from '@katharos/core';

/** How a criterion is written and typed: its own unit, and what a core value is multiplied by for it. */
export interface CriterionWords {
  label: string;
  /** What more or less of it means. */
  hint: string;
  decimals: number | Record<UnitSystem, number>;
  unit: (system: UnitSystem, currency: string) => string;
  factor: (system: UnitSystem) => number;
}

const one = () => 1;

export const criterionWords: Record<CriterionKey, CriterionWords> = {
  january: {
    label: 'Water a day in January',
    hint: 'Coldest water, lowest pressure, aged membrane.',
    decimals: 0,
    unit: (system) => (system === 'us' ? 'gpd' : 'L/day'),
    factor: (system) => (system === 'us' ? 1 / litresPerGallon : 1),
  },
  drain: {
    label: 'To drain in a year',
    hint: 'For this household.',
    decimals: { metric: 1, us: 0 },
    unit: (system) => (system === 'us' ? 'gal' : 'm³'),
    factor: (system) => (system === 'us' ? 1000 / litresPerGallon : 1),
  },
  buy: {
    label: 'Parts to buy',
    hint: 'At catalogue prices.',
    decimals: 0,
    unit: (_system, currency) => currency,
    factor: one,
  },
  run: {
    label: 'Five years of running',
    hint: 'Water, power and cartridges.',
    decimals: 0,
    unit: (_system, currency) => currency,
    factor: one,
  },
  space: {
    label: 'Room in the cabinet',
    hint: 'With clearance for service.',
    decimals: { metric: 0, us: 1 },
    unit: (system) => (system === 'us' ? 'ft³' : 'L'),
    factor: (system) => (system === 'us' ? 1 / 28.316846592 : 1),
  },
  glass: {
    label: 'A glass',
    hint: 'Worst case, tank half drawn.',
    decimals: 0,
    unit: () => 's',
    factor: one,
  },
  power: {
    label: 'Power and hum',
    hint: 'While it makes water.',
    decimals: 0,
    unit: () => 'W',
    factor: one,
  },
  wait: {
    label: 'Longest wait',
    hint: 'In eight weeks of the worst case.',
    decimals: 1,
    unit: () => 'min',
    factor: one,
  },
};

/** A criterion's value as it is read, without its unit. */
export const writeCriterion = (key: CriterionKey, value: number, reader: Reader): string => {
  const { decimals, factor } = criterionWords[key];
  const { units } = reader;
  return reader.number(
    value * factor(units),
    typeof decimals === 'number' ? decimals : decimals[units],
  );
};
