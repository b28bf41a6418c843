import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { followChain, noSeal } from './chain.ts';
import { hashOf } from './hash.ts';

interface Word {
  place: number;
  text: string;
  before: string;
  seal: string;
}
const sealOf = ({ place, text, before }: Omit<Word, 'seal'>) => hashOf({ place, text, before });

const chained = (texts: readonly string[]): Word[] => {
  let before = noSeal;
  return texts.map((text, i) => {
    const link = { place: i + 1, text, before };
    before = sealOf(link);
    return { ...link, seal: before };
  });
};

async function follow(words: readonly Word[]) {
  async function* given() {
    for (const word of words) yield await Promise.resolve(word);
  }
  const told: string[] = [];
  const { count, last } = await followChain(
    given(),
    (word) => ({ ...word, sealNow: sealOf(word) }),
    ({ place }, faults) => told.push(...faults.map((fault) => `${place} ${fault}`)),
  );
  return { count, last, told };
}

describe('a chain', () => {
  test('that was left alone holds, and ends with its last seal', async () => {
    const words = chained(['a', 'b', 'c']);
    expect(await follow(words)).toEqual({
      count: 3,
      last: { place: 3, seal: words[2]!.seal },
      told: [],
    });
    expect(await follow([])).toEqual({ count: 0, last: null, told: [] });
  });

  test('tells of any one link that was changed, taken out, put in twice or exchanged, but for a cut at its end', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.string(), { minLength: 3, maxLength: 12 }),
        fc.nat(),
        fc.constantFrom('change', 'reseal', 'take', 'double', 'exchange'),
        async (texts, at, deed) => {
          const words = chained(texts);
          const i = at % (words.length - 1);
          const changed = { ...words[i]!, text: `${words[i]!.text}!` };
          const spoilt = {
            change: words.with(i, changed),
            // Whoever seals a changed link anew breaks the join to the next.
            reseal: words.with(i, { ...changed, seal: sealOf(changed) }),
            take: words.filter((_, place) => place !== i),
            double: words.toSpliced(i, 0, words[i]!),
            exchange: words.with(i, words[i + 1]!).with(i + 1, words[i]!),
          }[deed];
          expect((await follow(spoilt)).told).not.toEqual([]);
        },
      ),
      { numRuns: 200 },
    );
  });

  test('that was cut at its end holds: who has noted the last seal elsewhere can tell', async () => {
    const words = chained(['a', 'b', 'c']);
    const { told, last } = await follow(words.slice(0, 2));
    expect(told).toEqual([]);
    expect(last!.seal).not.toBe(words[2]!.seal);
  });
});
