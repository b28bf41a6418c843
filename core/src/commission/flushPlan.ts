import { flushTimes, washout } from '../base/practice.ts';
import type { Assessment } from '../system/assessment.ts';
import { isMakerPiped, type SystemDesign } from '../system/design.ts';
import type { BranchKind } from '../hydraulics/branchPressure.ts';
import {
  isAddedLamp,
  type UltravioletAssessment,
  type UltravioletLine,
} from '../system/ultravioletLine.ts';
import { type Outcome, succeed } from '../base/outcome.ts';
import { type WashedOut, washedOut } from './washout/washedOut.ts';

/** What each kind of step is told by. Litres are of product unless said. */
export interface FlushData {
  /** Whether a mixer's hot side was closed with the cold. */
  'reopen-house': { hotSide: boolean };
  /** The tube behind the last pre-filter by its label; null where it is the maker's own. */
  'take-tube-off': { label: number | null };
  'crack-feed-open': Record<never, never>;
  'leak-check': { state: LeakState };
  'prefilter-flush': { cartridges: number };
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
  'membrane-rinse': { litres: number };
  'close-tap-open-tank': Record<never, never>;
  'tank-fill': TankFilling;
  'tank-drain': TankDraining;
  'run-open-tap': { litres: number };
  'open-branch': { kind: BranchKind };
  'lamp-on': Record<never, never>;
  'dispenser-rinse': { litres: number; times: number };
  'heater-on': Record<never, never>;
  'rest-and-recheck': Record<never, never>;
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

/** What of the plumbing a flush needs to know. */
export interface FlushFacts {
  /** Whether a mixer's hot side was closed with the cold. */
  hotSide: boolean;
  /** Label of the tube behind the last pre-filter; null where the maker laid it. */
  bucketTube: number | null;
  regulatorBar: number | null;
}
export const plainFlush: FlushFacts = { hotSide: false, bucketTube: null, regulatorBar: null };

export type FlushStepCode = keyof FlushData;

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
  };
}[FlushStepCode];

/** A tap that gives less is taken to give this, L/min, so that a time stays a time. */
const leastStreamLPerMin = 0.05;

function step<C extends FlushStepCode>(
  code: C,
  minutes: number | null,
  attended: boolean,
  data: FlushData[C],
  suffix = '',
): FlushStep {
  return { id: code + suffix, code, minutes, attended, data } as FlushStep;
}

/**
 * A lamp is lit last, in a reactor full of water: what lies in new filters would shade and coat the sleeve, and air leaves it hot.
 * One that was added is also tried against the flow from before: a reactor's inlet mesh catches what the cut left in the tube.
 */
export function ultravioletFlushPlan(
  system: UltravioletLine,
  { flowLPerMin }: UltravioletAssessment,
  facts: FlushFacts = plainFlush,
): FlushStep[] {
  if (isAddedLamp(system)) {
    const minutes = flushTimes.lampFill;
    return [
      step('reopen-existing', null, true, { tank: system.addedTo === 'tank-system' }),
      leakCheck('filling'),
      step('lamp-fill', minutes, true, { litres: flowLPerMin * minutes }),
      step('mesh-check', null, true, { flowLPerH: flowLPerMin * 60 }),
      step('lamp-on', flushTimes.lampWarmUp, true, {}),
      leakCheck('pressurised'),
      step('rest-and-recheck', null, true, {}),
    ];
  }
  const minutes = flushTimes.prefilter;
  return [
    ...opening(facts),
    step('crack-feed-open', null, true, {}),
    leakCheck('filling'),
    ...regulator(facts),
    step('line-flush', minutes, true, {
      cartridges: system.prefilters.length,
      litres: flowLPerMin * minutes,
    }),
    leakCheck('pressurised'),
    step('lamp-on', flushTimes.lampWarmUp, true, {}),
    step('rest-and-recheck', null, true, {}),
  ];
}

const leakCheck = (state: LeakState): FlushStep =>
  step('leak-check', flushTimes.leakWatch, true, { state }, `-${state}`);

/** The house's water on again, while the unit's own valve is still closed. */
const opening = ({ hotSide }: FlushFacts): FlushStep[] => [
  step('reopen-house', null, true, { hotSide }),
];

const regulator = ({ regulatorBar }: FlushFacts): FlushStep[] =>
  regulatorBar === null ? [] : [step('set-regulator', null, true, { bar: regulatorBar })];

