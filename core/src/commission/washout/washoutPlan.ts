import { firstOutOfRange } from '../../base/guard.ts';
import { type Outcome, succeed } from '../../base/outcome.ts';
import { refuseTapLine, type TapLine } from '../../hydraulics/tapLine.ts';
import { limits } from '../../base/limits.ts';
import { refuseTank } from '../../system/filling/fillTank.ts';
import { directFlow } from '../../system/point/directFlow.ts';
import { type OperatingPoint, OperatingPointSolver } from '../../system/point/operatingPoint.ts';
import { resolveSystem, type RoSystem } from '../../system/point/roSystem.ts';
import { type BladderTank, type Shutoff, shutoffPressure } from '../../tank/bladderTank.ts';
import {
  firstStrength,
  type Preservative,
  releasedBetween,
  releasedStrength,
  usualHoldUpL,
  usualTail,
} from './release.ts';
import {
  type Sanitising,
  type SanitisingPlan,
  sanitisingPlan,
  usualSanitising,
} from './sanitising.ts';
import { ChainSolver } from './stirredChain.ts';
import { bladderCycle, type OpenTank, openTankCycle, type TankCycle } from './tankCycle.ts';
import { tubesVolume } from './tubesVolume.ts';

/** A system to be washed out: where its product goes, what is in it, and how it is done. */
export interface WashoutTask extends RoSystem {
  tapLine?: TapLine | undefined;
  tank?: BladderTank | undefined;
  shutoff?: Shutoff | undefined;
  /** Pressure that the membrane's product side sees, bar, by the tank's: all of it where absent. */
  productSide?: ((tankBar: number) => number) | undefined;
  openTank?: OpenTank | undefined;
  /** While an open tank fills, bar gauge. */
  permeateBackPressureBar?: number | undefined;
  /** Strength of the first product, or the mass that is in the element: one of them. */
  preservative: {
    firstPermeateMgL?: number | undefined;
    massMg?: number | undefined;
    holdUpL?: number | undefined;
    tailShare?: number | undefined;
    tailVolumeL?: number | undefined;
  };
  /** Allowed strength of kept water, as a share of the first product. */
  targetShare?: number | undefined;
  /** Fills thrown away: the kit's floor, and where to stop counting. */
  leastCycles?: number | undefined;
  mostCycles?: number | undefined;
  /** Tankless: the kit's floor of the rinse. */
  leastMinutes?: number | undefined;
  /** Rinse of the membrane to the open tap before the tank is opened. */
  rinseMin?: number | undefined;
  heelShare?: number | undefined;
  trickleLPerMin?: number | undefined;
  drain?: { feed?: 'open' | 'closed' | undefined; reopensBar?: number | undefined } | undefined;
  /** A rest before the last draining. */
  restMin?: number | undefined;
  /** Tankless: stirred volumes behind the membrane, L. */
  postStagesL?: readonly number[] | undefined;
  prefilterFlush?: PrefilterFlush | undefined;
  sanitising?: Sanitising | undefined;
  dispenser?: Dispenser | undefined;
}

export interface PrefilterFlush {
  school: 'together' | 'one-by-one';
  cartridges: number;
  minutesEach: number;
  flowLPerMin: number;
}

export interface Dispenser {
  tanks: readonly { volumeL: number; heelShare: number; outFlowLPerMin: number }[];
  fillFlowLPerMin: number;
  leastRinses?: number | undefined;
  targetShare?: number | undefined;
}

/** What holds where nobody said otherwise. */
export const usualWashout = {
  targetShare: 0.02,
  leastCycles: 2,
  mostCycles: 10,
  leastMinutes: 10,
  rinseMin: 10,
  heelShare: 0.05,
  trickleLPerMin: 0.1,
  restMin: 0,
  dispenserRinses: 2,
} as const;

