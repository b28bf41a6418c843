import { flushTimes, washout } from '../../base/practice.ts';
import type { Branch } from '../../hydraulics/branchPressure.ts';
import type { Tube } from '../../hydraulics/tubeLoss.ts';
import type { Assessment } from '../../system/assessment.ts';
import { isMakerPiped, type SystemDesign } from '../../system/design.ts';
import {
  type InstalledSystem,
  isAddedLamp,
  type UltravioletAssessment,
  type UltravioletLine,
} from '../../system/ultravioletLine.ts';
import { type Outcome, succeed } from '../../base/outcome.ts';
import { type FlushVisits, handedOut } from './visits.ts';
import { disinfectionOf } from '../washout/disinfection.ts';
import { tubesVolume } from '../washout/tubesVolume.ts';
import { type WashedOut, washedOut } from '../washout/washedOut.ts';
import {
  type EndCriterion,
  type Fines,
  flushStep,
  type FlushStep,
  type LeakState,
} from './flushStep.ts';

/** How a firm flushes, where the kit and the washout leave it a choice. */
export interface FlushWays {
  /** Pre-filters all together, or one after the other, adding one at a time. */
  prefilters: 'together' | 'one-by-one';
  /** Tanks that are thrown away at least; null for what is customary. The kit's own number is never undercut. */
  tanks: number | null;
  /** The last of them stands a night before it is drained. */
  nightsRest: boolean;
}

export const usualFlushWays: FlushWays = { prefilters: 'together', tanks: null, nightsRest: false };

/** What of the plumbing, the water and the firm a flush needs to know. */
export interface FlushFacts {
  /** Whether a mixer's hot side was closed with the cold. */
  hotSide: boolean;
  /** Label of the tube behind the last pre-filter; null where the maker laid it. */
  bucketTube: number | null;
  regulatorBar: number | null;
  /** Tubes from the feed valve to the vessel, for what bleach has to fill. */
  feedTubes: readonly Tube[];
  /** What the supply carries, or may carry, that carbon has to take out and a strip then shows; null where it carries none. */
  disinfectant: 'chlorine' | 'chloramine' | 'unknown' | null;
  /** Whether housings and tubes are sanitised before anything is in them. */
  sanitise: boolean;
  /** A laboratory found germs: what stands in it stands longer. */
  germsFound?: boolean;
  ways: FlushWays;
  /** Who is there when the tank has filled; null for what is proposed. */
  visits?: FlushVisits | null;
}
export const plainFlush: FlushFacts = {
  hotSide: false,
  bucketTube: null,
  regulatorBar: null,
  feedTubes: [],
  disinfectant: null,
  sanitise: false,
  ways: usualFlushWays,
};

/** A tap that gives less is taken to give this, L/min, so that a time stays a time. */
const leastStreamLPerMin = 0.05;

const clearCup: EndCriterion = { kind: 'clear-cup' };
const dry: EndCriterion = { kind: 'dry' };
const strip = (of: 'free' | 'total'): EndCriterion => ({
  kind: 'strip',
  underMgL: flushTimes.stripMgL,
  of,
});
const steady: EndCriterion = {
  kind: 'tds-steady',
  withinShare: flushTimes.steadyShare,
  overMin: flushTimes.steadyMin,
};
const ran = (litres: number): EndCriterion => ({ kind: 'litres', litres });

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
    const litres = flowLPerMin * minutes;
    return [
      flushStep('reopen-existing', null, { tank: system.addedTo === 'tank-system' }),
      leakCheck('filling'),
      flushStep('lamp-fill', minutes, { litres }, { ends: [ran(litres)] }),
      flushStep('mesh-check', null, { flowLPerH: flowLPerMin * 60 }),
      flushStep('lamp-on', flushTimes.lampWarmUp, {}),
      leakCheck('pressurised'),
      flushStep('rest-and-recheck', null, {}),
    ];
  }
  const minutes = flushTimes.prefilter;
  return [
    ...opening(facts),
    ...sanitising(system, facts, 0),
    flushStep('crack-feed-open', null, {}),
    leakCheck('filling'),
    ...regulator(facts),
    flushStep(
      'line-flush',
      minutes,
      { cartridges: system.prefilters.length, litres: flowLPerMin * minutes },
      { ends: [clearCup, ...behindCarbon(system, facts)] },
    ),
    leakCheck('pressurised'),
    flushStep('lamp-on', flushTimes.lampWarmUp, {}),
    flushStep('rest-and-recheck', null, {}),
  ];
}

const leakCheck = (state: LeakState): FlushStep =>
  flushStep('leak-check', flushTimes.leakWatch, { state }, { suffix: `-${state}`, ends: [dry] });

