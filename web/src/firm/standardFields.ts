import type { FirmSettings } from '@katharos/job';

interface StandardField {
  key: keyof NonNullable<FirmSettings['standards']>;
  label: string;
  hint: string;
  /** From what is stored to what is typed. */
  factor: number;
  suffix: string;
  decimals: number;
}

/** A firm's own limits and prices, as they are typed. */
export const standardFields: StandardField[] = [
  {
    key: 'productionMargin',
    label: 'Production over demand',
    hint: 'In the worst case, so that the tank catches up.',
    factor: 1,
    suffix: ' times',
    decimals: 2,
  },
  {
    key: 'mostWaitingDays',
    label: 'Days with a long wait',
    hint: 'Worst-case days on which somebody may wait.',
    factor: 100,
    suffix: ' %',
    decimals: 0,
  },
  {
    key: 'productTdsMgL',
    label: 'Product TDS that nobody questions',
    hint: 'Above it a design falls short.',
    factor: 1,
    suffix: ' mg/L',
    decimals: 0,
  },
  {
    key: 'productShareOfFeed',
    label: 'Or this share of a strong feed',
    hint: 'The larger of the two counts.',
    factor: 100,
    suffix: ' %',
    decimals: 1,
  },
  {
    key: 'leastProductPh',
    label: 'Least product pH',
    hint: 'Below it minerals are proposed.',
    factor: 1,
    suffix: '',
    decimals: 1,
  },
  {
    key: 'mostDrainPerProductL',
    label: 'Most to drain',
    hint: 'For one of product, over a fill.',
    factor: 1,
    suffix: '',
    decimals: 1,
  },
  {
    key: 'mostRecovery',
    label: 'Most recovery of one element',
    hint: 'Above it salt piles up at the membrane.',
    factor: 100,
    suffix: ' %',
    decimals: 0,
  },
  {
    key: 'waterPricePerM3',
    label: 'Water and sewage',
    hint: 'A cubic metre, in your currency.',
    factor: 1,
    suffix: '',
    decimals: 2,
  },
  {
    key: 'powerPricePerKwh',
    label: 'Power',
    hint: 'A kilowatt hour, in your currency.',
    factor: 1,
    suffix: '',
    decimals: 3,
  },
];
