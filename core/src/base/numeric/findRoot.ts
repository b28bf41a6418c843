/** What a root search came to. `x` is only a root when `status` is 'converged'. */
export interface RootSearch {
  status: 'converged' | 'no-bracket' | 'iteration-limit';
  x: number;
  evaluations: number;
}

export interface RootOptions {
  /** Width of the bracket at which to stop, relative to |x| (absolute near zero). */
  tolerance?: number;
  maxEvaluations?: number;
}

/**
 * Finds a root of a continuous function inside a bracket by Chandrupatla's method: inverse quadratic interpolation
 * where it is safe, bisection where it is not. Checks that the ends have opposite signs before it starts.
 * Source: T. R. Chandrupatla, Advances in Engineering Software 28 (1997) 145-149.
 */
export function findRoot(
  f: (x: number) => number,
  low: number,
  high: number,
  options: RootOptions = {},
): RootSearch {
  const { tolerance = 1e-10, maxEvaluations = 100 } = options;
  let [a, b] = [low, high];
  let [fa, fb] = [f(a), f(b)];
  let evaluations = 2;
  if (fa === 0) return { status: 'converged', x: a, evaluations };
  if (fb === 0) return { status: 'converged', x: b, evaluations };
  if (!(fa * fb < 0)) return { status: 'no-bracket', x: NaN, evaluations };
  let c: number;
  let fc: number;
  let t = 0.5;
  while (evaluations < maxEvaluations) {
    const x = a + t * (b - a);
    const fx = f(x);
    evaluations += 1;
    if (Number.isNaN(fx)) return { status: 'no-bracket', x: NaN, evaluations };
    if (Math.sign(fx) === Math.sign(fa)) {
      [c, fc] = [a, fa];
    } else {
      [c, fc] = [b, fb];
      [b, fb] = [a, fa];
    }
    [a, fa] = [x, fx];
    const [best, fBest] = Math.abs(fa) < Math.abs(fb) ? [a, fa] : [b, fb];
    const reach = tolerance * Math.max(Math.abs(best), 1e-3);
    const share = reach / Math.abs(b - c);
    if (share > 0.5 || fBest === 0) return { status: 'converged', x: best, evaluations };
    t = interpolationShare(a, b, c, fa, fb, fc);
    t = Math.min(1 - share, Math.max(share, t));
  }
  return { status: 'iteration-limit', x: a, evaluations };
}

/** Where in the bracket to look next: the inverse quadratic guess if it can be trusted, else the middle. */
function interpolationShare(
  a: number,
  b: number,
  c: number,
  fa: number,
  fb: number,
  fc: number,
): number {
  const xi = (a - b) / (c - b);
  const phi = (fa - fb) / (fc - fb);
  if (phi * phi < xi && (1 - phi) * (1 - phi) < 1 - xi) {
    return (
      (fa / (fb - fa)) * (fc / (fb - fc)) +
      ((c - a) / (b - a)) * (fa / (fc - fa)) * (fb / (fc - fb))
    );
  }
  return 0.5;
}
