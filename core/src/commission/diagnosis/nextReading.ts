import { logNormalBetween } from '../../base/numeric/normal.ts';
import type { Draw } from './draw.ts';
import { type ReadingCode, readingKind, type Seen } from './reading.ts';
import { logLikelihood, standardUncertainty, type TestInstruments } from './uncertainty.ts';

/** A reading that is not yet taken, and what it is expected to tell. */
export interface Proposal {
  reading: ReadingCode;
  expectedInformationBits: number;
  minutes: number;
}

/** A cause's draws and its probability. */
export interface Weighed {
  probability: number;
  draws: readonly Draw[];
}

/** Work that comes with any reading, minutes: taking the tool out and writing down. */
const overheadMin = 0.5;
/** Under this, in nats, no reading tells the rest apart. */
export const tellsNothing = 0.02;
const gridPoints = 48;

const entropy = (shares: readonly number[]): number =>
  shares.reduce((sum, p) => (p > 0 ? sum - p * Math.log(p) : sum), 0);

/**
 * Information on the cause that a reading is expected to bring, nats: how much surer one would be of it, over all that may be read.
 * @param at the reading's place among what was predicted of every draw
 */
function expectedInformation(
  causes: readonly Weighed[],
  code: ReadingCode,
  at: number,
  instruments: TestInstruments,
): number {
  const outcomes = outcomesOf(causes, code, at, instruments);
  let after = 0;
  for (const shares of outcomes) {
    const whole = shares.reduce((sum, p) => sum + p, 0);
    if (whole > 0) after += whole * entropy(shares.map((p) => p / whole));
  }
  const total = outcomes.reduce((sum, shares) => sum + shares.reduce((a, b) => a + b, 0), 0);
  const prior = causes.map((_, i) => outcomes.reduce((sum, shares) => sum + shares[i]!, 0) / total);
  return Math.max(entropy(prior) - after / total, 0);
}

/** For each thing that may be read, the joint probability of it with each cause. */
function outcomesOf(
  causes: readonly Weighed[],
  code: ReadingCode,
  at: number,
  instruments: TestInstruments,
): number[][] {
  const joint = (chance: (truth: Seen) => number) =>
    causes.map(({ probability, draws }) =>
      draws.reduce(
        (sum, { predicted, weight }) => sum + probability * weight * chance(predicted[at]!),
        0,
      ),
    );
  if (readingKind(code).by === 'look') {
    return [true, false].map((seen) =>
      joint((truth) => Math.exp(logLikelihood({ code, seen }, truth, instruments))),
    );
  }
  const none = joint((truth) => (truth === null ? 1 : 0));
  const grid = gridFor(causes, code, at, instruments);
  const cells = grid.slice(1).map((high, i) => {
    const low = grid[i]!;
    return joint((truth) => {
      if (typeof truth !== 'number') return 0;
      const sd = standardUncertainty(code, truth, instruments);
      return Math.exp(logNormalBetween((low - truth) / sd, (high - truth) / sd));
    });
  });
  return [none, ...cells];
}

/** Edges of cells that the reading may fall in: as many below each as above, over all causes and their uncertainty. */
function gridFor(
  causes: readonly Weighed[],
  code: ReadingCode,
  at: number,
  instruments: TestInstruments,
): number[] {
  const spots: { value: number; weight: number }[] = [];
  for (const { probability, draws } of causes) {
    for (const { predicted, weight } of draws) {
      const truth = predicted[at];
      if (typeof truth !== 'number' || !(weight > 0)) continue;
      const sd = standardUncertainty(code, truth, instruments);
      for (const off of [-1.8, -0.9, -0.3, 0.3, 0.9, 1.8]) {
        spots.push({ value: truth + off * sd, weight: probability * weight });
      }
    }
  }
  spots.sort((a, b) => a.value - b.value);
  const whole = spots.reduce((sum, { weight }) => sum + weight, 0);
  const edges: number[] = [-Infinity];
  let sum = 0;
  for (const { value, weight } of spots) {
    sum += weight;
    if (sum >= (whole * edges.length) / gridPoints && value > edges.at(-1)!) edges.push(value);
  }
  return [...edges, Infinity];
}

/**
 * The reading not yet taken that is expected to tell most of the cause for each minute of work; null where none tells anything any more.
 * @param codes the readings not yet taken, in the order of the draws' predictions from `from` on
 */
export function nextReading(
  causes: readonly Weighed[],
  codes: readonly ReadingCode[],
  from: number,
  instruments: TestInstruments,
): Proposal | null {
  const told = codes.map((reading, i) => {
    const nats = expectedInformation(causes, reading, from + i, instruments);
    const { minutes } = readingKind(reading);
    return { nats, proposal: { reading, expectedInformationBits: nats / Math.LN2, minutes } };
  });
  const rate = ({ expectedInformationBits, minutes }: Proposal) =>
    expectedInformationBits / (minutes + overheadMin);
  if (!told.some(({ nats }) => nats >= tellsNothing)) return null;
  return told.map(({ proposal }) => proposal).reduce((a, b) => (rate(b) > rate(a) ? b : a));
}
