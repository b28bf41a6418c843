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

/** Something that was noticed and not measured. */
export type Hint = { sign: FigureSign } | { complaint: Complaint };

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
  const telling = hints.flatMap((hint) => {
    if ('sign' in hint) return [{ isShown: shows[hint.sign], mistaken: mistakenShare }];
    const isShown = complainedOf[hint.complaint];
    return isShown ? [{ isShown, mistaken: complainedWrongly }] : [];
  });
  const sound = signsOf(usual);
  const chance = (as: Scenario): number => {
    try {
      const now = signsOf(as);
      return telling.reduce(
        (all, { isShown, mistaken }) => all * (isShown(now, sound, as) ? 1 - mistaken : mistaken),
        1,
      );
    } catch (error) {
      if (!(error instanceof NoBalance)) throw error;
      // What cannot run shows nothing that could be told of.
      return telling.reduce((all, { mistaken }) => all * mistaken, 1);
    }
  };
  const faults = possibleFaults(usual.system, usual.samplePoint, asked);
  return new Map(
    faults.map((fault) => [
      fault,
      telling.length === 0
        ? 1
        : scenariosOf(usual, fault).reduce((sum, { as, share }) => sum + share * chance(as), 0),
    ]),
  );
}
