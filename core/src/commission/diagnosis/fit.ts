import { type Cholesky, cholesky, forward, solveBy } from '../../base/numeric/cholesky.ts';
import { logNormalBetween } from '../../base/numeric/normal.ts';
import { type Cause, type Place, type Problem, sumOfSquares } from './problem.ts';
import type { Seen } from './reading.ts';
import type { SpreadOf } from './spread.ts';
import { logLikelihood, uncertaintyOf } from './uncertainty.ts';

/** The best explanation that a cause has for what was read, and how it falls off around it. */
export interface Fit {
  cause: Cause;
  place: Place;
  predicted: Seen[];
  /** Log of the chance of the readings, over all spreads and severities, taking the model as straight around the place. */
  logEvidence: number;
  /** Curvature of the log posterior in the spreads. */
  spreads: Cholesky;
  /** How the best spreads move with the severity. */
  drift: Float64Array;
  /** It was left before its top, far behind the best so far. */
  givenUp: boolean;
  /** Where the severity would lie best if it had no ends, and its precision there; 0 where nothing tells of it. */
  centre: number;
  precision: number;
}

/** Shares of a severity's range at which a search begins, and how often the best is looked around. */
const scanned = [0.08, 0.25, 0.42, 0.58, 0.75, 0.92];
/** The same where hundreds of causes are looked at, and only the best of them are fitted. */
const atAGlance = [0.12, 0.37, 0.62, 0.87];
const refinements = 3;
const maxSteps = 10;
/** A step that gains less than this, in the logarithm, was the last. */
const settledBy = 0.02;
/** Steps of the differences: standard deviations, and a share of the severity's range. */
const spreadStep = 0.25;
const severityStep = 0.01;
/** A hint of a prior that keeps a severity of which nothing tells where it is. */
const hint = 1e-3;
/** Behind the best cause by this much after its first step, in the logarithm, a cause is out of the question. */
const hopeless = 9;
/** The same before any step, when little is known of it. */
const hopelessAtFirst = 25;

/** Differences of seen and predicted over their uncertainty, where both are numbers. */
interface Residuals {
  values: Float64Array;
  deviations: Float64Array;
  used: boolean[];
}

function residualsOf(problem: Problem, predicted: readonly Seen[]): Residuals {
  const { given, instruments } = problem;
  const values = new Float64Array(given.length);
  const deviations = new Float64Array(given.length);
  const used = given.map((reading, i) => {
    const truth = predicted[i]!;
    if (typeof reading.seen !== 'number' || typeof truth !== 'number') return false;
    deviations[i] = uncertaintyOf(reading, truth, instruments);
    values[i] = (reading.seen - truth) / deviations[i];
    return true;
  });
  return { values, deviations, used };
}

/** What is lost, in the logarithm, on readings that no slope leads to: a wrong yes or no, water where there should be none. */
const mismatch = (problem: Problem, predicted: readonly Seen[]): number =>
  problem.given.reduce(
    (sum, reading, i) =>
      typeof reading.seen === 'number' && typeof predicted[i] === 'number'
        ? sum
        : sum - logLikelihood(reading, predicted[i]!, problem.instruments),
    0,
  );

/** Slopes of what is predicted, over its uncertainty: a row a reading, the last column the severity's. */
interface Slopes {
  rows: Float64Array[];
}

/**
 * Slopes by differences.
 * @param idle spreads that no reading answers to
 */
