import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { districtOf, drivingOrder } from './round.ts';

const at = (address: string) => ({ address });
const order = (addresses: string[], districts: string[] = []) =>
  drivingOrder(addresses.map(at), districts, 'en-GB').map(({ address }) => address);

describe('the order of driving', () => {
  test.each([
    ['Glebe House, Upper Tarnholt', 'Upper Tarnholt'],
    ['2 Ford End, 4471 Lower Fell', 'Lower Fell'],
    ['4 Weir Lane\nMillbeck', 'Millbeck'],
    ['', ''],
  ])('%j lies in %j', (address, district) => {
    expect(districtOf(address)).toBe(district);
  });

  test('goes by the firm’s districts, then by name, street and number', () => {
    expect(
      order(
        [
          '12 Ford End, Anstow',
          '2 Ford End, Anstow',
          'Mill 9, Zennick',
          '1 Ash Way, Brackwater',
          'Church Row 3, anstow',
        ],
        ['Zennick', 'Anstow'],
      ),
    ).toEqual([
      'Mill 9, Zennick',
      'Church Row 3, anstow',
      '2 Ford End, Anstow',
      '12 Ford End, Anstow',
      '1 Ash Way, Brackwater',
    ]);
  });

  test('leaves nobody out, visits nobody twice, and comes back to no district', () => {
    const address = fc
      .tuple(fc.string(), fc.constantFrom('A', 'B', 'C', ''))
      .map((a) => a.join(', '));
    fc.assert(
      fc.property(fc.array(address), fc.array(fc.constantFrom('A', 'B', 'X')), (all, districts) => {
        const driven = order(all, districts);
        expect([...driven].sort()).toEqual([...all].sort());
        const runs = driven.map(districtOf).filter((one, i, list) => one !== list[i - 1]);
        expect(new Set(runs).size).toBe(runs.length);
      }),
    );
  });
});