/** The house's water on again, while the unit's own valve is still closed. */
const opening = ({ hotSide }: FlushFacts): FlushStep[] => [
  flushStep('reopen-house', null, { hotSide }),
];

const regulator = ({ regulatorBar }: FlushFacts): FlushStep[] =>
  regulatorBar === null ? [] : [flushStep('set-regulator', null, { bar: regulatorBar })];

/** A strip tells whether carbon does its work, where the mains carry what it is there for. */
const behindCarbon = (
  { prefilters }: Pick<SystemDesign, 'prefilters'>,
  { disinfectant }: FlushFacts,
): EndCriterion[] =>
  disinfectant && prefilters.some(({ media }) => media !== 'sediment')
    ? [strip(disinfectant === 'chlorine' ? 'free' : 'total')]
    : [];

/** A dispenser's tanks are rinsed with the heater off, which is switched on when its tank is full: dry it burns out. */
function dispenserSteps({ tap }: SystemDesign, { tapHalfLPerMin }: Assessment): FlushStep[] {
  if (!tap.dispenser) return [];
  const { hotL, coldL, heaterW } = tap.dispenser;
  const litres = washout.dispenserRinses * (hotL + coldL);
  const minutes = litres / Math.max(tapHalfLPerMin, leastStreamLPerMin);
  return [
    flushStep(
      'dispenser-rinse',
      minutes,
      { litres, times: washout.dispenserRinses },
      { ends: [clearCup] },
    ),
    ...(heaterW > 0 ? [flushStep('heater-on', null, {})] : []),
  ];
}

/** What a branch throws away: what stands in its tube and in the appliance, a few times over; of ice, whole bins. */
function branchStep({ kind, innerDiameterMm, lengthM, flowLPerMin }: Branch): FlushStep {
  const inside = flushTimes.branch[kind];
  const litres =
    kind === 'ice-maker'
      ? 0
      : inside.litres + flushTimes.branchVolumes * tubesVolume([{ innerDiameterMm, lengthM }]);
  return flushStep(
    'open-branch',
    litres > 0 ? litres / Math.max(flowLPerMin, leastStreamLPerMin) : null,
    { kind, litres, bins: inside.bins },
    { suffix: `-${kind}`, ends: litres > 0 ? [ran(litres), dry] : [dry] },
  );
}

/** Whether a unit's cartridges are sealed: turned in, flushed by the unit itself, with nothing to be taken apart. */
export const isSealed = (design: SystemDesign): boolean =>
  design.unit ? design.unit.closing === 'quarter-turn' : isMakerPiped(design);

/** Bleach through everything with nothing in it that it spoils, up to the tap, and out again. */
function sanitising(system: InstalledSystem, facts: FlushFacts, tankL: number): FlushStep[] {
  const dose = disinfectionOf(system, {
    tubes: facts.feedTubes,
    tankL,
    germsFound: facts.germsFound ?? false,
  });
  if (!facts.sanitise || !dose) return [];
  return [
    flushStep('sanitise-dose', null, dose),
    flushStep('sanitise-fill', null, dose),
    flushStep('sanitise-contact', dose.contactMin, dose, { attended: false }),
    flushStep('sanitise-rinse', dose.rinseMin, dose, { ends: [strip('free')] }),
    flushStep('fit-cartridges', null, { cartridges: dose.cartridges }),
  ];
}

/** The pre-filters into the bucket: all at once, or each for itself behind those that run clear. */
function prefilterFlush(design: SystemDesign, facts: FlushFacts): FlushStep[] {
  const cartridges = design.prefilters.length;
  const ends = [clearCup, ...behindCarbon(design, facts)];
  if (facts.ways.prefilters === 'together' || cartridges < 2) {
    const data = { cartridges, first: cartridges };
    return [flushStep('prefilter-flush', flushTimes.prefilter, data, { ends })];
  }
  return design.prefilters.map((_, i) =>
    flushStep(
      'prefilter-flush',
      flushTimes.oneCartridge,
      { cartridges, first: i + 1 },
      { suffix: `-${i + 1}`, ends: i + 1 === cartridges ? ends : [clearCup] },
    ),
  );
}

/**
 * From the house's valve to water at the membrane. Pre-filters in housings are run into a bucket with the tube behind them off, so that
 * carbon dust passes neither valve, pump, membrane nor restrictor; then the membrane, then joined, then pressurised, then plugged in.
 */
