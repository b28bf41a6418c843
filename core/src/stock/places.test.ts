import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { belowMinimum, pickList, type StockLine } from './places.ts';

const parts = ['silt', 'char', 'reed', 'tube'];
const amount = fc.oneof(
  fc.integer({ min: 0, max: 30 }),
  fc.double({ min: 0, max: 30, noNaN: true }),
);
const linesOf = (placeId: string) =>
  fc
    .uniqueArray(
      fc.record({ partId: fc.constantFrom(...parts), quantity: amount, minimum: amount }),
      {
        selector: ({ partId }) => partId,
      },
    )
    .map((lines): StockLine[] => lines.map((line) => ({ ...line, placeId })));
const wantedLines = fc.array(fc.record({ partId: fc.constantFrom(...parts), quantity: amount }));

const sumOf = (lines: readonly { partId: string; quantity: number }[], part: string) =>
  lines.filter(({ partId }) => partId === part).reduce((sum, { quantity }) => sum + quantity, 0);

describe('a pick list', () => {
  test('names what is fetched, and what neither van nor store holds', () => {
    const lines = [
      { placeId: 'v', partId: 'silt', quantity: 1, minimum: 2 },
      { placeId: 'v', partId: 'char', quantity: 9, minimum: 2 },
      { placeId: 's', partId: 'silt', quantity: 3, minimum: 0 },
    ];
    const wanted = [
      { partId: 'silt', quantity: 2 },
      { partId: 'silt', quantity: 2 },
      { partId: 'reed', quantity: 1 },
    ];
    expect(pickList(wanted, lines, 'v', 's')).toEqual([
      { partId: 'silt', wanted: 4, minimum: 2, held: 1, fetch: 3, buy: 2 },
      { partId: 'reed', wanted: 1, minimum: 0, held: 0, fetch: 0, buy: 1 },
    ]);
    expect(pickList(wanted, lines, 'v', null).map(({ fetch }) => fetch)).toEqual([0, 0]);
  });

  test('loads exactly what is short, never more than the store holds, and nothing that is there', () => {
    fc.assert(
      fc.property(wantedLines, linesOf('v'), linesOf('s'), (wanted, van, store) => {
        const picked = pickList(wanted, [...van, ...store], 'v', 's');
        for (const part of parts) {
          const line = picked.find(({ partId }) => partId === part);
          const short =
            sumOf(wanted, part) +
            (van.find(({ partId }) => partId === part)?.minimum ?? 0) -
            sumOf(van, part);
          const loaded = line ? line.fetch + line.buy : 0;
          expect(Math.abs(loaded - Math.max(short, 0))).toBeLessThan(0.002);
          expect(line?.fetch ?? 0).toBeLessThanOrEqual(sumOf(store, part));
          // Nothing is bought while the store has some.
          if (line && line.buy > 0) expect(line.fetch).toBe(sumOf(store, part));
        }
      }),
    );
  });

  test('is empty once it was loaded', () => {
    fc.assert(
      fc.property(wantedLines, linesOf('v'), linesOf('s'), (wanted, van, store) => {
        const loaded = pickList(wanted, [...van, ...store], 'v', 's').map(
          ({ partId, fetch, buy }): StockLine => ({
            placeId: 'v',
            partId,
            quantity: fetch + buy + 0.001,
            minimum: 0,
          }),
        );
        expect(pickList(wanted, [...van, ...loaded], 'v', 's')).toEqual([]);
      }),
    );
  });
});

test('what is below its minimum is told with what is missing, nothing left before little', () => {
  const lines = [
    { placeId: 'v', partId: 'silt', quantity: 1, minimum: 2 },
    { placeId: 'v', partId: 'char', quantity: 0, minimum: 1 },
    { placeId: 'v', partId: 'reed', quantity: 0, minimum: 0 },
    { placeId: 's', partId: 'tube', quantity: 0, minimum: 5 },
  ];
  expect(belowMinimum(lines, 'v').map(({ partId, missing }) => [partId, missing])).toEqual([
    ['char', 1],
    ['silt', 1],
  ]);
});
