/**
 * Stirred volumes one after the other, each at its own strength, fed with a strength that is a sum of decaying exponentials. All of it is
 * one linear system, `dx/dV = A x` with V the water passed, and is stepped by the exponential of its matrix: exact for any step,
 * also where volumes coincide. Strengths are above the feed's own.
 */
export interface StirredChain {
  /** In the order of the flow, L. */
  volumesL: readonly number[];
  /** Strength in each at the start. */
  startsAt: readonly number[];
  /** What comes in: a strength at the start, and the water by which it falls to a third, L. */
  inflow: readonly { strength: number; volumeL: number }[];
}

/** Steps by which the last crossing is looked for, in a mean stay of the whole chain. */
const stepsPerStay = 800;
/** Stays after which whatever could still fall has fallen. */
const mostStays = 400;

type Matrix = Float64Array[];

/** What leaves a chain, by the water that passed it. */
export class ChainSolver {
  private readonly rates: Matrix;
  private readonly start: Float64Array;
  /** Parts of the inflow, which stand before the volumes. */
  private readonly sources: number;
  /** Mean stay of a drop in all of it, L. */
  readonly stayL: number;

  constructor({ volumesL, startsAt, inflow }: StirredChain) {
    const sources = inflow.length;
    const size = sources + volumesL.length;
    this.rates = Array.from({ length: size }, () => new Float64Array(size));
    inflow.forEach(({ volumeL }, i) => {
      this.rates[i]![i] = -1 / volumeL;
    });
    volumesL.forEach((volumeL, k) => {
      const row = this.rates[sources + k]!;
      row[sources + k] = -1 / volumeL;
      if (k > 0) row[sources + k - 1] = 1 / volumeL;
      else for (let i = 0; i < sources; i += 1) row[i] = 1 / volumeL;
    });
    this.start = Float64Array.from([...inflow.map(({ strength }) => strength), ...startsAt]);
    this.sources = sources;
    this.stayL =
      inflow.reduce((sum, { volumeL }) => sum + volumeL, 0) +
      volumesL.reduce((sum, volumeL) => sum + volumeL, 0);
  }

  /** Strength at the outlet: of the last volume, or of what comes in where there is none. */
  private outOf(state: Float64Array): number {
    if (state.length > this.sources) return state.at(-1)!;
    return state.reduce((sum, part) => sum + part, 0);
  }

  /** Strength at the outlet after so much water, L. */
  after(waterL: number): number {
    if (waterL <= 0) return this.outOf(this.start);
    return this.outOf(times(exponential(this.rates, waterL), this.start));
  }

  /**
   * The last water, L, at which the outlet stands at a strength; 0 where it never stands above it. It may rise before it falls: what
   * comes in first is met by clean volumes.
   */
  lastAbove(strength: number): number {
    const step = this.stayL / stepsPerStay;
    const forward = exponential(this.rates, step);
    let state = this.start;
    let last = this.outOf(state) > strength ? 0 : -1;
    for (let at = 1; at <= stepsPerStay * mostStays; at += 1) {
      state = times(forward, state);
      if (this.outOf(state) > strength) last = at;
      // A rise is over before a mean stay is.
      else if (at > stepsPerStay) break;
    }
    if (last < 0) return 0;
    let [low, high] = [last * step, (last + 1) * step];
    for (let halving = 0; halving < 50; halving += 1) {
      const middle = (low + high) / 2;
      if (this.after(middle) > strength) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  }
}

/** `exp(A v)` by scaling and squaring of its series; the matrix is lower triangular and stays so. */
function exponential(rates: Matrix, water: number): Matrix {
  const size = rates.length;
  const largest = Math.max(...rates.map((row, i) => Math.abs(row[i]!))) * Math.abs(water);
  const halvings = Math.max(0, Math.ceil(Math.log2(Math.max(largest, 1e-300))) + 3);
  const scaled = rates.map((row) => row.map((value) => (value * water) / 2 ** halvings));
  let sum = identity(size);
  let term = identity(size);
  for (let order = 1; order <= 14; order += 1) {
    term = product(term, scaled).map((row) => row.map((value) => value / order));
    sum = sum.map((row, i) => row.map((value, j) => value + term[i]![j]!));
  }
  for (let halving = 0; halving < halvings; halving += 1) sum = product(sum, sum);
  return sum;
}

const identity = (size: number): Matrix =>
  Array.from({ length: size }, (_, i) => new Float64Array(size).fill(1, i, i + 1));

/** Of lower triangular matrices. */
function product(a: Matrix, b: Matrix): Matrix {
  return a.map((row, i) => {
    const into = new Float64Array(row.length);
    for (let k = 0; k <= i; k += 1) {
      const factor = row[k]!;
      if (factor === 0) continue;
      const other = b[k]!;
      for (let j = 0; j <= k; j += 1) into[j]! += factor * other[j]!;
    }
    return into;
  });
}

function times(matrix: Matrix, vector: Float64Array): Float64Array {
  return vector.map((_value, i) => {
    const row = matrix[i]!;
    let sum = 0;
    for (let k = 0; k <= i; k += 1) sum += row[k]! * vector[k]!;
    return sum;
  });
}
