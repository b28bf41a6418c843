import { drawsOfDay, type Draw, type Household, seededRandom } from './household.ts';
import { type SimulatedDays, simulateDays } from './simulateDays.ts';
import type { Supply } from './supply.ts';

/** A stretch of sampled days in a house, and one of them to look at. */
export interface DaysInTheHouse {
  sampled: SimulatedDays;
  /** The sampled day on which the tank fell lowest (without a tank: most was asked), once more with its moments. */
  hardest: { day: number; draws: readonly Draw[]; simulated: SimulatedDays };
  /** Days on which somebody waited longer than people bear, or went short. */
  disappointingDays: number;
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
  const draws = sampleDraws(household, days, seed);
  const each = draws.map((day) => simulateDays(supply, [day]));
  const hardness = (day: SimulatedDays) =>
    supply.kind === 'tank' ? -day.leastL + 100 * day.shortL : day.ledger.drawnL;
  let hardest = 0;
  each.forEach((day, i) => {
    if (hardness(day) > hardness(each[hardest]!)) hardest = i;
  });
  return {
    sampled: simulateDays(supply, draws),
    hardest: {
      day: hardest,
      draws: draws[hardest] ?? [],
      simulated: simulateDays(supply, [draws[hardest] ?? []], { keep: true }),
    },
    disappointingDays: each.filter((day) => day.disappointed > 0).length,
  };
}