function slopesAt(
  problem: Problem,
  cause: Cause,
  place: Place,
  at: readonly Seen[],
  idle: readonly boolean[] = [],
): Slopes {
  const size = place.z.length;
  const { deviations, used } = residualsOf(problem, at);
  const rows = problem.given.map(() => new Float64Array(size + 1));
  const column = (j: number, moved: Place, step: number) => {
    const there = problem.predict(cause, moved);
    rows.forEach((row, i) => {
      const value = there[i];
      if (used[i] && typeof value === 'number')
        row[j] = (value - Number(at[i])) / step / deviations[i]!;
    });
  };
  for (let j = 0; j < size; j += 1) {
    if (idle[j]) continue;
    const step = place.z[j]! > 0 ? -spreadStep : spreadStep;
    const z = place.z.slice();
    z[j] = z[j]! + step;
    column(j, { z, u: place.u }, step);
  }
  if (cause.severity) {
    const step = place.u > 0.5 ? -severityStep : severityStep;
    column(size, { z: place.z, u: place.u + step }, step);
  }
  return { rows };
}

/** Slopes renewed by what a step has shown, without new differences: Broyden's rule (Mathematics of Computation 19, 1965). */
function renewed(
  problem: Problem,
  { rows }: Slopes,
  [from, to]: [Place, Place],
  [before, after]: [readonly Seen[], readonly Seen[]],
): Slopes {
  const step = Float64Array.from([...to.z.map((v, j) => v - from.z[j]!), to.u - from.u]);
  const length = sumOfSquares(step);
  const then = residualsOf(problem, before);
  const now = residualsOf(problem, after);
  if (length === 0) return { rows };
  return {
    rows: rows.map((row, i) => {
      if (!now.used[i]) return new Float64Array(row.length);
      if (!then.used[i]) return row;
      const scale = then.deviations[i]! / now.deviations[i]!;
      const shown = (Number(after[i]) - Number(before[i])) / now.deviations[i]!;
      const said = row.reduce((sum, v, j) => sum + v * scale * step[j]!, 0);
      return row.map((v, j) => v * scale + ((shown - said) * step[j]!) / length);
    }),
  };
}

/** Curvature of the log posterior in spreads and severity, and its downhill direction, from slopes and residuals. */
function normalEquations({ rows }: Slopes, { values }: Residuals, { z, u }: Place) {
  const size = z.length;
  const spreads = new Float64Array(size * size);
  const cross = new Float64Array(size);
  const down = new Float64Array(size);
  let severity = hint;
  let downSeverity = hint * (0.5 - u);
  for (let j = 0; j < size; j += 1) {
    spreads[j * size + j] = 1;
    down[j] = -z[j]!;
  }
  rows.forEach((row, i) => {
    const slope = row[size]!;
    severity += slope * slope;
    downSeverity += slope * values[i]!;
    for (let j = 0; j < size; j += 1) {
      const of = row[j]!;
      if (of === 0) continue;
      down[j]! += of * values[i]!;
      cross[j]! += of * slope;
      for (let k = 0; k <= j; k += 1) {
        spreads[j * size + k]! += of * row[k]!;
        if (k !== j) spreads[k * size + j]! += of * row[k]!;
      }
    }
  });
  return { spreads, cross, down, severity, downSeverity };
}

/** What the normal equations say around a place. */
function around(problem: Problem, cause: Cause, place: Place, slopes: Slopes, predicted: Seen[]) {
  const residuals = residualsOf(problem, predicted);
  const { spreads, cross, down, severity, downSeverity } = normalEquations(
    slopes,
    residuals,
    place,
  );
  const factor = cholesky(spreads, place.z.length);
  const toBest = solveBy(factor, down);
  const gain = down.reduce((sum, v, j) => sum + v * toBest[j]!, 0) / 2;
  const drift = solveBy(factor, cross).map((v) => -v);
  if (!cause.severity) {
    return { slopes, factor, toBest, drift, precision: 0, centre: place.u, target: place.u, gain };
  }
  const precision = severity + cross.reduce((sum, v, j) => sum + v * drift[j]!, 0);
  const downhill = downSeverity - cross.reduce((sum, v, j) => sum + v * toBest[j]!, 0);
  const centre = place.u + downhill / Math.max(precision, 1e-12);
  const target = Math.min(Math.max(centre, 0), 1);
  const rise = gain + downhill * (target - place.u) - (precision * (target - place.u) ** 2) / 2;
  return { slopes, factor, toBest, drift, precision, centre, target, gain: rise };
}

