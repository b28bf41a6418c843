import { backward } from '../../base/numeric/cholesky.ts';
import { lowDiscrepancyPoint, normalQuantile } from '../../base/numeric/lowDiscrepancy.ts';
import { logNormalBetween, logSum, normalShare } from '../../base/numeric/normal.ts';
import type { Fit } from './fit.ts';
import { type Place, type Problem, sumOfSquares } from './problem.ts';
import { type ReadingCode, type Seen } from './reading.ts';

/** A cause as it may stand: drawn by what was read, with its weight among the draws of its cause. */
export interface Draw {
  place: Place;
  predicted: Seen[];
  weight: number;
}

/** How far beyond the fit draws reach, so that they cover what is not straight about the model. */
const reach = 1.1;
/** Share of the draws whose severity is drawn over its whole range. */
const spreadShare = 0.2;

/** Where severities are drawn from: about the fit's, cut at the ends, and some from the whole range. */
class Severities {
  private readonly root: number;
  private readonly centre: number;
  private readonly low: number;
  private readonly logBetween: number;
  private readonly between: number;

  constructor({ centre, precision }: Fit) {
    this.root = Math.sqrt(Math.max(precision, 0.5)) / reach;
    // A centre far outside would leave nothing between the ends to draw from.
    this.centre = Math.min(Math.max(centre, -3 / this.root), 1 + 3 / this.root);
    this.low = normalShare(-this.centre * this.root);
    this.between = normalShare((1 - this.centre) * this.root) - this.low;
    this.logBetween = logNormalBetween(-this.centre * this.root, (1 - this.centre) * this.root);
  }

  at(share: number): number {
    if (share < spreadShare) return share / spreadShare;
    const within = (share - spreadShare) / (1 - spreadShare);
    const u = this.centre + normalQuantile(this.low + within * this.between) / this.root;
    return Math.min(Math.max(u, 0), 1);
  }

  logDensity(u: number): number {
    const about =
      -0.5 * ((u - this.centre) * this.root) ** 2 +
      Math.log(this.root) -
      0.5 * Math.log(2 * Math.PI) -
      this.logBetween;
    return logSum([Math.log(spreadShare), Math.log(1 - spreadShare) + about]);
  }
}

/**
 * Draws a cause as it may stand, around its fit, each weighted by how well it explains what was read: the evidence is then as the model
 * has it, bends, ends and all. Source: importance sampling with a low-discrepancy sequence.
 * @param codes what is predicted of each draw
 */
export function drawsOf(
  problem: Problem,
  fit: Fit,
  count: number,
  codes: readonly ReadingCode[],
): { draws: Draw[]; logEvidence: number } {
  const { cause, place: best, spreads, drift } = fit;
  const size = best.z.length;
  const severities = cause.severity ? new Severities(fit) : null;
  const logs: number[] = [];
  const draws = Array.from({ length: count }, (_, i): Draw => {
    const point = lowDiscrepancyPoint(size + 1, i);
    const u = severities ? severities.at(point[size]!) : best.u;
    const normal = Float64Array.from({ length: size }, (_n, j) => normalQuantile(point[j]!));
    const off = backward(
      spreads,
      normal.map((v) => v * reach),
    );
    const z = best.z.map((v, j) => v + off[j]! + (u - best.u) * drift[j]!);
    const place = { z, u };
    const predicted = problem.predict(cause, place, codes);
    const logPosterior = problem.logLikelihood(predicted) - sumOfSquares(z) / 2;
    const logDrawn =
      spreads.logDeterminant / 2 -
      size * Math.log(reach) -
      sumOfSquares(normal) / 2 +
      (severities?.logDensity(u) ?? 0);
    logs.push(logPosterior - logDrawn);
    return { place, predicted, weight: 0 };
  });
  const logEvidence = logSum(logs) - Math.log(count);
  draws.forEach((draw, i) => {
    draw.weight = Math.exp(logs[i]! - logEvidence) / count;
  });
  return { draws, logEvidence };
}
