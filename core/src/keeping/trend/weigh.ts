import type { Law } from './laws.ts';
import type { Point } from './reduce.ts';

/** What a series' readings are off by besides noise, in the logarithm: how often, about where, and how wide. */
export interface Gross {
  share: number;
  centre: number;
  sd: number;
}

/** A product cup that reads high: the first glass after a night; a flow that was mistimed. */
const mistimed: readonly Gross[] = [
  { share: 0.008, centre: Math.log(0.65), sd: 0.08 },
  { share: 0.008, centre: Math.log(1.5), sd: 0.08 },
  { share: 0.008, centre: 0, sd: 0.6 },
];
export const grossFlow = mistimed;
export const grossPassage: readonly Gross[] = [
  ...mistimed,
  { share: 0.012, centre: 0.5, sd: 0.14 },
  { share: 0.012, centre: 0.75, sd: 0.14 },
  { share: 0.006, centre: 1, sd: 0.14 },
];

/** Places for the start's level about its best, and their weights: Gauss and Hermite's rule. */
const nodes = [-2.0201828705, -0.9585724646, 0, 0.9585724646, 2.0201828705];
const nodeWeights = [0.0199532421, 0.3936193232, 0.9453087205, 0.3936193232, 0.0199532421];
/** Nodes reach a little beyond what the noise says, for what is gross among it. */
const reach = 1.25;

/** Noise is taken to be this much wider than reckoned: no model of a house is right, and narrow intervals are believed. */
const caution = 1.2;

/** Behind the best by this much, in the logarithm, a law counts for nothing that is asked. */
const hopeless = 12;

/** exp(-x/2), read from a table: the innermost thing that is done. */
const tableEnd = 40;
const tablePerUnit = 128;
const table = Float64Array.from({ length: tableEnd * tablePerUnit + 2 }, (_, i) =>
  Math.exp(-i / tablePerUnit / 2),
);
function halfExp(square: number): number {
  if (square >= tableEnd) return 0;
  const at = square * tablePerUnit;
  const i = at | 0;
  const low = table[i]!;
  return low + (at - i) * (table[i + 1]! - low);
}

/** Density of gross readings, over differences in the logarithm. */
const grossFrom = -2;
const grossPerUnit = 50;
const grossLength = 4 * grossPerUnit + 1;
function grossTable(gross: readonly Gross[]): Float64Array {
  return Float64Array.from({ length: grossLength }, (_, i) => {
    const r = grossFrom + i / grossPerUnit;
    return gross.reduce(
      (sum, { share, centre, sd }) =>
        sum + (share / sd / Math.sqrt(2 * Math.PI)) * Math.exp(-(((r - centre) / sd) ** 2) / 2),
      1e-5,
    );
  });
}
const tables = new Map<readonly Gross[], Float64Array>();
const tableFor = (gross: readonly Gross[]): Float64Array => {
  const known = tables.get(gross) ?? grossTable(gross);
  tables.set(gross, known);
  return known;
};

/** Laws weighed by what was read. */
export interface Weighed {
  /** Log of the chance of the readings over all laws. */
  logEvidence: number;
  /** Share of each law. */
  weights: Float64Array;
  /** Level at the start by law, in the logarithm. */
  levels: Float64Array;
}

/**
 * Weighs laws by a series under noise that is now and then gross; the level at the start is integrated over.
 * @param changes of each law at each point, in the series' own direction, in the logarithm
 * @param level what the model expects of the start, and its standard deviation
 */
export function weigh(
  points: readonly Point[],
  laws: readonly Law[],
  changes: readonly Float64Array[],
  level: { value: number; sd: number },
  gross: readonly Gross[],
): Weighed {
  const n = points.length;
  const inverse = Float64Array.from(points, ({ sd }) => 1 / (caution * sd));
  const values = Float64Array.from(points, ({ value }) => value - level.value);
  const ordinary = (1 - gross.reduce((sum, { share }) => sum + share, 0)) / Math.sqrt(2 * Math.PI);
  const odd = tableFor(gross);
  const priorPrecision = 1 / level.sd ** 2;
  const logs = new Float64Array(laws.length);
  const levels = new Float64Array(laws.length);
  const off = new Float64Array(n);
  let centre = 0;
  let highest = -Infinity;
  laws.forEach((law, s) => {
    const change = changes[s]!;
    for (let i = 0; i < n; i += 1) off[i] = values[i]! - change[i]!;
    // The best level, what is gross counting for little.
    let precision = priorPrecision;
    centre = s === 0 ? middleOf(off) : centre;
    for (let pass = 0; pass < (s === 0 ? 6 : 2); pass += 1) {
      precision = priorPrecision;
      let sum = 0;
      for (let i = 0; i < n; i += 1) {
        const z = (off[i]! - centre) * inverse[i]!;
        const w = (inverse[i]! * inverse[i]!) / (1 + (z * z) / 6);
        precision += w;
        sum += w * off[i]!;
      }
      centre = sum / precision;
    }
    const width = (reach * Math.SQRT2) / Math.sqrt(precision);
    const scale = Math.log(width / level.sd / Math.sqrt(2 * Math.PI));
    const middle = logAt(centre);
    const most = middle + law.logPrior + scale;
    if (most > highest) highest = most;
    levels[s] = level.value + centre;
    // Far behind the best so far: its own middle is near enough.
    if (most < highest - hopeless) {
      logs[s] = most;
      return;
    }
    let whole = 0;
    let mean = 0;
    for (let k = 0; k < nodes.length; k += 1) {
      const at = centre + width * nodes[k]!;
      const log = nodes[k] === 0 ? middle : logAt(at) + nodes[k]! ** 2;
      const weight = nodeWeights[k]! * Math.exp(log - middle);
      whole += weight;
      mean += weight * at;
    }
    levels[s] = level.value + mean / whole;
    logs[s] = most + Math.log(whole);
  });
  const best = logs.reduce((a, b) => Math.max(a, b), -Infinity);
  const weights = logs.map((log) => Math.exp(log - best));
  const sum = weights.reduce((a, b) => a + b, 0);
  return {
    logEvidence: best + Math.log(sum),
    weights: weights.map((weight) => weight / sum),
    levels,
  };

  /** Log of the chance of what is left over, were the level at the start this. */
  function logAt(at: number): number {
    let product = 1;
    let log = 0;
    for (let i = 0; i < n; i += 1) {
      const r = off[i]! - at;
      const z = r * inverse[i]!;
      const place = Math.min(Math.max((r - grossFrom) * grossPerUnit, 0), grossLength - 1) | 0;
      product *= ordinary * inverse[i]! * halfExp(z * z) + odd[place]!;
      if ((i & 15) === 15) {
        log += Math.log(product);
        product = 1;
      }
    }
    return log + Math.log(product) - (at * at * priorPrecision) / 2;
  }
}

function middleOf(values: Float64Array): number {
  const sorted = Float64Array.from(values).sort();
  return sorted.length === 0 ? 0 : sorted[sorted.length >> 1]!;
}
