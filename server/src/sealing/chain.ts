/** One link of a chain, as far as following it needs. */
export interface Link {
  /** From 1, without a gap. */
  place: number;
  /** The seal of the link before it. */
  before: string;
  seal: string;
}

/** Where a chain does not hold, apart from what a link itself says. */
export type ChainFault = 'missing-before' | 'not-joined' | 'seal';

/** Before a firm's first link. */
export const noSeal = '';

export interface Followed {
  count: number;
  last: { place: number; seal: string } | null;
}

/**
 * Follows a chain from its first link on.
 * @param linkOf what of one makes it a link, with the seal that it would have today
 * @param tell of every link, with what is wrong about its place in the chain
 */
export async function followChain<T>(
  links: AsyncIterable<T>,
  linkOf: (one: T) => Link & { sealNow: string },
  tell: (one: T, faults: ChainFault[]) => void,
): Promise<Followed> {
  let count = 0;
  let last = null as Followed['last'];
  for await (const one of links) {
    const { place, before, seal, sealNow } = linkOf(one);
    const faults: ChainFault[] = [];
    if (place !== (last?.place ?? 0) + 1) faults.push('missing-before');
    else if (before !== (last?.seal ?? noSeal)) faults.push('not-joined');
    if (sealNow !== seal) faults.push('seal');
    tell(one, faults);
    count += 1;
    last = { place, seal };
  }
  return { count, last };
}
