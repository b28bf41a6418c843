import type { SystemDesign, FeedWater } from '../../system/design.ts';
import { asBuilt, type FaultCode, faults, type Signs, signsOf, sizeOf } from '../fault.ts';
import type { FlushStep, FlushStepCode } from './flushStep.ts';

/** What a person sees that is not as the step says. */
export const seenSigns = [
  'no-water-at-tap',
  'no-water-to-drain',
  'drain-runs-hard',
  'drain-goes-on',
  'fills-slowly',
  'weak-tap',
  'tds-high',
  'drips',
  'stays-dark',
  'chlorine',
  'pump-silent',
  'noise',
] as const;
export type SeenSign = (typeof seenSigns)[number];

/** Causes that no figure tells apart: hands and eyes do. The first named is the most common. */
export const handCauses = {
  drips: ['tube-not-home', 'tube-cut-askew', 'housing-ring', 'nut-or-thread'],
  'stays-dark': ['fines-still-leaving', 'cartridge-not-seated', 'cartridge-burst'],
  chlorine: ['cartridge-not-seated', 'flow-too-fast', 'wrong-cartridge'],
  'pump-silent': ['outlet-dead', 'low-pressure-switch', 'tank-full-switch'],
  noise: ['air-in-pump', 'pump-starved', 'water-hammer'],
} as const satisfies Partial<Record<SeenSign, readonly string[]>>;
type HandSign = keyof typeof handCauses;
export type HandCause = (typeof handCauses)[HandSign][number];

const isHandSign = (sign: SeenSign): sign is HandSign => sign in handCauses;

export type SignCause = FaultCode | HandCause;

/** How much off is seen at all, over a sound system's. */
const seen = { none: 0.15, hard: 1.6, slow: 1.5, weak: 0.6, tds: 1.7 } as const;
/** A look is mistaken once in fifty. */
const mistaken = 0.02;
/** With this chance it is something that is not in the list. */
const noneOfThese = 0.01;

/** Whether a system shows a sign, beside a sound one. */
const shows: Record<Exclude<SeenSign, HandSign>, (now: Signs, sound: Signs) => boolean> = {
  'no-water-at-tap': (now, sound) => now.productLPerH < seen.none * sound.productLPerH,
  'no-water-to-drain': (now, sound) => now.drainLPerH < seen.none * sound.drainLPerH,
  'drain-runs-hard': (now, sound) => now.drainLPerH > seen.hard * sound.drainLPerH,
  'drain-goes-on': (now) => !now.drainStops(),
  'fills-slowly': (now, sound) => (now.fillMin() ?? 0) > seen.slow * (sound.fillMin() ?? Infinity),
  'weak-tap': (now, sound) => now.tapLPerMin() < seen.weak * sound.tapLPerMin(),
  'tds-high': (now, sound) =>
    now.productLPerH > 0 && now.productTdsMgL > seen.tds * sound.productTdsMgL,
};

export interface RankedCause {
  cause: SignCause | 'none-of-these';
  /** Null for what only hands and eyes tell apart. */
  probability: number | null;
}

/** Signs that a step can show. */
const anywhere: readonly SeenSign[] = ['drips'];
const ofRunning: readonly SeenSign[] = [
  'no-water-at-tap',
  'no-water-to-drain',
  'drain-runs-hard',
  'weak-tap',
  'tds-high',
  'drips',
  'stays-dark',
  'noise',
];
const ofFilling: readonly SeenSign[] = [
  'fills-slowly',
  'drain-goes-on',
  'drain-runs-hard',
  'no-water-to-drain',
  'drips',
  'noise',
];
const signsByCode: Partial<Record<FlushStepCode, readonly SeenSign[]>> = {
  'prefilter-flush': ['stays-dark', 'chlorine', 'drips'],
  'line-flush': ['stays-dark', 'chlorine', 'drips'],
  'sanitise-rinse': ['drips'],
  'plug-in': ['pump-silent', 'noise', 'drips'],
  'auto-flush': ['pump-silent', 'no-water-to-drain', 'drips', 'noise'],
  'open-feed': ['no-water-at-tap', 'no-water-to-drain', 'drips', 'noise'],
  'membrane-rinse': ofRunning,
  'run-open-tap': ofRunning,
  'close-tap-open-tank': ['no-water-to-drain', 'drips'],
  'tank-fill': ofFilling,
  'tank-drain': ['weak-tap', 'drips', 'stays-dark'],
  'dispenser-rinse': ['weak-tap', 'drips', 'stays-dark'],
};

export function signsAt(step: FlushStep, design: SystemDesign | null): readonly SeenSign[] {
  const pumped = Boolean(design?.pump);
  return (signsByCode[step.code] ?? anywhere).filter(
    (sign) => (design !== null || isHandSign(sign)) && (pumped || sign !== 'pump-silent'),
  );
}

/**
 * What is likely behind a sign, the likeliest first: how common each fault is, times how much of its range shows the sign on this very
 * system in this water. Where only hands and eyes tell, the usual causes in their usual order.
 */
export function causesOf(
  design: SystemDesign | null,
  water: FeedWater | null,
  sign: SeenSign,
): RankedCause[] {
  if (isHandSign(sign)) {
    return handCauses[sign].map((cause) => ({ cause, probability: null }));
  }
  if (!design || !water) return [];
  const sound = signsOf(design, asBuilt(water));
  const weighed: { cause: RankedCause['cause']; weight: number }[] = faults
    .filter(({ exists }) => exists(design))
    .map(({ code, weight, severities, alter }) => {
      const range = severities(sizeOf(design));
      const shown = range.filter((v) =>
        shows[sign](signsOf(design, alter(asBuilt(water), v)), sound),
      ).length;
      const share = shown / range.length;
      return { cause: code, weight: weight * (share * (1 - mistaken) + (1 - share) * mistaken) };
    });
  weighed.push({ cause: 'none-of-these', weight: noneOfThese });
  const sum = weighed.reduce((total, { weight }) => total + weight, 0);
  return weighed
    .map(({ cause, weight }) => ({ cause, probability: weight / sum }))
    .sort((a, b) => b.probability - a.probability);
}