type Around = ReturnType<typeof around>;

/** No sound system differs by more, standard deviations. */
const farthest = 5;
const within = (z: number): number => Math.min(Math.max(z, -farthest), farthest);

const stepped = (place: Place, { toBest, drift, target }: Around, share: number): Place => {
  const move = share * (target - place.u);
  return {
    z: place.z.map((v, j) => within(v + share * toBest[j]! + move * drift[j]!)),
    u: place.u + move,
  };
};

/** The model is straight for so far, in standard deviations and in the severity's range. */
const straightFor = { spreads: 2, severity: 0.25 };

/** Share of a whole step that stays where the model is straight. */
function longestStep({ u }: Place, { toBest, drift, target }: Around): number {
  const move = target - u;
  const most = toBest.reduce((far, v, j) => Math.max(far, Math.abs(v + move * drift[j]!)), 0);
  return Math.min(
    1,
    straightFor.spreads / Math.max(most, 1e-9),
    straightFor.severity / Math.max(Math.abs(move), 1e-9),
  );
}

const logPosterior = (problem: Problem, { z }: Place, predicted: readonly Seen[]): number =>
  problem.logLikelihood(predicted) - sumOfSquares(z) / 2;

/** Log of the integral over the severity's range of how the posterior falls off from the place. */
function logOverSeverity({ centre, precision }: Around, u: number): number {
  const root = Math.sqrt(Math.max(precision, 1e-9));
  const between = logNormalBetween(-centre * root, (1 - centre) * root);
  return between + 0.5 * Math.log(2 * Math.PI) - Math.log(root) + 0.5 * (root * (u - centre)) ** 2;
}

/** What the sound system tells before any cause is fitted: its slopes, and what it would read. */
export interface Ground {
  predicted: Seen[];
  slopes: Slopes;
  place: Place;
  /** Spreads to which no reading answers, whatever the cause. */
  idle: boolean[];
}

/** Spreads to which readings may answer in some cause though they do not in a sound system. */
const stirring: ReadonlySet<SpreadOf> = new Set(['boost', 'minerals']);

export function groundOf(problem: Problem, healthy: Cause): Ground {
  const place = { z: new Float64Array(problem.spreads.length), u: 0.5 };
  const predicted = problem.predict(healthy, place);
  const slopes = slopesAt(problem, healthy, place, predicted);
  const idle = problem.spreads.map(
    (of, j) => !stirring.has(of) && slopes.rows.every((row) => row[j] === 0),
  );
  return { predicted, place, slopes, idle };
}

/**
 * How well a severity explains what was read, by the sound system's slopes: log posterior at the best spreads, and those spreads. What a
 * reading changes with the spreads goes about as the reading itself.
 */
function glimpse(problem: Problem, cause: Cause, u: number, ground: Ground) {
  const at = { z: ground.place.z, u };
  const predicted = problem.predict(cause, at);
  const residuals = residualsOf(problem, predicted);
  const sound = residualsOf(problem, ground.predicted);
  const rows = ground.slopes.rows.map((row, i) => {
    const [now, then] = [Number(predicted[i]), Number(ground.predicted[i])];
    const times =
      residuals.used[i] && sound.used[i] && then !== 0
        ? ((now / then) * sound.deviations[i]!) / residuals.deviations[i]!
        : 0;
    const scaled = row.map((v) => v * times);
    scaled[row.length - 1] = 0;
    return scaled;
  });
  const { spreads, down } = normalEquations({ rows }, residuals, at);
  const factor = cholesky(spreads, at.z.length);
  const gain = forward(factor, down);
  const score =
    problem.logLikelihood(predicted) + sumOfSquares(gain) / 2 - factor.logDeterminant / 2;
  return { u, z: solveBy(factor, down).map(within), score };
}

