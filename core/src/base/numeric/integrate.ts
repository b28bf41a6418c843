/** An integral of several quantities at once, with the work done. */
export interface Integral {
  status: 'converged' | 'iteration-limit';
  values: number[];
  evaluations: number;
}

// Abscissae and weights of the 7-15 Gauss-Kronrod pair (QUADPACK, Piessens et al. 1983), positive half.
const nodes = [
  0.991455371120813, 0.949107912342759, 0.864864423359769, 0.741531185599394, 0.586087235467691,
  0.405845151377397, 0.207784955007898, 0,
];
const kronrodWeights = [
  0.022935322010529, 0.063092092629979, 0.10479001032225, 0.140653259715525, 0.169004726639267,
  0.190350578064785, 0.204432940075298, 0.209482141084728,
];
const gaussWeights = [
  0, 0.12948496616887, 0, 0.279705391489277, 0, 0.381830050505119, 0, 0.417959183673469,
];

/**
 * Integrates a vector-valued function over [low, high] by adaptive Gauss-Kronrod quadrature. The function writes its
 * values into the array it is given, so that quantities that share one costly solve are integrated together.
 * Panels are halved until the pair agrees to `tolerance` of the running total, at most `maxPanels` of them.
 */
export function integrate(
  f: (x: number, into: Float64Array) => void,
  dimension: number,
  low: number,
  high: number,
  { tolerance = 1e-7, maxPanels = 400 }: { tolerance?: number; maxPanels?: number } = {},
): Integral {
  const total = new Float64Array(dimension);
  const kronrod = new Float64Array(dimension);
  const gauss = new Float64Array(dimension);
  const sample = new Float64Array(dimension);
  const waiting: [number, number][] = [[low, high]];
  let panels = 0;
  let evaluations = 0;
  let scale: Float64Array | undefined;
  while (waiting.length > 0) {
    const [from, to] = waiting.pop()!;
    const half = (to - from) / 2;
    const middle = (from + to) / 2;
    kronrod.fill(0);
    gauss.fill(0);
    for (let i = 0; i < nodes.length; i += 1) {
      for (const sign of nodes[i] === 0 ? [1] : [-1, 1]) {
        f(middle + sign * half * nodes[i]!, sample);
        evaluations += 1;
        for (let d = 0; d < dimension; d += 1) {
          kronrod[d]! += kronrodWeights[i]! * sample[d]! * half;
          gauss[d]! += gaussWeights[i]! * sample[d]! * half;
        }
      }
    }
    panels += 1;
    scale ??= kronrod.map(Math.abs);
    // The pair's difference is the error of the seven-point rule; its 1.5th power is QUADPACK's estimate for the fifteen.
    let worst = 0;
    for (let d = 0; d < dimension; d += 1) {
      const reference = Math.max(scale[d]!, Math.abs(total[d]!)) || 1;
      worst = Math.max(worst, (200 * Math.abs(kronrod[d]! - gauss[d]!)) / reference);
    }
    if (Math.pow(worst, 1.5) > tolerance && panels + waiting.length < maxPanels) {
      waiting.push([middle, to], [from, middle]);
      continue;
    }
    for (let d = 0; d < dimension; d += 1) total[d]! += kronrod[d]!;
    if (panels >= maxPanels) return { status: 'iteration-limit', values: [...total], evaluations };
  }
  return { status: 'converged', values: [...total], evaluations };
}
