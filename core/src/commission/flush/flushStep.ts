import type { BranchKind } from '../../hydraulics/branchPressure.ts';
import type { Disinfection } from '../washout/disinfection.ts';

/** What each kind of step is told by. Litres are of product unless said. */
export interface FlushData {
  /** Whether a mixer's hot side was closed with the cold. */
  'reopen-house': { hotSide: boolean };
  /** The tube behind the last pre-filter by its label; null where it is the maker's own. */
  'take-tube-off': { label: number | null };
  /** Cartridges and elements out, bleach into the first housing; drawn through to the tap, left to stand, rinsed out. */
  'sanitise-dose': Disinfection;
  'sanitise-fill': Disinfection;
  'sanitise-contact': Disinfection;
  'sanitise-rinse': Disinfection;
  'fit-cartridges': { cartridges: number };
  'crack-feed-open': Record<never, never>;
  'leak-check': { state: LeakState };
  /** `first` cartridges are in the line; all of them where they are flushed together. */
  'prefilter-flush': { cartridges: number; first: number };
  'auto-flush': { cartridges: number };
  'close-feed': Record<never, never>;
  'put-tube-on': { label: number | null };
  'set-regulator': { bar: number };
  'open-feed': { tank: boolean };
  'plug-in': { tankless: boolean };
  'line-flush': { cartridges: number; litres: number };
  'reopen-existing': { tank: boolean };
  'lamp-fill': { litres: number };
  'mesh-check': { flowLPerH: number };
  'fit-membrane': { elements: number };
  'membrane-rinse': Rinse;
  'close-tap-open-tank': Record<never, never>;
  'tank-fill': TankFilling;
  'tank-drain': TankDraining;
  'night-rest': Record<never, never>;
  'run-open-tap': Rinse;
  /** Litres run and bins of ice thrown away before the first that is kept. */
  'open-branch': { kind: BranchKind; litres: number; bins: number };
  'lamp-on': Record<never, never>;
  'dispenser-rinse': { litres: number; times: number };
  'heater-on': Record<never, never>;
  'rest-and-recheck': Record<never, never>;
}

/** What sheds grains or dust into the product line while it is new. */
export type Fines = 'post-carbon' | 'mineral';

/** Product run to the open tap. */
interface Rinse {
  litres: number;
  fines: readonly Fines[];
  /** The tap has a vent of its own for the drain water. */
  airGap: boolean;
}

/** One filling of the tank. The one after the last that is thrown away is kept. */
interface TankFilling {
  cycle: number;
  cycles: number;
  kept: boolean;
  litres: number;
  drainLitres: number;
}

/** One emptying of it through the open tap. */
interface TankDraining {
  cycle: number;
  cycles: number;
  litres: number;
  /** What does not leave it, L; nothing where it runs dry. */
  leftLitres: number;
  /** The feed has to be closed meanwhile, or production keeps up with the tap. */
  feedClosed: boolean;
}

/** What the joints are under when they are looked at. */
export type LeakState = 'filling' | 'pressurised' | 'tank-full';

export type FlushStepCode = keyof FlushData;

/** What is seen when a step has done what it is for. Minutes are what is waited where nobody looks. */
export type EndCriterion =
  | { kind: 'clear-cup' }
  /** A strip behind the carbon, or behind what bleach was in; of total chlorine where chloramine may be in the supply. */
  | { kind: 'strip'; underMgL: number; of: 'free' | 'total' }
  | { kind: 'tds-steady'; withinShare: number; overMin: number }
  | { kind: 'litres'; litres: number }
  | { kind: 'drain-stopped' }
  | { kind: 'trickle'; flowLPerMin: number }
  | { kind: 'dry' };

export const endKinds = [
  'clear-cup',
  'strip',
  'tds-steady',
  'litres',
  'drain-stopped',
  'trickle',
  'dry',
] as const satisfies readonly EndCriterion['kind'][];
export type EndKind = (typeof endKinds)[number];

/** Who does a step: the waiting outlasts the visit. */
export const flushHands = ['installer', 'household', 'return-visit'] as const;
export type FlushHand = (typeof flushHands)[number];

/** One thing to do or wait for. A step with minutes has a timer. */
export type FlushStep = {
  [C in FlushStepCode]: {
    id: string;
    code: C;
    /** Time the step takes or must run; null for what is simply done. */
    minutes: number | null;
    /** Whether someone has to stay beside it. */
    attended: boolean;
    data: Readonly<FlushData[C]>;
    by: FlushHand;
    /** What ends it; all of them. Empty where doing it is all. */
    ends: readonly EndCriterion[];
  };
}[FlushStepCode];

interface StepOptions {
  /** Told apart from others of its code. */
  suffix?: string;
  attended?: boolean;
  ends?: readonly EndCriterion[];
}

export function flushStep<C extends FlushStepCode>(
  code: C,
  minutes: number | null,
  data: FlushData[C],
  { suffix = '', attended = true, ends = [] }: StepOptions = {},
): FlushStep {
  return { id: code + suffix, code, minutes, attended, by: 'installer', data, ends } as FlushStep;
}

/** As much of a step as its times hang on. */
export type PlannedStep = Pick<FlushStep, 'id' | 'code' | 'minutes' | 'attended' | 'by'>;
