/** Square roots of the primes are linearly independent over the rationals, which is what the sequence needs. */
const primes = [
  2, 3, 5, 7, 11, 13, 17, 19, 23, 29, 31, 37, 41, 43, 47, 53, 59, 61, 67, 71,
] as const;

/**
 * Points that fill the unit cube more evenly than random ones: Richtmyer's sequence, `frac(0.5 + i sqrt(p_k))` for the k-th prime.
 * @param dimension 1 to 20; @param index from 0
 * Source: R. D. Richtmyer (1951), as in H. Niederreiter, Random Number Generation and Quasi-Monte Carlo Methods (1992).
 */
export function lowDiscrepancyPoint(dimension: number, index: number): number[] {
  if (dimension > primes.length) throw new RangeError(`at most ${primes.length} dimensions`);
  return primes.slice(0, dimension).map((prime) => (0.5 + (index + 1) * Math.sqrt(prime)) % 1);
}

/**
 * Value below which a share of a normal distribution lies, in standard deviations.
 * @param share 0 to 1, ends excluded; absolute error under 4.5e-4
 * Source: Abramowitz and Stegun (1964), 26.2.23.
 */
export function normalQuantile(share: number): number {
  const tail = Math.min(Math.max(Math.min(share, 1 - share), 1e-9), 0.5);
  const t = Math.sqrt(-2 * Math.log(tail));
  const value =
    t -
    (2.515517 + t * (0.802853 + t * 0.010328)) /
      (1 + t * (1.432788 + t * (0.189269 + t * 0.001308)));
  return share < 0.5 ? -value : value;
}
