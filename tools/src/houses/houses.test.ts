import { expect, test } from '@jest/globals';
import { randomHouses } from './randomHouses.ts';
import { tally } from './tally.ts';

// The first hundred of the three hundred that `npm run houses` tries and prints: proposing for one takes a second of processor.
const tried = 100;

test('no proposal for random houses is absurd', () => {
  const { proposed, absurd } = tally(randomHouses(tried));
  expect(proposed).toBe(tried);
  expect(Object.entries(absurd).filter(([, found]) => found.length > 0)).toEqual([]);
});