export interface WashoutPlan {
  prefilterFlush?: { timeMin: number; feedVolumeL: number };
  sanitising?: SanitisingPlan;
  rinse: {
    timeMin: number;
    productVolumeL: number;
    drainVolumeL: number;
    permeateFlowLPerH: number;
    firstPermeateMgL: number;
    /** Of the first product's strength, at the end: of the membrane's product; tankless at the tap. */
    shareAtEnd: number;
    /** Tankless: product until the tap gives what may be drunk. */
    washoutVolumeL?: number;
    atEndMgL?: number;
  };
  shutsOff?: boolean;
  shutoffPressureBar?: number;
  stallPressureBar?: number;
  usableVolumeL?: number;
  leftInTankL?: number;
  cycles?: number | null;
  reached?: boolean;
  shareKept?: number;
  keptMgL?: number;
  shareFirstFill?: number;
  firstFillTimeMin?: number;
  fillTimeMin?: number;
  fillDrainVolumeL?: number;
  emptyTimeMin?: number;
  emptyProductVolumeL?: number;
  emptyDrainVolumeL?: number;
  dispenser?: { rinses: number[]; timeMin: number; productVolumeL: number };
  /** Until the first water that is kept; null where the tank never shuts off. */
  totals: {
    timeMin: number;
    productVolumeL: number;
    drainVolumeL: number;
    feedVolumeL: number;
  } | null;
}

/** Miss that the many points of a plan are solved to. */
const pointTolerance = 1e-8;

/**
 * How a system is washed out and how long everything takes: by what is left of the preservative, not by counting tanks.
 * Units: bar gauge, L, L/h, min, mg/L. Errors: those of `operatingPoint` and `directFlow`; 'shutoff-below-precharge' at `tank.prechargeBar`;
 * 'tank-not-emptied' where a full tank gives no more than a trickle, at `tapLine` or `openTank.emptyFlowLPerMin`.
 * Source: one exponential release with a slow tail, stirred tanks, isothermal air.
 */
export function washoutPlan(task: WashoutTask): Outcome<WashoutPlan> {
  const refused =
    (task.tank && task.shutoff && refuseTank(task.tank, task.shutoff)) ??
    (task.tapLine && refuseTapLine(task.tapLine, 'tapLine.')) ??
    firstOutOfRange([
      ['permeateBackPressureBar', task.permeateBackPressureBar ?? 0, limits.backPressureBar],
    ]);
  if (refused) return refused;
  const { tank, openTank } = task;
  const before = beforeRinse(task);
  return tank
    ? bladderPlan(task, tank, before)
    : openTank
      ? openTankPlan(task, openTank, before)
      : tanklessPlan(task, before);
}

/** What does not hang on the membrane: pre-filters, sanitising, a dispenser's tanks. */
interface Before {
  parts: Pick<WashoutPlan, 'prefilterFlush' | 'sanitising' | 'dispenser'>;
  timeMin: number;
  feedVolumeL: number;
  productVolumeL: number;
}

function beforeRinse({ prefilterFlush, sanitising, dispenser }: WashoutTask): Before {
  const parts: Before['parts'] = {};
  const sum = { timeMin: 0, feedVolumeL: 0, productVolumeL: 0 };
  if (prefilterFlush) {
    const { school, cartridges, minutesEach, flowLPerMin } = prefilterFlush;
    const timeMin = minutesEach * (school === 'one-by-one' ? cartridges : 1);
    parts.prefilterFlush = { timeMin, feedVolumeL: timeMin * flowLPerMin };
    sum.timeMin += timeMin;
    sum.feedVolumeL += parts.prefilterFlush.feedVolumeL;
  }
  if (sanitising) {
    const plan = sanitisingPlan(sanitising);
    parts.sanitising = plan;
    sum.timeMin += (sanitising.contactMin ?? usualSanitising.contactMin) + plan.rinseTimeMin;
    sum.feedVolumeL += plan.wettedVolumeL + plan.rinseVolumeL;
  }
  if (dispenser) {
    parts.dispenser = dispenserPlan(dispenser);
    sum.timeMin += parts.dispenser.timeMin;
    sum.productVolumeL += parts.dispenser.productVolumeL;
  }
  return { parts, ...sum };
}

