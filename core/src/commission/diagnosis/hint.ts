import { type FaultCode, possibleFaults, severityAt } from './fault.ts';
import { causesOf } from './problem.ts';
import type { Scenario } from './scenario.ts';
import { type Signs, signsOf } from './signs.ts';
import { NoBalance } from './simulate.ts';
import { mistakenShare } from './uncertainty.ts';

/** What a person at work sees of a system without an instrument, and figures follow from. */
export const figureSigns = [
  'no-water-at-tap',
  'no-water-to-drain',
  'drain-runs-hard',
  'drain-goes-on',
  'fills-slowly',
  'weak-tap',
  'tds-high',
] as const;
export type FigureSign = (typeof figureSigns)[number];

/** What a household complains of. Of noise and a leak no figure of the model tells; they are noted, and lead to a look. */
export const complaints = ['slow', 'taste', 'runs-to-drain', 'noise', 'leak'] as const;
export type Complaint = (typeof complaints)[number];

/** How one of a membrane's factors went in the years before: as it was, little by little, or at once. */
export const courses = ['steady', 'gradual', 'sudden'] as const;
export type Course = (typeof courses)[number];

/** Something that was noticed and not measured; or how a membrane went in the years before. */
export type Hint =
  | { sign: FigureSign }
  | { complaint: Complaint }
  | { trend: 'saltPassage' | 'flow'; course: Course };

/** How much off is seen at all, over a sound system's. */
const seen = { none: 0.15, hard: 1.6, slow: 1.5, weak: 0.6, tds: 1.7 } as const;

/** Whether a system shows a sign, beside a sound one. */
export const shows: Record<FigureSign, (now: Signs, sound: Signs) => boolean> = {
  'no-water-at-tap': (now, sound) => now.productLPerH < seen.none * sound.productLPerH,
  'no-water-to-drain': (now, sound) => now.drainLPerH < seen.none * sound.drainLPerH,
  'drain-runs-hard': (now, sound) => now.drainLPerH > seen.hard * sound.drainLPerH,
  'drain-goes-on': (now) => !now.drainStops(),
  'fills-slowly': (now, sound) => (now.fillMin() ?? 0) > seen.slow * (sound.fillMin() ?? Infinity),
  'weak-tap': (now, sound) => now.tapLPerMin() < seen.weak * sound.tapLPerMin(),
  'tds-high': (now, sound) =>
    now.productLPerH > 0 && now.productTdsMgL > seen.tds * sound.productTdsMgL,
};

/** Share of the supply's chlorine from which people taste it. */
const tastedChlorineShare = 0.2;
/** A household complains of what is not so, or of something else than it says, this often: people are not instruments. */
const complainedWrongly = 0.1;

/** Whether a household would complain of it; null where no figure tells. */
const complainedOf: Record<
  Complaint,
  ((now: Signs, sound: Signs, as: Scenario) => boolean) | null
> = {
  slow: (now, sound) =>
    shows['weak-tap'](now, sound) ||
    shows['no-water-at-tap'](now, sound) ||
    shows['fills-slowly'](now, sound),
  taste: (now, sound, { trouble }) =>
    shows['tds-high'](now, sound) || (trouble.chlorineShare ?? 0) > tastedChlorineShare,
  'runs-to-drain': (now) => shows['drain-goes-on'](now, now),
  noise: null,
  leak: null,
};

/** What comes little by little and would have been seen coming; anything else comes at once, mostly since somebody looked last. */
const slowFaults: ReadonlySet<FaultCode> = new Set([
  'carbon-spent',
  'membrane-oxidised',
  'membrane-scaled',
  'membrane-old',
]);

/** From when a factor is called changed: a fifth. */
const changed = 1.2;

/**
 * Chance that the years before went so, by whether a fault comes little by little and would have moved this factor. Where it would not, or
 * comes at once, the years say how often membranes go so in any case. Choices of ours.
 */
const courseChances: Record<Course, { slowMover: number; quickMover: number; other: number }> = {
  steady: { slowMover: 0.15, quickMover: 0.6, other: 0.6 },
  gradual: { slowMover: 0.75, quickMover: 0.25, other: 0.3 },
  sudden: { slowMover: 0.1, quickMover: 0.3, other: 0.1 },
};

/** Whether a fault moves a membrane's own factor, beside a sound one. */
const moves = (of: 'saltPassage' | 'flow', now: Signs, sound: Signs): boolean =>
  of === 'flow'
    ? now.productLPerH < sound.productLPerH / changed
    : now.productLPerH > 0 && now.productTdsMgL > sound.productTdsMgL * changed;

/** Places in a severity's range that stand for all of it. */
export const middles = [0.1, 0.3, 0.5, 0.7, 0.9] as const;

/** A fault at places that stand for its whole range, with the share of it that each is. */
export const scenariosOf = (usual: Scenario, fault: FaultCode): { as: Scenario; share: number }[] =>
  causesOf(fault).flatMap(({ severity, alter, share }) => {
    const places = severity ? middles : [0];
    return places.map((u) => ({
      as: alter(usual, severityAt(severity, u, usual.system)),
      share: share / places.length,
    }));
  });

/**
 * Chance of all that was noticed, by fault: over its severities, on this very system in this water.
 * What a reading tells of the severity besides is not carried over: a hint speaks for a fault, not for how bad it is.
 */
export function chancesOfHints(
  usual: Scenario,
  hints: readonly Hint[],
  asked: readonly FaultCode[] = [],
): Map<FaultCode, number> {
  const telling = hints.flatMap((hint): Telling[] => {
    if ('trend' in hint) return [courseTelling(hint)];
    if ('sign' in hint) return [seenTelling(shows[hint.sign], mistakenShare)];
    const isShown = complainedOf[hint.complaint];
    return isShown ? [seenTelling(isShown, complainedWrongly)] : [];
  });
  const sound = signsOf(usual);
  const chance = (as: Scenario, fault: FaultCode): number => {
    try {
      const now = signsOf(as);
      return telling.reduce((all, { chanceOf }) => all * chanceOf({ now, sound, as, fault }), 1);
    } catch (error) {
      if (!(error instanceof NoBalance)) throw error;
      // What cannot run shows nothing that could be told of.
      return telling.reduce((all, { without }) => all * without, 1);
    }
  };
  const faults = possibleFaults(usual.system, usual.samplePoint, asked);
  return new Map(
    faults.map((fault) => [
      fault,
      telling.length === 0
        ? 1
        : scenariosOf(usual, fault).reduce(
            (sum, { as, share }) => sum + share * chance(as, fault),
            0,
          ),
    ]),
  );
}

/** What a hint says of a system as it would be with a fault. */
interface Telling {
  chanceOf: (told: { now: Signs; sound: Signs; as: Scenario; fault: FaultCode }) => number;
  /** Of a system that cannot run. */
  without: number;
}

const seenTelling = (
  isShown: (now: Signs, sound: Signs, as: Scenario) => boolean,
  mistaken: number,
): Telling => ({
  chanceOf: ({ now, sound, as }) => (isShown(now, sound, as) ? 1 - mistaken : mistaken),
  without: mistaken,
});

const courseTelling = ({
  trend,
  course,
}: {
  trend: 'saltPassage' | 'flow';
  course: Course;
}): Telling => {
  const { slowMover, quickMover, other } = courseChances[course];
  return {
    chanceOf: ({ now, sound, fault }) =>
      !moves(trend, now, sound) ? other : slowFaults.has(fault) ? slowMover : quickMover,
    without: other,
  };
};