/** A dispenser's tanks are rinsed with the heater off, which is switched on when its tank is full: dry it burns out. */
function dispenserSteps({ tap }: SystemDesign, { tapHalfLPerMin }: Assessment): FlushStep[] {
  if (!tap.dispenser) return [];
  const { hotL, coldL, heaterW } = tap.dispenser;
  const litres = washout.dispenserRinses * (hotL + coldL);
  return [
    step('dispenser-rinse', litres / Math.max(tapHalfLPerMin, leastStreamLPerMin), true, {
      litres,
      times: washout.dispenserRinses,
    }),
    ...(heaterW > 0 ? [step('heater-on', null, true, {})] : []),
  ];
}

/** Whether a unit's cartridges are sealed: turned in, flushed by the unit itself, with nothing to be taken apart. */
export const isSealed = (design: SystemDesign): boolean =>
  design.unit ? design.unit.closing === 'quarter-turn' : isMakerPiped(design);

/**
 * From the house's valve to water at the membrane. Pre-filters in housings are run into a bucket with the tube behind them off, so that
 * carbon dust passes neither valve, pump, membrane nor restrictor; then the membrane, then joined, then pressurised, then plugged in.
 */
function beginning(design: SystemDesign, facts: FlushFacts): FlushStep[] {
  const cartridges = design.prefilters.length;
  const plugIn = design.pump ? [step('plug-in', null, true, { tankless: !design.tank })] : [];
  if (isSealed(design)) {
    return [
      ...opening(facts),
      step('crack-feed-open', null, true, {}),
      leakCheck('filling'),
      ...regulator(facts),
      ...plugIn,
      ...(design.pump ? [step('auto-flush', flushTimes.autoFlush, true, { cartridges })] : []),
    ];
  }
  const { bucketTube: label } = facts;
  return [
    ...opening(facts),
    step('take-tube-off', null, true, { label }),
    step('crack-feed-open', null, true, {}),
    leakCheck('filling'),
    step('prefilter-flush', flushTimes.prefilter, true, { cartridges }),
    step('close-feed', null, true, {}),
    step('fit-membrane', null, true, { elements: design.elements }),
    step('put-tube-on', null, true, { label }),
    step('open-feed', null, true, { tank: design.tank !== null }),
    ...regulator(facts),
    ...plugIn,
  ];
}

/**
 * The plan of flushing exactly this system in today's water, from the house's closed valve to the first water that is kept.
 * Errors: those of washing it out.
 */
export function flushPlan(
  design: SystemDesign,
  today: Assessment,
  facts: FlushFacts = plainFlush,
): Outcome<FlushStep[]> {
  const washed = washedOut(design, today.water, isSealed(design));
  if (!washed.ok) return washed;
  const { rinse } = washed.value;
  const start = beginning(design, facts);
  const finish = [
    ...(design.lamp ? [step('lamp-on', flushTimes.lampWarmUp, true, {})] : []),
    ...dispenserSteps(design, today),
    ...design.branches.map(({ kind }) => step('open-branch', null, true, { kind }, `-${kind}`)),
    step('rest-and-recheck', null, true, {}),
  ];
  if (!design.tank) {
    return succeed([
      ...start,
      step('run-open-tap', rinse.timeMin, true, { litres: rinse.productVolumeL }),
      leakCheck('pressurised'),
      ...finish,
    ]);
  }
  // A tank inside a unit has no valve of its own.
  const openTank = design.tank.internal ? [] : [step('close-tap-open-tank', null, true, {})];
  return succeed([
    ...start,
    step('membrane-rinse', rinse.timeMin, true, { litres: rinse.productVolumeL }),
    leakCheck('pressurised'),
    ...openTank,
    ...tankSteps(washed.value),
    ...finish,
  ]);
}

/** Fills that are thrown away, and the first that is kept; none where the tank never shuts off. */
function tankSteps(washed: WashedOut): FlushStep[] {
  const { cycles, feedClosed, usableVolumeL = 0, leftInTankL = 0 } = washed;
  if (!cycles) return [];
  return Array.from({ length: cycles + 1 }, (_, i) => {
    const isFirst = i === 0;
    const kept = i === cycles;
    const minutes = isFirst ? washed.firstFillTimeMin! : washed.fillTimeMin!;
    const filling = {
      cycle: i + 1,
      cycles,
      kept,
      litres: isFirst ? usableVolumeL : usableVolumeL - leftInTankL,
      drainLitres: (washed.fillDrainVolumeL! * minutes) / washed.fillTimeMin!,
    };
    const draining = {
      cycle: i + 1,
      cycles,
      litres: washed.emptyProductVolumeL!,
      leftLitres: leftInTankL,
      feedClosed,
    };
    return [
      step('tank-fill', minutes, false, filling, `-${i + 1}`),
      ...(isFirst ? [leakCheck('tank-full')] : []),
      ...(kept ? [] : [step('tank-drain', washed.emptyTimeMin!, true, draining, `-${i + 1}`)]),
    ];
  }).flat();
}