function dispenserPlan({
  tanks,
  fillFlowLPerMin,
  leastRinses = usualWashout.dispenserRinses,
  targetShare = usualWashout.targetShare,
}: Dispenser): NonNullable<WashoutPlan['dispenser']> {
  const rinses = tanks.map(({ heelShare }) =>
    Math.max(leastRinses, Math.ceil(Math.log(targetShare) / Math.log(heelShare) - 1e-12)),
  );
  const sum = { rinses, timeMin: 0, productVolumeL: 0 };
  tanks.forEach(({ volumeL, heelShare, outFlowLPerMin }, i) => {
    const litres = rinses[i]! * volumeL * (1 - heelShare);
    sum.timeMin += litres / fillFlowLPerMin + litres / outFlowLPerMin;
    sum.productVolumeL += litres;
  });
  return sum;
}

function preservativeOf({ preservative }: WashoutTask): Preservative {
  const {
    firstPermeateMgL,
    massMg = 0,
    holdUpL = usualHoldUpL,
    tailShare = usualTail.share,
    tailVolumeL = usualTail.volumeL,
  } = preservative;
  const parts = { holdUpL, tailShare, tailVolumeL };
  return { firstMgL: firstPermeateMgL ?? firstStrength(massMg, parts), ...parts };
}

/** The membrane rinsed to the open tap, at one point, for so long. */
function rinseOf(point: OperatingPoint, timeMin: number, preservative: Preservative) {
  const hours = timeMin / 60;
  const productVolumeL = hours * point.permeateFlowLPerH;
  return {
    timeMin,
    productVolumeL,
    drainVolumeL: hours * point.concentrateFlowLPerH,
    permeateFlowLPerH: point.permeateFlowLPerH,
    firstPermeateMgL: preservative.firstMgL,
    shareAtEnd: releasedStrength(preservative, productVolumeL),
  };
}

function drainingOf({ drain = {}, trickleLPerMin = usualWashout.trickleLPerMin }: WashoutTask) {
  const { feed = 'open', reopensBar } = drain;
  return { feedOpen: feed === 'open', reopensBar, trickleLPerMin };
}

function bladderPlan(task: WashoutTask, tank: BladderTank, before: Before): Outcome<WashoutPlan> {
  const { feed, tapLine, shutoff, rinseMin = usualWashout.rinseMin } = task;
  const { heelShare = usualWashout.heelShare } = task;
  if (!tapLine || !shutoff) throw new TypeError('a bladder tank has a shut-off and a tap line');
  const resolved = resolveSystem(task);
  if (!resolved.ok) return resolved;
  const shutoffPressureBar = shutoffPressure(shutoff, feed.pressureBar);
  const filled = bladderCycle({
    solver: new OperatingPointSolver(resolved.value, pointTolerance),
    temperatureC: feed.temperatureC,
    tank,
    productSide: task.productSide,
    heelL: heelShare * tank.volumeL,
    closingBar: shutoffPressureBar,
    tapLine,
    draining: drainingOf(task),
  });
  if (!filled.ok) return filled;
  const point = directFlow({ ...task, tapLine });
  if (!point.ok) return point;
  const preservative = preservativeOf(task);
  const rinse = rinseOf(point.value, rinseMin, preservative);
  if ('stallsAtBar' in filled.value) {
    return succeed({
      ...before.parts,
      rinse,
      shutsOff: false,
      shutoffPressureBar,
      stallPressureBar: filled.value.stallsAtBar,
      cycles: null,
      totals: null,
    });
  }
  const { cycle } = filled.value;
  return succeed({
    shutsOff: true,
    shutoffPressureBar,
    usableVolumeL: cycle.fullL,
    leftInTankL: cycle.leftL,
    ...withTank(task, cycle, rinse, preservative, before),
  });
}

function openTankPlan(task: WashoutTask, openTank: OpenTank, before: Before): Outcome<WashoutPlan> {
  const { permeateBackPressureBar = 0, rinseMin = usualWashout.rinseMin } = task;
  const resolved = resolveSystem(task);
  if (!resolved.ok) return resolved;
  const point = new OperatingPointSolver(resolved.value).solve(() => permeateBackPressureBar);
  if (!point.ok) return point;
  const heelShare = task.heelShare ?? usualWashout.heelShare;
  const cycle = openTankCycle(openTank, point.value, heelShare, drainingOf(task));
  if (!cycle.ok) return cycle;
  const preservative = preservativeOf(task);
  const rinse = rinseOf(point.value, rinseMin, preservative);
  return succeed(withTank(task, cycle.value, rinse, preservative, before));
}

