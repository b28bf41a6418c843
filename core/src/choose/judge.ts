import { partsPrice } from '../system/slots.ts';
import { practiceLimits } from '../base/practice.ts';
import type { PermeatePumpPart } from '../catalogue/parts.ts';
import { elementSpread } from '../membrane/elementSpread.ts';
import type { Draw } from '../household/household.ts';
import { sampleDraws } from '../household/sampledDays.ts';
import { disappointingDays, minutesPerDay, simulateDays } from '../household/simulateDays.ts';
import {
  type DrawColumns,
  drawColumns,
  hardestDay,
  letsNobodyWait,
} from '../household/storageNeeded.ts';
import { unitMisfit } from '../system/unit.ts';
import { closesWhenFull } from '../system/closing.ts';
import { highestPressures, isOverloaded, pumpInletBar } from '../system/strength.ts';
import {
  elementRecovery,
  mostElementRecovery,
  type Scaling,
  scalingOf,
} from '../system/scaling.ts';
import { type Supply, supplyOf } from '../household/supply.ts';
import { type Failure, type Outcome, succeed } from '../base/outcome.ts';
import type { OperatingPoint } from '../system/point/operatingPoint.ts';
import type { Assessment } from '../system/assessment.ts';
import { assess } from '../system/assess.ts';
import { ownershipCost, type OwnershipCost } from './ownershipCost.ts';
import {
  type SizingWaters,
  type Ageing,
  type FeedWater,
  agedMembrane,
  newMembrane,
  type SystemDesign,
} from '../system/design.ts';
import type { Requirements, Shortfall } from './requirements.ts';
import { Solutions } from '../system/solutions.ts';

/** What a design does in the warmest water at the highest pressure, as far as it is judged by it. */
export interface WarmRun {
  running: OperatingPoint;
  scaling: Scaling;
}

/** A design with what it does in the five conditions, what it costs, and where it falls short. */
export interface JudgedDesign {
  design: SystemDesign;
  /** As measured, and with coldest water, lowest pressure and aged membrane together; null where it cannot run. */
  today: Assessment | null;
  worst: Assessment | null;
  /** With warmest water and highest pressure; null where it cannot run. */
  warm: WarmRun | null;
  failure: Failure | null;
  shortfalls: Shortfall[];
  /** Share of worst-case days on which somebody waits longer than people bear or goes short; null where that was not tried. */
  waitingDays: number | null;
  /** Longest wait on those days, in a search that of the hardest of them; null where no day was tried or it cannot run. */
  longestWaitMin: number | null;
  /** Price of its parts, in the firm's currency. */
  price: number;
  cost: OwnershipCost | null;
  /** Parts, and five years of water, power and cartridges; infinite where it cannot run. */
  fiveYearCost: number;
}

/** What a caller that judges many designs brings along. */
export interface JudgingOptions {
  aged?: Ageing;
  /** Days to try designs on, the same for all; null where days are not to be tried. */
  trial?: Trial | null;
  /**
   * In a search among thousands days are spared: only the hardest is lived for the wait, all of them only where nothing else speaks
   * against a design and a bound does not prove that nobody waits; and none by what falls short, once something does not.
   */
  search?: { anySound: boolean } | null;
  solutions?: Solutions;
}

