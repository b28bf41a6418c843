/** A figure with its variance. */
export interface Estimate {
  value: number;
  variance: number;
}

/** What is known of a figure before any reading: its level, the wave of a year, and how much a day differs from both. */
export interface SeasonPrior {
  level: number;
  levelSd: number;
  waveSd: number;
  dailySd: number;
}

/** A year's wave through a house's own readings. */
export interface Season {
  at: (day: number) => Estimate;
}

const yearDays = 365.25;

/**
 * Fits a level and a year's wave to what was read, shrunk towards what is usual: where little was read it stays near that.
 * Source: Bayesian linear regression with known variances.
 * @param readings by day, each with the variance of its instrument
 */
export function seasonOf(
  readings: readonly { day: number; value: number; variance: number }[],
  { level, levelSd, waveSd, dailySd }: SeasonPrior,
): Season {
  // Precision of level, cosine and sine, and what it is multiplied by.
  const p = [1 / levelSd ** 2, 0, 0, 1 / waveSd ** 2, 0, 1 / waveSd ** 2];
  const b = [level / levelSd ** 2, 0, 0];
  for (const { day, value, variance } of readings) {
    const [c, s] = wave(day);
    const w = 1 / (variance + dailySd ** 2);
    p[0]! += w;
    p[1]! += w * c;
    p[2]! += w * s;
    p[3]! += w * c * c;
    p[4]! += w * c * s;
    p[5]! += w * s * s;
    b[0]! += w * value;
    b[1]! += w * c * value;
    b[2]! += w * s * value;
  }
  const covariance = inverse(p as Symmetric);
  const [v00, v01, v02, v11, v12, v22] = covariance;
  const mean = [
    v00 * b[0]! + v01 * b[1]! + v02 * b[2]!,
    v01 * b[0]! + v11 * b[1]! + v12 * b[2]!,
    v02 * b[0]! + v12 * b[1]! + v22 * b[2]!,
  ];
  return {
    at: (day) => {
      const [c, s] = wave(day);
      const fitted =
        v00 + v11 * c * c + v22 * s * s + 2 * (v01 * c + v02 * s + v12 * c * s) + dailySd ** 2;
      return { value: mean[0]! + mean[1]! * c + mean[2]! * s, variance: fitted };
    },
  };
}

const wave = (day: number): [number, number] => {
  const angle = (2 * Math.PI * day) / yearDays;
  return [Math.cos(angle), Math.sin(angle)];
};

/** A symmetric matrix of three: 00, 01, 02, 11, 12, 22. */
type Symmetric = [number, number, number, number, number, number];

function inverse([a, b, c, d, e, f]: Symmetric): Symmetric {
  const [ca, cb, cc] = [d * f - e * e, c * e - b * f, b * e - c * d];
  const determinant = a * ca + b * cb + c * cc;
  return [
    ca / determinant,
    cb / determinant,
    cc / determinant,
    (a * f - c * c) / determinant,
    (b * c - a * e) / determinant,
    (a * d - b * b) / determinant,
  ];
}

/** Two independent estimates of the same, by their precision. */
export function combined(one: Estimate, other: Estimate): Estimate {
  const [p, q] = [1 / one.variance, 1 / other.variance];
  return { value: (p * one.value + q * other.value) / (p + q), variance: 1 / (p + q) };
}
