import { type InSteps, withoutPause } from '../../base/inSteps.ts';
import { logSum } from '../../base/numeric/normal.ts';
import { type Outcome, succeed } from '../../base/outcome.ts';
import { elementPermeance } from '../../membrane/elementPermeance.ts';
import { type Draw, drawsOf } from './draw.ts';
import { type FaultCode, faultKind, possibleFaults } from './fault.ts';
import { type Fit, fitCause, groundOf, misfitOf } from './fit.ts';
import { chancesOfHints, type Hint } from './hint.ts';
import { nextReading, type Proposal } from './nextReading.ts';
import { logChanceOfAnything, noneWeight } from './noneOfThese.ts';
import { pairsOf } from './pair.ts';
import { type Cause, causesOf, type Place, Problem } from './problem.ts';
import { readingCodes, readingExists, type TestReadings } from './reading.ts';
import { asSurveyed } from './scenario.ts';
import { refuseTested, type SamplePoint, type TestedSystem } from './testedSystem.ts';
import { type Beyond, type RankedFault, shareOfSingles, suspectsOf } from './suspect.ts';
import {
  type Given,
  type TestInstruments,
  uncertaintyOf,
  usualTestInstruments,
} from './uncertainty.ts';

/** What is asked: a system, where its product was sampled, and what was read. */
export interface Examination {
  system: TestedSystem;
  samplePoint?: SamplePoint | undefined;
  meterReferenceMgL?: number | undefined;
  instruments?: Partial<TestInstruments> | undefined;
  given: readonly Given[];
  /** How common each fault is, where a firm knows better; only the relation counts. */
  weights?: Partial<Record<FaultCode, number>> | undefined;
  /** What was noticed and not measured: complaints of the household, what was seen while flushing. */
  hints?: readonly Hint[] | undefined;
  /** Faults weighed only where they are asked for, see `onlyAsked`. */
  asked?: readonly FaultCode[] | undefined;
  /** Whether two faults at once, and that it is none of these, are weighed too. */
  beyond?: boolean | undefined;
}

/** What is suspected at its best: what would show, were it that. */
export interface Story {
  faults: readonly FaultCode[];
  readings: TestReadings;
  /** How badly it explains what was read, see `misfitOf`; beyond `explainsNothing` it is hardly that alone. */
  misfit: number;
}

/** From this misfit on, none of the causes is taken to explain what was read. */
export const explainsNothing = 4;

export interface Diagnosis {
  /** Every fault that this system can have, the likeliest first; their sum is 1, taken that it is one of them. */
  causes: RankedFault[];
  /** Two at once, and none of these; null where nobody asked. */
  beyond: Beyond | null;
  next: Proposal | null;
  /** The likeliest causes as they would show, the likeliest first. */
  stories: Story[];
  /** What the readings at hand cannot show: it would look like a sound system in all of them. */
  untold: FaultCode[];
  simulations: number;
}

/** Stories that are told. */
const mostStories = 3;

/** Share of the work that the fits are, about. */
const fitsShare = 0.7;

/** How many draws a cause is worth, by how probable it is so far. */
const drawsFrom: readonly { probability: number; count: number }[] = [
  { probability: 0.05, count: 40 },
  { probability: 0.004, count: 20 },
];

/** One of the sides of a fault, fitted. */
interface Tried {
  fit: Fit;
  logWeight: number;
  draws: Draw[];
}

/**
 * Ranks every fault by how probable it is after what was read: how common it is, times how well it explains the readings over all its
 * severities and over how sound systems differ.
 * Errors: those of `refuseTested`. Source: Bayes' rule with Laplace's approximation about each cause's best fit, those that matter
 * corrected by draws.
 */
export const diagnose = (examination: Examination): Outcome<Diagnosis> =>
  withoutPause(diagnosing(examination));