/** Assesses a design in the five conditions, lives its days in the worst of them, and holds it against the requirements. */
export function judge(
  design: SystemDesign,
  waters: SizingWaters,
  requirements: Requirements,
  {
    aged = agedMembrane,
    trial = trialOf(requirements),
    search = null,
    solutions = new Solutions(),
  }: JudgingOptions = {},
): JudgedDesign {
  const price = partsPrice(design);
  const asMeasured = assess(design, waters.today, newMembrane, solutions);
  const allThree = assess(design, waters.worst, aged, solutions);
  // Of the two conditions between these only whether it closes is asked.
  const cold = solutions.closesOf(design, waters.worst, newMembrane);
  const old = solutions.closesOf(design, waters.today, aged);
  const today = asMeasured.ok ? asMeasured.value : null;
  const worst = allThree.ok ? allThree.value : null;
  const warm = runWarm(design, waters.warm, solutions);
  const failed = [asMeasured, cold, old, allThree, warm].find((outcome) => !outcome.ok);
  if (!today || !worst || !warm.ok || (failed && !failed.ok)) {
    return {
      design,
      today,
      worst,
      warm: null,
      failure: failed && !failed.ok ? failed.failure : null,
      shortfalls: ['cannot-run'],
      waitingDays: null,
      longestWaitMin: null,
      price,
      cost: null,
      fiveYearCost: Infinity,
    };
  }
  const closes = [cold, old].every((outcome) => outcome.ok && outcome.value);
  const shortfalls = findShortfalls(
    design,
    waters,
    requirements,
    { today, worst, warm: warm.value },
    closes,
  );
  const isSound = shortfalls.length === 0;
  const tried = isSound || !search?.anySound ? trial : null;
  const supply = tried ? supplyOf(design, waters.worst, aged, solutions) : null;
  const live = search ? liveQuickly : liveAll;
  const lived = tried && supply?.ok ? live(supply.value, tried, isSound) : null;
  const waitingDays = lived?.waitingDays ?? null;
  // Without a tank nothing stands by: whoever waits there waits at every draw.
  const mostWaiting = design.tank
    ? requirements.mostWaitingDays
    : Math.min(requirements.mostWaitingDays, tanklessWaitingDays);
  if (isSound && waitingDays !== null && waitingDays > mostWaiting) {
    shortfalls.push('keeps-waiting');
  }
  const cost = ownershipCost(design, requirements, today, waters.disinfectant);
  return {
    design,
    today,
    worst,
    warm: warm.value,
    failure: null,
    shortfalls,
    waitingDays,
    longestWaitMin: lived?.longestWaitMin ?? null,
    price,
    cost,
    fiveYearCost: price + cost.fiveYears,
  };
}

/** Share of days on which somebody may wait at a tankless unit. */
const tanklessWaitingDays = 0.05;

/** Days that designs are tried on, in the worst case; the same for every design. */
export interface Trial {
  days: readonly (readonly Draw[])[];
  /** The day that asks most of a tank. */
  hardest: readonly Draw[];
  columns: DrawColumns;
}

/** The very days that are shown of a system. The hardest of them is the one that needs the most storage at the production asked for. */
export function trialOf({
  household,
  demandLPerDay,
  productionMargin,
}: Pick<Requirements, 'household' | 'demandLPerDay' | 'productionMargin'>): Trial {
  const days = sampleDraws(household);
  const asked = (productionMargin * demandLPerDay) / minutesPerDay;
  return { days, hardest: days[hardestDay(days, asked)] ?? [], columns: drawColumns(days) };
}

type Lived = Pick<JudgedDesign, 'longestWaitMin' | 'waitingDays'>;

function liveAll(supply: Supply, { days }: Trial): Lived {
  const simulated = simulateDays(supply, days);
  return {
    longestWaitMin: simulated.longestWaitMin,
    waitingDays: disappointingDays(simulated) / days.length,
  };
}

/** Longest wait on the days of a trial, min; null where none can be lived. */
export function longestWait(
  design: SystemDesign,
  worst: FeedWater,
  trial: Trial,
  solutions: Solutions,
): number | null {
  const supply = supplyOf(design, worst, agedMembrane, solutions);
  return supply.ok ? liveAll(supply.value, trial).longestWaitMin : null;
}

function liveQuickly(supply: Supply, trial: Trial, sound: boolean): Lived {
  const { longestWaitMin } = simulateDays(supply, [trial.hardest]);
  if (!sound) return { longestWaitMin, waitingDays: null };
  const calm = supply.kind === 'tank' && letsNobodyWait(supply, trial.columns);
  return { longestWaitMin, waitingDays: calm ? 0 : liveAll(supply, trial).waitingDays };
}

