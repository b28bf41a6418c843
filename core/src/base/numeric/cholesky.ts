/** Lower triangle of a symmetric positive definite matrix, row by row: `A = L L'`. */
export interface Cholesky {
  size: number;
  lower: Float64Array;
  /** Logarithm of the matrix's determinant. */
  logDeterminant: number;
}

/** Factors a symmetric positive definite matrix, given row by row. @throws RangeError if it is not positive definite */
export function cholesky(matrix: Float64Array, size: number): Cholesky {
  const lower = new Float64Array(size * size);
  let logDeterminant = 0;
  for (let i = 0; i < size; i += 1) {
    for (let j = 0; j <= i; j += 1) {
      let sum = matrix[i * size + j]!;
      for (let k = 0; k < j; k += 1) sum -= lower[i * size + k]! * lower[j * size + k]!;
      if (i !== j) {
        lower[i * size + j] = sum / lower[j * size + j]!;
        continue;
      }
      if (!(sum > 0)) throw new RangeError('matrix is not positive definite');
      lower[i * size + i] = Math.sqrt(sum);
      logDeterminant += Math.log(sum);
    }
  }
  return { size, lower, logDeterminant };
}

/** Solves `L y = b`. */
export function forward({ size, lower }: Cholesky, b: Float64Array): Float64Array {
  const y = new Float64Array(size);
  for (let i = 0; i < size; i += 1) {
    let sum = b[i]!;
    for (let k = 0; k < i; k += 1) sum -= lower[i * size + k]! * y[k]!;
    y[i] = sum / lower[i * size + i]!;
  }
  return y;
}

/** Solves `L' x = y`. */
export function backward({ size, lower }: Cholesky, y: Float64Array): Float64Array {
  const x = new Float64Array(size);
  for (let i = size - 1; i >= 0; i -= 1) {
    let sum = y[i]!;
    for (let k = i + 1; k < size; k += 1) sum -= lower[k * size + i]! * x[k]!;
    x[i] = sum / lower[i * size + i]!;
  }
  return x;
}

/** Solves `A x = b`. */
export const solveBy = (factor: Cholesky, b: Float64Array): Float64Array =>
  backward(factor, forward(factor, b));