/** Where to begin: the severity that explains most at a glance, looked around where it lies. */
function beginning(problem: Problem, cause: Cause, ground: Ground): Place & { score: number } {
  if (!cause.severity) return glimpse(problem, cause, 0.5, ground);
  const seen = scanned.map((u) => glimpse(problem, cause, u, ground));
  let width = (scanned[1]! - scanned[0]!) / 2;
  const best = () => seen.reduce((a, b) => (b.score > a.score ? b : a));
  for (let round = 0; round < refinements; round += 1) {
    const { u } = best();
    for (const at of [u - width, u + width]) {
      if (at > 0 && at < 1) seen.push(glimpse(problem, cause, at, ground));
    }
    width /= 2;
  }
  return best();
}

/** The severity that explains most at a glance, and how well: log of about the evidence there. */
export const glimpsed = (problem: Problem, cause: Cause, ground: Ground): { score: number } =>
  (cause.severity ? atAGlance : [0.5])
    .map((u) => glimpse(problem, cause, u, ground))
    .reduce((a, b) => (b.score > a.score ? b : a));

/**
 * Fits a cause: Gauss and Newton's steps in all spreads and the severity at once, from the severity that explains most at a glance.
 * @param best log evidence of the best cause so far; one that falls far behind it is given up early
 */
export function fitCause(problem: Problem, cause: Cause, ground: Ground, best: number): Fit {
  const start = beginning(problem, cause, ground);
  let place: Place = { z: start.z, u: start.u };
  let predicted = problem.predict(cause, place);
  let height = logPosterior(problem, place, predicted);
  const differences = () => slopesAt(problem, cause, place, predicted, ground.idle);
  let view = around(problem, cause, place, differences(), predicted);
  let fresh = true;
  let givenUp = false;
  const evidence = () =>
    height - view.factor.logDeterminant / 2 + (cause.severity ? logOverSeverity(view, place.u) : 0);
  for (let step = 0; step < maxSteps; step += 1) {
    const promise = evidence() + view.gain + mismatch(problem, predicted);
    givenUp = promise < best - (step < 2 ? hopelessAtFirst : hopeless);
    if (givenUp) break;
    const longest = longestStep(place, view);
    const gained = climb(longest);
    if (gained > settledBy || (gained > 0 && longest < 1)) continue;
    // At the top by slopes that were carried along: looked at once more by slopes of its own.
    if (fresh || evidence() < best - hopeless) break;
    view = around(problem, cause, place, differences(), predicted);
    fresh = true;
  }
  return {
    cause,
    place,
    predicted,
    logEvidence: evidence(),
    givenUp,
    spreads: view.factor,
    drift: view.drift,
    centre: view.centre,
    precision: view.precision,
  };

  /** Goes as far towards the best as the posterior rises, and says by how much it did. */
  function climb(longest: number): number {
    for (let share = longest; share > 0.1 * longest; share /= 2) {
      const next = stepped(place, view, share);
      const there = problem.predict(cause, next);
      const gained = logPosterior(problem, next, there) - height;
      if (!(gained > 0)) continue;
      const slopes = renewed(problem, view.slopes, [place, next], [predicted, there]);
      place = next;
      predicted = there;
      height += gained;
      view = around(problem, cause, place, slopes, predicted);
      fresh = false;
      return gained;
    }
    return 0;
  }
}

/**
 * How badly a cause explains what was read even at its best: squares of what is left over and of the spreads it needs, over what they come
 * to by chance, in standard deviations of that. About 0 for the truth; beyond 4 it is hardly that, nor that alone.
 */
export function misfitOf(problem: Problem, { place, predicted }: Fit): number {
  const { values } = residualsOf(problem, predicted);
  const count = problem.given.length;
  const left = sumOfSquares(values) + sumOfSquares(place.z) + 2 * mismatch(problem, predicted);
  return (left - count) / Math.sqrt(2 * count);
}
