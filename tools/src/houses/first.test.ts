import { expect, test } from '@jest/globals';
import { randomHouses } from './randomHouses.ts';
import { tally } from './tally.ts';

// Three hundred houses in two halves, so that they are tried side by side; `npm run houses` prints the table.
const all = randomHouses(300);
const half = all.slice(0, 150);

test('no proposal for the first half of the random houses is absurd', () => {
  const { proposed, absurd } = tally(half);
  expect(proposed).toBe(150);
  expect(Object.entries(absurd).filter(([, found]) => found.length > 0)).toEqual([]);
}, 600_000);
