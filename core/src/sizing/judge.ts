import type { Draw } from '../day/household.ts';
import { sampleDraws } from '../day/sampledDays.ts';
import { simulateDays } from '../day/simulateDays.ts';
import { supplyOf } from '../day/supply.ts';
import type { Failure } from '../outcome.ts';
import { assess, type Assessment } from './assess.ts';
import type { Requirements, Shortfall, SizingWaters } from './requirements.ts';
import {
  type Ageing,
  agedMembrane,
  type FeedWater,
  newMembrane,
  type SystemDesign,
} from './systemDesign.ts';

/** A design with what it does at both conditions, what it costs, and where it falls short. */
export interface JudgedDesign {
  design: SystemDesign;
  today: Assessment | null;
  worst: Assessment | null;
  failure: Failure | null;
  shortfalls: Shortfall[];
  /** Share of worst-case days on which somebody waits longer than people bear or goes short; null where that was not tried. */
  waitingDays: number | null;
  /** In the firm's currency. */
  price: number;
  fiveYearCost: number;
}

const yearsCounted = 5;
/** The slowest tap that people accept, L/min: a glass in half a minute. */
const slowestTapLPerMin = 0.5;

/** Price of a design's own parts. */
export function partsPrice(design: SystemDesign): number {
  const single = [
    design.pump,
    design.shutoff,
    design.restrictor,
    design.tank,
    design.mineral?.part,
    design.lamp,
    design.postFilter,
    design.tap,
  ];
  return (
    design.prefilters.reduce((sum, part) => sum + part.price, 0) +
    design.membrane.price * design.elements +
    single.reduce((sum, part) => sum + (part?.price ?? 0), 0)
  );
}

/**
 * Assesses a design today and in the worst case, and holds it against the requirements.
 * @param days the household's, for a caller that judges many designs on the same ones; none where days are not to be tried
 */
export function judge(
  design: SystemDesign,
  waters: SizingWaters,
  requirements: Requirements,
  aged: Ageing = agedMembrane,
  days: readonly (readonly Draw[])[] = trialDays(requirements),
): JudgedDesign {
  const price = partsPrice(design);
  const today = assess(design, waters.today, newMembrane);
  const worst = assess(design, waters.worst, aged);
  if (!today.ok || !worst.ok) {
    const failure = !today.ok ? today.failure : !worst.ok ? worst.failure : null;
    return {
      design,
      today: today.ok ? today.value : null,
      worst: worst.ok ? worst.value : null,
      failure,
      shortfalls: ['cannot-run'],
      waitingDays: null,
      price,
      fiveYearCost: Infinity,
    };
  }
  const shortfalls = findShortfalls(design, waters, requirements, today.value, worst.value);
  // Days are only lived with designs that nothing else speaks against: they cost more than all the rest.
  const waitingDays =
    shortfalls.length === 0 ? shareOfWaitingDays(design, waters.worst, aged, days) : null;
  if (waitingDays !== null && waitingDays > requirements.mostWaitingDays) {
    shortfalls.push('keeps-waiting');
  }
  return {
    design,
    today: today.value,
    worst: worst.value,
    failure: null,
    shortfalls,
    waitingDays,
    price,
    fiveYearCost: price + runningCost(design, requirements, today.value),
  };
}

/** Two weeks of the household, so that weekends count as they do in a year; the same for every design. */
export const trialDays = ({ household }: Requirements): Draw[][] => sampleDraws(household, 14);

function shareOfWaitingDays(
  design: SystemDesign,
  water: FeedWater,
  ageing: Ageing,
  days: readonly (readonly Draw[])[],
): number | null {
  if (days.length === 0) return null;
  const supply = supplyOf(design, water, ageing);
  if (!supply.ok) return null;
  const waiting = days.filter((day) => simulateDays(supply.value, [day]).disappointed > 0);
  return waiting.length / days.length;
}

function findShortfalls(
  design: SystemDesign,
  waters: SizingWaters,
  requirements: Requirements,
  today: Assessment,
  worst: Assessment,
): Shortfall[] {
  const saltLimit = Math.max(
    requirements.productTdsMgL,
    requirements.productShareOfFeed * waters.today.tdsMgL,
  );
  const found: [Shortfall, boolean][] = [
    ['pump-inlet-too-low', !!design.pump && waters.worst.pressureBar < design.pump.minInletBar],
    ['never-shuts-off', [today, worst].some((a) => a.fill?.shutsOff === false)],
    [
      'too-little-water',
      worst.productionLPerDay < requirements.demandLPerDay * requirements.productionMargin,
    ],
    ['tank-too-small', !!design.tank && worst.usableVolumeL < requirements.largestDrawL],
    ['product-too-salty', today.productTdsMgL > saltLimit],
    ['too-much-drain', today.drainLPerProductL > requirements.mostDrainPerProductL],
    ['recovery-too-high', today.running.recovery > requirements.mostRecovery],
    ['tap-too-slow', worst.tapHalfLPerMin < slowestTapLPerMin],
  ];
  return found.filter(([, is]) => is).map(([shortfall]) => shortfall);
}

function runningCost(design: SystemDesign, requirements: Requirements, today: Assessment): number {
  const { demandLPerDay, waterPricePerM3, powerPricePerKwh } = requirements;
  if (!(today.productionLPerDay > 0)) return Infinity;
  const waterM3 = (demandLPerDay * (1 + today.drainLPerProductL)) / 1000;
  const runningHours = (demandLPerDay / today.productionLPerDay) * 24;
  const kwh = ((design.pump?.powerW ?? 0) * runningHours) / 1000;
  return 365 * yearsCounted * (waterM3 * waterPricePerM3 + kwh * powerPricePerKwh);
}
