/** Places and weights of Gauss and Legendre's rule with six points on -1 to 1 (Abramowitz and Stegun 25.4.30). */
const points = [
  [0.238619186083197, 0.467913934572691],
  [0.661209386466265, 0.360761573048139],
  [0.932469514203152, 0.17132449237917],
] as const;

/**
 * Integrates several quantities at once by six points, exact to the eleventh degree: for what is smooth and asked for a thousand times.
 * Where an error has to be held, see `integrate`.
 * @param f writes its values into the array it is given
 */
export function gaussSix(
  f: (x: number, into: Float64Array) => void,
  dimension: number,
  low: number,
  high: number,
): number[] {
  const sums = new Array<number>(dimension).fill(0);
  const at = new Float64Array(dimension);
  const half = (high - low) / 2;
  for (const [place, weight] of points) {
    for (const side of [-1, 1]) {
      f(low + half * (1 + side * place), at);
      for (let i = 0; i < dimension; i += 1) sums[i]! += half * weight * at[i]!;
    }
  }
  return sums;
}