/** The same in steps, so that it can be given up. */
export function* diagnosing(examination: Examination): InSteps<Outcome<Diagnosis>> {
  const { system, samplePoint = 'membrane-outlet', meterReferenceMgL, given } = examination;
  const refused = refuseTested(system);
  if (refused) return refused;
  const permeance = elementPermeance(system.membrane);
  if (!permeance.ok) return permeance;
  const instruments = { ...usualTestInstruments, ...examination.instruments };
  const base = asSurveyed(system, samplePoint, meterReferenceMgL);
  const problem = new Problem(base, permeance.value, given, instruments);
  const { hints = [], asked = [] } = examination;
  const hinted = hints.length > 0 ? chancesOfHints(base, hints, asked) : null;
  const weightOf = (fault: FaultCode) =>
    (examination.weights?.[fault] ?? faultKind(fault).weight) * (hinted?.get(fault) ?? 1);

  const ground = groundOf(problem, causesOf('healthy')[0]!);
  let best = -Infinity;
  const faults = possibleFaults(system, samplePoint, asked);
  const sides = faults.flatMap(causesOf);
  const tried: Tried[] = [];
  for (const cause of sides) {
    const prior = Math.log(weightOf(cause.fault) * cause.share);
    const fit = fitCause(problem, cause, ground, best - prior);
    best = Math.max(best, fit.logEvidence + prior);
    tried.push({ fit, logWeight: fit.logEvidence + prior, draws: [] });
    yield fitsShare * (tried.length / sides.length);
  }
  if (misfitOf(problem, leadingOf(tried).fit) > explainsNothing) {
    // The best of them explains nothing: what was given up for it deserves to be heard out.
    for (const one of tried.filter(({ fit }) => fit.givenUp)) {
      const heard = fitCause(problem, one.fit.cause, ground, -Infinity);
      one.logWeight += heard.logEvidence - one.fit.logEvidence;
      one.fit = heard;
      yield fitsShare;
    }
  }

  const open = readingCodes.filter(
    (code) => readingExists(code, system) && !problem.codes.includes(code),
  );
  const codes = [...problem.codes, ...open];
  const whole = logSum(tried.map(({ logWeight }) => logWeight));
  for (const [i, one] of tried.entries()) {
    yield fitsShare + (1 - fitsShare) * (i / tried.length);
    const probability = Math.exp(one.logWeight - whole);
    const count = drawsFrom.find((worth) => probability >= worth.probability)?.count;
    if (count === undefined) continue;
    const { draws, logEvidence } = drawsOf(problem, one.fit, count, codes);
    if (!Number.isFinite(logEvidence)) continue;
    one.logWeight += logEvidence - one.fit.logEvidence;
    one.draws = draws;
  }
  const refined = logSum(tried.map(({ logWeight }) => logWeight));
  const weighed = tried.map(({ fit, logWeight, draws }) => ({
    fault: fit.cause.fault,
    probability: Math.exp(logWeight - refined),
    draws,
  }));
  const probabilities = new Map<FaultCode, number>();
  for (const { fault, probability } of weighed) {
    probabilities.set(fault, (probabilities.get(fault) ?? 0) + probability);
  }
  const causes = [...probabilities]
    .map(([fault, probability]) => ({ fault, probability }))
    .sort((a, b) => b.probability - a.probability);
  const untold = faults.filter(
    (fault) => fault !== 'healthy' && causesOf(fault).every((cause) => isUntold(problem, cause)),
  );
  const all = Math.log(faults.reduce((sum, fault) => sum + weightOf(fault), 0));
  const isUnexplained = misfitOf(problem, leadingOf(tried).fit) > pairedFrom;
  const pairs =
    examination.beyond && isUnexplained
      ? yield* pairsOf(problem, ground, tried, faults, (fault) => Math.log(weightOf(fault)))
      : [];
  const beyond = examination.beyond ? beyondOf() : null;
  const share = shareOfSingles(beyond);
  const next = nextReading(
    [
      ...weighed.map((one) => ({ ...one, probability: one.probability * share })),
      ...pairs.slice(0, drawnPairs).map(({ faults: two, fit }) => ({
        probability: beyond!.pairs.find((pair) => pair.faults === two)!.probability,
        draws: drawsOf(problem, fit, drawsOfPair, codes).draws,
      })),
    ].filter(({ draws }) => draws.length > 0),
    open,
    problem.codes.length,
    instruments,
  );
  const stories = suspectsOf({ causes, beyond })
    .slice(0, mostStories)
    .flatMap(({ faults: suspected }): Story[] => {
      const fit = fitOf(suspected);
      if (!fit) return [];
      const predicted = problem.predict(fit.cause, fit.place, codes);
      return [
        {
          faults: suspected,
          readings: Object.fromEntries(codes.map((code, i) => [code, predicted[i]!])),
          misfit: misfitOf(problem, fit),
        },
      ];
    });
  return succeed({ causes, beyond, next, stories, untold, simulations: problem.simulations });

  /** Two at once where no single one explains what was read, and what is left for neither. */
  function beyondOf(): Beyond {
    const none = Math.log(noneWeight) + all + logChanceOfAnything(given, ground.predicted);
    const logs = pairs.map(({ logWeight }) => logWeight - all);
    const total = logSum([refined, none, ...logs]);
    return {
      pairs: pairs.map(({ faults: two }, i) => ({
        faults: two,
        probability: Math.exp(logs[i]! - total),
      })),
      none: Math.exp(none - total),
    };
  }

  function fitOf(suspected: readonly FaultCode[]): Fit | undefined {
    const [first, second] = suspected;
    if (second) return pairs.find(({ faults: two }) => two === suspected)?.fit;
    const sides = tried.filter(({ fit }) => fit.cause.fault === first);
    return sides.length > 0 ? leadingOf(sides).fit : undefined;
  }
}

const leadingOf = (tried: readonly Tried[]): Tried =>
  tried.reduce((a, b) => (b.logWeight > a.logWeight ? b : a));

/** Pairs that count in what to read next, and draws of each. */
const drawnPairs = 4;
const drawsOfPair = 20;

/** From this misfit of the best single fault on, two at once are looked for. */
const pairedFrom = 0.3;

/** Of its own uncertainty, how little a reading may differ to tell nothing. */
const tellsNothing = 0.3;

/** Whether a fault, of the middle of its severities, would show as a sound system does in everything that was read. */
function isUntold(problem: Problem, cause: Cause): boolean {
  const middle: Place = { z: new Float64Array(problem.spreads.length), u: 0.5 };
  const [sound, ill] = [causesOf('healthy')[0]!, cause].map((one) =>
    problem.predict(one, middle, problem.codes),
  );
  return problem.given.every((given, i) => {
    const [a, b] = [sound![i]!, ill![i]!];
    if (typeof a !== 'number' || typeof b !== 'number') return a === b;
    return Math.abs(a - b) < tellsNothing * uncertaintyOf(given, a, problem.instruments);
  });
}
