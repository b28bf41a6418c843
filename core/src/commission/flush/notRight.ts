import type { SystemDesign, FeedWater } from '../../system/design.ts';
import { type FaultCode, faultKind, possibleFaults } from '../diagnosis/fault.ts';
import { figureSigns, scenariosOf, shows } from '../diagnosis/hint.ts';
import { asSurveyed, type Scenario } from '../diagnosis/scenario.ts';
import { signsOf } from '../diagnosis/signs.ts';
import { testedSystemOf } from '../diagnosis/testedSystem.ts';
import { mistakenShare } from '../diagnosis/uncertainty.ts';
import type { FlushStep, FlushStepCode } from './flushStep.ts';

/** What a person sees that is not as the step says. */
export const seenSigns = [
  ...figureSigns,
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

/** Faults that no reading of a flush comes from: the hand that reads is not at work yet, and what fails with age is new. */
const notWhileFlushing = [
  'healthy',
  'carbon-spent',
  'membrane-old',
  'sampled-after-minerals',
  'sampled-after-standing',
  'feed-water-changed',
  'meter-miscalibrated',
  'meters-differ',
  'sampled-first-tank',
] as const satisfies readonly FaultCode[];
export type FlushFault = Exclude<FaultCode, (typeof notWhileFlushing)[number]> | 'water-cold';
const isOfFlushing = (code: FaultCode): code is Exclude<FlushFault, 'water-cold'> =>
  !(notWhileFlushing as readonly FaultCode[]).includes(code);

/** Colder than surveyed by so many degrees, as likely each; in a verification the temperature is read. */
const colderC = [3, 5, 7, 9] as const;
const coldWeight = 0.03;

export type SignCause = FlushFault | HandCause;

/** With this chance it is something that is not in the list. */
const noneOfThese = 0.01;

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
  const usual = asSurveyed(testedSystemOf(design, water));
  const sound = signsOf(usual);
  const weighed = candidatesOf(usual).map(({ cause, weight, scenarios }) => {
    const shown = scenarios.filter((as) => shows[sign](signsOf(as), sound)).length;
    const share = shown / scenarios.length;
    return { cause, weight: weight * (share * (1 - mistakenShare) + (1 - share) * mistakenShare) };
  });
  weighed.push({ cause: 'none-of-these', weight: noneOfThese });
  const sum = weighed.reduce((total, { weight }) => total + weight, 0);
  return weighed
    .map(({ cause, weight }) => ({ cause, probability: weight / sum }))
    .sort((a, b) => b.probability - a.probability);
}

interface Candidate {
  cause: RankedCause['cause'];
  weight: number;
  /** As likely each. */
  scenarios: Scenario[];
}

function candidatesOf(usual: Scenario): Candidate[] {
  const { system, samplePoint } = usual;
  const { feed } = system;
  const faults = possibleFaults(system, samplePoint).filter(isOfFlushing);
  return [
    ...faults.map((fault): Candidate => ({
      cause: fault,
      weight: faultKind(fault).weight,
      scenarios: scenariosOf(usual, fault).map(({ as }) => as),
    })),
    {
      cause: 'water-cold',
      weight: coldWeight,
      scenarios: colderC.map((by) => ({
        ...usual,
        system: { ...system, feed: { ...feed, temperatureC: Math.max(1, feed.temperatureC - by) } },
      })),
    },
  ];
}
