import { drawsOfDay, type Draw, type Household, seededRandom } from './household.ts';
import {
  type DayMoment,
  disappointingDays,
  type LivedDay,
  minutesPerDay,
  type ServedDraw,
  type SimulatedDays,
  simulateDays,
} from './simulateDays.ts';
import type { Supply } from './supply.ts';

/** A stretch of sampled days in a house, and one of them to look at. */
export interface DaysInTheHouse {
  /** The stretch as a whole, without its draws and moments. */
  sampled: SimulatedDays;
  /** The day on which the tank fell lowest (without a tank: most was asked), as it was lived among the others. */
  hardest: PicturedDay;
  /** Days on which somebody waited longer than people bear, or went short. */
  disappointingDays: number;
  /** What the tank holds through the day; empty without a tank. */
  band: LevelBand[];
}

/** A day of a stretch with its moments, by the minute of that day. */
export interface PicturedDay extends Omit<LivedDay, 'draws'> {
  /** Its place among the days, from 0. */
  day: number;
  draws: ServedDraw[];
  moments: DayMoment[];
}

/** Water in the tank at a time of day, L: on nine days of ten it lies between low and high. */
export interface LevelBand {
  minute: number;
  low: number;
  middle: number;
  high: number;
}

/** Eight weeks: weekends and guests come up often enough to count. */
export const daysSampled = 56;

/** Days of a household, weekends every sixth and seventh, guests by chance. A seed fixes them all. */
export function sampleDraws(household: Household, days = daysSampled, seed = 1): Draw[][] {
  const random = seededRandom(seed);
  return Array.from({ length: days }, (_, day) =>
    drawsOfDay(
      household,
      { weekend: day % 7 >= 5, guests: random() < household.guestChance },
      random,
    ),
  );
}

/** Lives the sampled days with a supply. */
export function liveSampledDays(
  supply: Supply,
  household: Household,
  days = daysSampled,
  seed = 1,
): DaysInTheHouse {
  const sampled = simulateDays(supply, sampleDraws(household, days, seed), { keep: true });
  const { lived, moments } = sampled;
  const hardness = (day: LivedDay) =>
    supply.kind === 'tank' ? -day.leastL + 100 * day.shortL : day.drawnL;
  let hardest = 0;
  lived.forEach((day, i) => {
    if (hardness(day) > hardness(lived[hardest]!)) hardest = i;
  });
  return {
    sampled: { ...sampled, draws: [], moments: [] },
    hardest: pictured(sampled, hardest),
    disappointingDays: disappointingDays(sampled),
    band: supply.kind === 'tank' ? levelBand(moments, days) : [],
  };
}

/** One day out of a stretch that was kept. */
function pictured({ lived, draws, moments }: SimulatedDays, day: number): PicturedDay {
  const from = day * minutesPerDay;
  const before = lived.slice(0, day).reduce((sum, one) => sum + one.draws, 0);
  const today = lived[day]!;
  return {
    ...today,
    day,
    draws: draws.slice(before, before + today.draws),
    moments: moments
      .filter(({ minute }) => minute >= from && minute <= from + minutesPerDay)
      .map((moment) => ({ ...moment, minute: moment.minute - from })),
  };
}

const bandStepMin = 30;

/** Quantiles of the tank's level over the days, at every half hour. */
function levelBand(moments: readonly DayMoment[], days: number): LevelBand[] {
  if (moments.length === 0) return [];
  const steps = minutesPerDay / bandStepMin + 1;
  const levels: number[][] = Array.from({ length: steps }, () => []);
  let at = 0;
  for (let day = 0; day < days; day += 1) {
    for (let step = 0; step < steps; step += 1) {
      const minute = day * minutesPerDay + step * bandStepMin;
      while (at + 1 < moments.length && moments[at + 1]!.minute <= minute) at += 1;
      levels[step]!.push(levelAt(moments, at, minute));
    }
  }
  return levels.map((held, step) => {
    const sorted = held.sort((a, b) => a - b);
    const quantile = (share: number) => sorted[Math.round(share * (sorted.length - 1))]!;
    return {
      minute: step * bandStepMin,
      low: quantile(0.05),
      middle: quantile(0.5),
      high: quantile(0.95),
    };
  });
}

/** Between two moments the level is taken as straight. */
function levelAt(moments: readonly DayMoment[], at: number, minute: number): number {
  const [here, next] = [moments[at]!, moments[at + 1]];
  if (!next || next.minute <= here.minute) return here.litres;
  const share = Math.min(Math.max((minute - here.minute) / (next.minute - here.minute), 0), 1);
  return here.litres + share * (next.litres - here.litres);
}
