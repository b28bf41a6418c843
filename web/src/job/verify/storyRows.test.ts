import { describe, expect, test } from '@jest/globals';
import { alongTheWater, type Examination, type ExpectedReadings, type Given } from '@katharos/core';
import { storyRows } from './storyRows.ts';

const expected: ExpectedReadings = {
  feedTdsMgL: { middle: 400, low: 380, high: 420 },
  drainFlowLPerH: { middle: 30, low: 27, high: 33 },
  drainFlowTubeOffLPerH: { middle: 30, low: 27, high: 33 },
  productTdsMgL: { middle: 20, low: 12, high: 30 },
  productFlowLPerH: { middle: 8, low: 6, high: 10 },
  tankPressureFullBar: { middle: 2.5, low: 2.2, high: 2.8 },
};
const story = (readings: Record<string, number | null>) => ({
  faults: ['restrictor-blocked' as const],
  readings,
  misfit: 0,
});
const given: Given[] = [
  { code: 'productTdsMgL', seen: 40 },
  { code: 'feedTdsMgL', seen: 400 },
  { code: 'drainFlowLPerH', seen: 10 },
  { code: 'drainStopsWhenFull', seen: true },
];
const stories = [
  story({ drainFlowLPerH: 10, drainFlowTubeOffLPerH: 10, productTdsMgL: 40, productFlowLPerH: 8 }),
  story({
    drainFlowLPerH: 10,
    drainFlowTubeOffLPerH: 30,
    productTdsMgL: 40,
    productFlowLPerH: 8.2,
  }),
];
const rows = storyRows({ given } as Partial<Examination> as Examination, expected, stories);
const row = (code: string) => rows.find((one) => one.code === code);

describe('the picture of the stories', () => {
  test('holds what was read over what a sound system shows, in the order of the water', () => {
    expect(row('drainFlowLPerH')!.read).toBeCloseTo(1 / 3, 9);
    expect(row('productTdsMgL')).toMatchObject({ read: 2, low: 0.6, high: 1.5, place: 'product' });
    const order = rows.map(({ code }) => alongTheWater.indexOf(code));
    expect(order).toEqual([...order].sort((a, b) => a - b));
  });

  test('adds what nobody read where the stories part, and nothing where they agree', () => {
    expect(row('drainFlowTubeOffLPerH')).toMatchObject({ read: null, stories: [1 / 3, 1] });
    expect(row('productFlowLPerH')).toBeUndefined();
    expect(row('tankPressureFullBar')).toBeUndefined();
  });

  test('leaves out the water itself and what is a yes or a no', () => {
    expect(row('feedTdsMgL')).toBeUndefined();
    expect(row('drainStopsWhenFull')).toBeUndefined();
  });

  test('breaks a story where no water comes, and shows that it is to be looked at', () => {
    const dry = storyRows({ given } as Partial<Examination> as Examination, expected, [
      stories[0]!,
      story({ productFlowLPerH: null }),
    ]);
    expect(dry.find(({ code }) => code === 'productFlowLPerH')!.stories).toEqual([1, null]);
  });
});
