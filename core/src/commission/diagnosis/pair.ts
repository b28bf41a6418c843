import type { InSteps } from '../../base/inSteps.ts';
import { type FaultCode, severityAt } from './fault.ts';
import { type Fit, fitCause, glimpsed, type Ground, misfitOf } from './fit.ts';
import { type Cause, causesOf, type Problem } from './problem.ts';

/** Two faults at once, as far as they explain what was read. */
export interface FittedPair {
  faults: [FaultCode, FaultCode];
  /** Of the second, with the first as it was fitted. */
  fit: Fit;
  /** Log of how common it is times how well it explains what was read. */
  logWeight: number;
  misfit: number;
}

/** A single fault as it was fitted, with its log weight. */
export interface FittedSingle {
  fit: Fit;
  logWeight: number;
}

/** Singles from which pairs are made, and pairs that are fitted and not only looked at. */
const leaders = 5;
const fitted = 6;
/** Share of the first fault's range in which the pair holds about as well, in the logarithm: its severity is taken at its best. */
const logRangeHeld = Math.log(0.25);

/** Pairs are the last of the work. */
const nearlyDone = 0.99;

/** A cause on top of another of a given severity. */
const onTopOf = (problem: Problem, first: Cause, u: number, second: Cause): Cause => {
  const severity = severityAt(first.severity, u, problem.base.system);
  return { ...second, alter: (as, v) => second.alter(first.alter(as, severity), v) };
};

/**
 * Pairs of faults that explain together what none does alone, the likeliest first. The first is one of the leading singles; the second is
 * fitted with the first where it was, then the first anew with the second where it is now.
 * Validity: an estimate; the first's severity is held at its best instead of integrated over.
 * @param priorOf log of how common a fault is, among all
 */
export function* pairsOf(
  problem: Problem,
  ground: Ground,
  singles: readonly FittedSingle[],
  faults: readonly FaultCode[],
  priorOf: (fault: FaultCode) => number,
): InSteps<FittedPair[]> {
  const firsts = singles
    .filter(({ fit }) => fit.cause.fault !== 'healthy')
    .sort((a, b) => b.logWeight - a.logWeight)
    .slice(0, leaders);
  const seen: { first: Cause; u: number; second: Cause; score: number }[] = [];
  for (const { fit } of firsts) {
    for (const second of faults.flatMap(causesOf)) {
      if (second.fault === 'healthy' || second.fault === fit.cause.fault) continue;
      const { u } = fit.place;
      const { score } = glimpsed(problem, onTopOf(problem, fit.cause, u, second), ground);
      seen.push({
        first: fit.cause,
        u,
        second,
        score: score + priorOf(fit.cause.fault) + priorOf(second.fault),
      });
      yield nearlyDone;
    }
  }
  const pairs = new Map<string, FittedPair>();
  for (const { first, u, second } of seen.sort((a, b) => b.score - a.score).slice(0, fitted)) {
    const there = fitCause(problem, onTopOf(problem, first, u, second), ground, -Infinity);
    const back = fitCause(
      problem,
      onTopOf(problem, second, there.place.u, first),
      ground,
      -Infinity,
    );
    const [fit, other] = back.logEvidence > there.logEvidence ? [back, second] : [there, first];
    const faultsOf: [FaultCode, FaultCode] = [fit.cause.fault, other.fault];
    const logWeight =
      fit.logEvidence +
      priorOf(fit.cause.fault) +
      priorOf(other.fault) +
      Math.log(fit.cause.share * other.share) +
      (other.severity ? logRangeHeld : 0);
    const key = [...faultsOf].sort().join(' ');
    const before = pairs.get(key);
    if (!before || before.logWeight < logWeight)
      pairs.set(key, { faults: faultsOf, fit, logWeight, misfit: misfitOf(problem, fit) });
    yield nearlyDone;
  }
  return [...pairs.values()].sort((a, b) => b.logWeight - a.logWeight);
}