/** Fills thrown away until one may be kept, and what all of it takes. */
function withTank(
  task: WashoutTask,
  cycle: TankCycle,
  rinse: WashoutPlan['rinse'],
  preservative: Preservative,
  before: Before,
): WashoutPlan {
  const { targetShare = usualWashout.targetShare, leastCycles = usualWashout.leastCycles } = task;
  const { mostCycles = usualWashout.mostCycles, restMin = usualWashout.restMin } = task;
  const { fullL, leftL, heelL, first, later, draining } = cycle;
  const wholeL = heelL + fullL;
  let madeL = rinse.productVolumeL;
  const fill = (litres: number) => {
    const from = madeL;
    madeL += litres;
    return releasedBetween(preservative, from, madeL);
  };
  let share = fill(first.madeL) / wholeL;
  const shareFirstFill = share;
  let cycles = 0;
  while (cycles < leastCycles || (share > targetShare && cycles < mostCycles)) {
    // What is released while the tank is drained goes to the tap with the rest.
    madeL += draining.madeL;
    share = (share * (heelL + leftL) + fill(later.madeL)) / wholeL;
    cycles += 1;
  }
  const emptyProductVolumeL = fullL - leftL + draining.madeL;
  const times = (one: number) => cycles * one;
  return {
    ...before.parts,
    rinse,
    cycles,
    reached: share <= targetShare,
    shareKept: share,
    keptMgL: share * preservative.firstMgL,
    shareFirstFill,
    firstFillTimeMin: first.timeMin,
    fillTimeMin: later.timeMin,
    fillDrainVolumeL: later.drainL,
    emptyTimeMin: draining.timeMin,
    emptyProductVolumeL,
    emptyDrainVolumeL: draining.drainL,
    totals: {
      timeMin:
        before.timeMin +
        rinse.timeMin +
        first.timeMin +
        times(later.timeMin + draining.timeMin) +
        (cycles > 0 ? restMin : 0),
      productVolumeL: before.productVolumeL + rinse.productVolumeL + times(emptyProductVolumeL),
      drainVolumeL: rinse.drainVolumeL + first.drainL + times(later.drainL + draining.drainL),
      feedVolumeL: before.feedVolumeL,
    },
  };
}

function tanklessPlan(task: WashoutTask, before: Before): Outcome<WashoutPlan> {
  const { tapLine, postStagesL = [], leastMinutes = usualWashout.leastMinutes } = task;
  const { targetShare = usualWashout.targetShare } = task;
  if (!tapLine) throw new TypeError('without a tank there is a tap line');
  const point = directFlow({ ...task, tapLine });
  if (!point.ok) return point;
  const preservative = preservativeOf(task);
  const { holdUpL, tailShare, tailVolumeL, firstMgL } = preservative;
  const chain = new ChainSolver({
    volumesL: postStagesL,
    startsAt: postStagesL.map(() => 0),
    inflow: [
      { strength: 1 - tailShare, volumeL: holdUpL },
      ...(tailShare > 0 ? [{ strength: tailShare, volumeL: tailVolumeL }] : []),
    ],
  });
  const tubesL = tubesVolume(tapLine.tubes);
  const washoutVolumeL = chain.lastAbove(targetShare) + tubesL;
  const timeMin = Math.max(leastMinutes, (60 * washoutVolumeL) / point.value.permeateFlowLPerH);
  const rinse = rinseOf(point.value, timeMin, preservative);
  // What stood in the tubes was there before.
  const shareAtEnd = rinse.productVolumeL > tubesL ? chain.after(rinse.productVolumeL - tubesL) : 0;
  return succeed({
    ...before.parts,
    rinse: { ...rinse, shareAtEnd, washoutVolumeL, atEndMgL: shareAtEnd * firstMgL },
    totals: {
      timeMin: before.timeMin + timeMin,
      productVolumeL: before.productVolumeL + rinse.productVolumeL,
      drainVolumeL: rinse.drainVolumeL,
      feedVolumeL: before.feedVolumeL,
    },
  });
}
