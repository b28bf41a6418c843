const logDensity = (x: number): number => -0.5 * x * x - 0.5 * Math.log(2 * Math.PI);

/**
 * Natural logarithm of the share of a standard normal distribution above `x`, good to 1e-7 of that share's whole; holds far into the tail.
 * Source: Abramowitz and Stegun (1964), 26.2.17 below 3, the continued fraction 26.2.14 beyond.
 */
function logUpper(x: number): number {
  if (x < 0) return Math.log1p(-Math.exp(logUpper(-x)));
  if (x > 3) {
    let fraction = x;
    for (let k = 24; k > 0; k -= 1) fraction = x + k / fraction;
    return logDensity(x) - Math.log(fraction);
  }
  const t = 1 / (1 + 0.2316419 * x);
  const series =
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return logDensity(x) + Math.log(series);
}

/** Share of a standard normal distribution below `x`. */
export const normalShare = (x: number): number =>
  x > 0 ? 1 - Math.exp(logUpper(x)) : Math.exp(logUpper(-x));

/** Natural logarithm of the share of a standard normal distribution between two places, also where it is nearly nothing. */
export function logNormalBetween(low: number, high: number): number {
  if (high <= low) return -Infinity;
  // So narrow that the density hardly changes within; the difference of two shares would lose its digits.
  if (high - low < 0.1) return logDensity((low + high) / 2) + Math.log(high - low);
  if (low < 0 && high <= 0) return logNormalBetween(-high, -low);
  if (low < 0) return Math.log1p(-Math.exp(logUpper(-low)) - Math.exp(logUpper(high)));
  const upper = logUpper(low);
  return upper + Math.log1p(-Math.exp(Math.min(logUpper(high) - upper, -1e-16)));
}

/** Natural logarithm of a sum of exponentials. */
export function logSum(values: readonly number[]): number {
  const most = Math.max(...values);
  if (most === -Infinity) return most;
  return most + Math.log(values.reduce((sum, value) => sum + Math.exp(value - most), 0));
}
