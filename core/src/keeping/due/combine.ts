import type { Due } from './due.ts';

/** One visit: what it is for, and what is done on the same way because another trip would cost more. */
export interface ServiceVisit {
  /** Days since 1970: when the first of it is due, also where that is past. */
  on: number;
  dues: Due[];
  /** Of those that are done early, what of their life is thrown away, in money. */
  earlyCost: number;
  /** What the trips that it spares would cost. */
  sparedCost: number;
}

/** What of a part's price is lost by doing it before its day. */
export function costOfEarly({ part, on, since }: Due, day: number): number {
  if (!part) return 0;
  const life = Math.max(on - since, 1);
  return part.price * part.count * Math.min(Math.max(on - day, 0) / life, 1);
}

/** What falls due within this of each other is one trip, days; and nobody does earlier what has longer to go than the other. */
const oneTripDays = 14;
const soonDays = 120;

/**
 * The next visit to a system: what is due first, and whatever costs less to do early than to come again for. It ends before the first
 * trip that has to be made anyway.
 * @param dues the earliest first; @param tripCost of coming once more, in the firm's currency; @param today days since 1970
 */
export function nextVisit(
  dues: readonly Due[],
  tripCost: number,
  today: number,
): ServiceVisit | null {
  const [first] = dues;
  if (!first) return null;
  /** The day on which somebody could come. */
  const day = Math.max(first.on, today);
  const together = dues.filter((due) => due.on <= day + oneTripDays);
  let earlyCost = together.reduce((sum, due) => sum + costOfEarly(due, day), 0);
  let sparedCost = 0;
  let later = dues.slice(together.length).filter((due) => due.on - day <= soonDays);
  while (later.length > 0) {
    const until = later[0]!.on + oneTripDays;
    const trip = later.filter((due) => due.on <= until);
    const cost = trip.reduce((sum, due) => sum + costOfEarly(due, day), 0);
    if (cost > tripCost) break;
    together.push(...trip);
    earlyCost += cost;
    sparedCost += tripCost;
    later = later.slice(trip.length);
  }
  return { on: first.on, dues: together, earlyCost, sparedCost };
}