function beginning(design: SystemDesign, facts: FlushFacts, tankL: number): FlushStep[] {
  const cartridges = design.prefilters.length;
  const plugIn = design.pump ? [flushStep('plug-in', null, { tankless: !design.tank })] : [];
  if (isSealed(design)) {
    return [
      ...opening(facts),
      flushStep('crack-feed-open', null, {}),
      leakCheck('filling'),
      ...regulator(facts),
      ...plugIn,
      ...(design.pump ? [flushStep('auto-flush', flushTimes.autoFlush, { cartridges })] : []),
    ];
  }
  const { bucketTube: label } = facts;
  return [
    ...opening(facts),
    ...sanitising(design, facts, tankL),
    flushStep('take-tube-off', null, { label }),
    flushStep('crack-feed-open', null, {}),
    leakCheck('filling'),
    ...prefilterFlush(design, facts),
    flushStep('close-feed', null, {}),
    flushStep('fit-membrane', null, { elements: design.elements }),
    flushStep('put-tube-on', null, { label }),
    flushStep('open-feed', null, { tank: design.tank !== null }),
    ...regulator(facts),
    ...plugIn,
  ];
}

/** What is new in the product line and comes with the first litres. */
const finesOf = ({ postFilter, mineral }: SystemDesign): Fines[] => [
  ...(postFilter ? ['post-carbon' as const] : []),
  ...(mineral ? ['mineral' as const] : []),
];

/**
 * The plan of flushing exactly this system in today's water, from the house's closed valve to the first water that is kept.
 * Errors: those of washing it out.
 */
export function flushPlan(
  design: SystemDesign,
  today: Assessment,
  facts: FlushFacts = plainFlush,
): Outcome<FlushStep[]> {
  const washed = washedOut(design, today.water, isSealed(design), facts.ways.tanks);
  if (!washed.ok) return washed;
  const { rinse } = washed.value;
  const fines = finesOf(design);
  const atTap = {
    litres: rinse.productVolumeL,
    fines,
    airGap: design.tap.airGap === true,
  };
  const ends: EndCriterion[] = [...(fines.length > 0 ? [clearCup] : []), ran(atTap.litres)];
  const start = beginning(design, facts, today.usableVolumeL);
  const finish = [
    ...(design.lamp ? [flushStep('lamp-on', flushTimes.lampWarmUp, {})] : []),
    ...dispenserSteps(design, today),
    ...design.branches.map(branchStep),
    flushStep('rest-and-recheck', null, {}),
  ];
  if (!design.tank) {
    return succeed([
      ...start,
      flushStep('run-open-tap', rinse.timeMin, atTap, { ends: [...ends, steady] }),
      leakCheck('pressurised'),
      ...finish,
    ]);
  }
  // A tank inside a unit has no valve of its own.
  const openTank = design.tank.internal ? [] : [flushStep('close-tap-open-tank', null, {})];
  const steps = [
    ...start,
    flushStep('membrane-rinse', rinse.timeMin, atTap, { ends }),
    leakCheck('pressurised'),
    ...openTank,
    ...tankSteps(washed.value, facts.ways.nightsRest),
    ...finish,
  ];
  return succeed(handedOut(steps, facts.visits ?? undefined));
}

/** Fills that are thrown away, and the first that is kept; none where the tank never shuts off. */
function tankSteps(washed: WashedOut, nightsRest: boolean): FlushStep[] {
  const { cycles, feedClosed, usableVolumeL = 0, leftInTankL = 0 } = washed;
  if (!cycles) return [];
  return Array.from({ length: cycles + 1 }, (_, i) => {
    const isFirst = i === 0;
    const cycle = i + 1;
    const suffix = `-${cycle}`;
    const kept = i === cycles;
    const minutes = isFirst ? washed.firstFillTimeMin! : washed.fillTimeMin!;
    const filling = {
      cycle,
      cycles,
      kept,
      litres: isFirst ? usableVolumeL : usableVolumeL - leftInTankL,
      drainLitres: (washed.fillDrainVolumeL! * minutes) / washed.fillTimeMin!,
    };
    const draining = {
      cycle,
      cycles,
      litres: washed.emptyProductVolumeL!,
      leftLitres: leftInTankL,
      feedClosed,
    };
    const rest =
      nightsRest && cycle === cycles
        ? [flushStep('night-rest', flushTimes.nightsRest, {}, { attended: false })]
        : [];
    const trickle: EndCriterion = { kind: 'trickle', flowLPerMin: washout.trickleLPerMin };
    return [
      flushStep('tank-fill', minutes, filling, {
        suffix,
        attended: false,
        ends: [{ kind: 'drain-stopped' }],
      }),
      ...(isFirst ? [leakCheck('tank-full')] : []),
      ...(kept
        ? []
        : [
            ...rest,
            flushStep('tank-drain', washed.emptyTimeMin!, draining, { suffix, ends: [trickle] }),
          ]),
    ];
  }).flat();
}
