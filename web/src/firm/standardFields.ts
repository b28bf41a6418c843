import type { FirmSettings } from '@katharos/job';
import type { Measure } from '@katharos/words';

interface StandardField {
  key: keyof NonNullable<FirmSettings['standards']>;
  label: string;
  hint: string;
  measure: (currency: string) => Measure;
}

const share = (min: number, max: number) => (): Measure => ({
  dimension: 'share',
  range: { min, max },
});
const counted = (min: number, max: number, symbol: string) => (): Measure => ({
  dimension: 'count',
  range: { min, max },
  symbol,
});
const price =
  (max: number) =>
  (currency: string): Measure => ({ dimension: 'count', range: { min: 0, max }, symbol: currency });

/** A firm's own limits and prices, as they are typed. */
export const standardFields: StandardField[] = [
  {
    key: 'productionMargin',
    label: 'Production over demand',
    hint: 'In the worst case, so that the tank catches up.',
    measure: counted(1, 5, 'times'),
  },
  {
    key: 'mostWaitingDays',
    label: 'Days with a long wait',
    hint: 'Worst-case days on which somebody may wait.',
    measure: share(0, 1),
  },
  {
    key: 'productTdsMgL',
    label: 'Product TDS that nobody questions',
    hint: 'Above it a design falls short.',
    measure: () => ({ dimension: 'tds', range: { min: 5, max: 500 } }),
  },
  {
    key: 'productShareOfFeed',
    label: 'Or this share of a strong feed',
    hint: 'The larger of the two counts.',
    measure: share(0.01, 0.5),
  },
  {
    key: 'leastProductPh',
    label: 'Least product pH',
    hint: 'Below it minerals are proposed.',
    measure: () => ({ dimension: 'pH', range: { min: 5, max: 9 } }),
  },
  {
    key: 'mostDrainPerProductL',
    label: 'Most to drain',
    hint: 'For one of product, over a fill.',
    measure: counted(0.2, 30, ''),
  },
  {
    key: 'mostRecovery',
    label: 'Most recovery of one element',
    hint: 'Above it salt piles up at the membrane.',
    measure: share(0.05, 0.9),
  },
  {
    key: 'waterPricePerM3',
    label: 'Water and sewage',
    hint: 'A cubic metre, in your currency.',
    measure: price(100),
  },
  {
    key: 'powerPricePerKwh',
    label: 'Power',
    hint: 'A kilowatt hour, in your currency.',
    measure: price(10),
  },
];