function findShortfalls(
  design: SystemDesign,
  waters: SizingWaters,
  requirements: Requirements,
  { today, worst, warm }: { today: Assessment; worst: Assessment; warm: WarmRun },
  closesBetween: boolean,
): Shortfall[] {
  const { tank, permeatePump, lamp } = design;
  const found: [Shortfall, boolean][] = [
    [
      'pump-inlet-too-low',
      isStarved(design, waters.worst, worst.running) ||
        (permeatePump !== null && waters.worst.pressureBar < leastFeedBar(permeatePump)),
    ],
    ['unit-misfit', unitMisfit(design) !== null],
    ['pressure-too-high', isOverloaded(highestPressures(design, waters.warm))],
    [
      'never-shuts-off',
      !closesBetween ||
        [today, worst].some((a) => a.fill?.shutsOff === false) ||
        ![waters.today, waters.worst, waters.warm].every((water) => closesWhenFull(design, water)),
    ],
    [
      'too-little-water',
      worst.productionLPerDay < requirements.demandLPerDay * requirements.productionMargin,
    ],
    ['tank-too-small', !!tank && worst.usableVolumeL < requirements.largestDrawL],
    ['tank-too-large', !!tank && tank.volumeL > mostTankL(requirements)],
    ['product-too-salty', !keepsLimits(today, requirements)],
    ['too-much-drain', today.drainLPerProductL > requirements.mostDrainPerProductL],
    [
      'recovery-too-high',
      elementRecovery(design, warm.running) > mostElementRecovery(design) ||
        warm.running.recovery > requirements.mostRecovery,
    ],
    ['not-made-safe', requirements.needsLamp === true && lamp === null],
    ['tap-too-slow', worst.tapHalfLPerMin < practiceLimits.slowestTapLPerMin],
  ];
  return found.filter(([, is]) => is).map(([shortfall]) => shortfall);
}

/** A permeate pump is driven by the drain water: under this feed pressure it stalls, bar. A default where no sheet says. */
const leastFeedBar = ({ minFeedBar = usualPermeatePumpBar }: PermeatePumpPart): number =>
  minFeedBar;
const usualPermeatePumpBar = 2;

/** Largest shell for a household, L: a small tank whatever they draw, else by draw and day. What is larger only makes up for pressure. */
const mostTankL = ({ largestDrawL, demandLPerDay }: Requirements): number =>
  Math.max(15, 6 * largestDrawL, demandLPerDay);

/** How sure a proposed element has to be of keeping the firm's limits: nine in ten, as elements of a rating spread. */
const limitsQuantile = 1.28;

/**
 * Whether both of the firm's limits are kept: by a whole tank as expected, and by nine in ten elements of this rating where a verification
 * reads them, with nothing pressing back.
 */
function keepsLimits(
  { productTdsMgL, running, water }: Assessment,
  { productTdsMgL: mostMgL, productShareOfFeed }: Requirements,
): boolean {
  const unlucky = running.permeateTdsMgL * Math.exp(limitsQuantile * elementSpread.passageShare);
  return Math.max(productTdsMgL, unlucky) <= Math.min(mostMgL, productShareOfFeed * water.tdsMgL);
}

/**
 * A shortfall that single operating points show, long before a tank is filled; null where these show none. Only less product comes as the
 * tank fills, so that what goes to drain for it is at least what goes at the start.
 */
export function plainShortfall(
  design: SystemDesign,
  waters: SizingWaters,
  { mostRecovery, mostDrainPerProductL }: Requirements,
  solutions: Solutions,
  aged: Ageing = agedMembrane,
): Shortfall | null {
  const warm = solutions.runningOf(design, waters.warm, newMembrane);
  if (
    warm.ok &&
    (warm.value.recovery > mostRecovery ||
      elementRecovery(design, warm.value) > mostElementRecovery(design))
  )
    return 'recovery-too-high';
  // A permeate pump keeps the tank's pressure off, and the product flows as at the start.
  const today = solutions.runningOf(design, waters.today, newMembrane);
  if (
    today.ok &&
    today.value.concentrateFlowLPerH > mostDrainPerProductL * today.value.permeateFlowLPerH
  )
    return 'too-much-drain';
  if (!design.pump) return null;
  const worst = solutions.runningOf(design, waters.worst, aged);
  return worst.ok && isStarved(design, waters.worst, worst.value) ? 'pump-inlet-too-low' : null;
}

const isStarved = (design: SystemDesign, worst: FeedWater, running: OperatingPoint): boolean =>
  !!design.pump && pumpInletBar(design, worst, running.feedFlowLPerH) < design.pump.minInletBar;

function runWarm(design: SystemDesign, water: FeedWater, solutions: Solutions): Outcome<WarmRun> {
  const running = solutions.runningOf(design, water, newMembrane);
  if (!running.ok) return running;
  const scaling = scalingOf(design, water, running.value);
  return scaling.ok ? succeed({ running: running.value, scaling: scaling.value }) : scaling;
}
