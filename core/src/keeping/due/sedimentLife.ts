import { feedLimits, lifeMonths } from '../../base/practice.ts';

/** What loads a sediment filter, mg/L and NTU; null where it was not read. */
export interface FeedSolids {
  ironMgL: number | null;
  manganeseMgL: number | null;
  turbidityNtu: number | null;
}

/** Feed that a ten-inch cartridge of clear water passes in its customary life, L a day; a default of practice. */
const usualFeedLPerDay = 120;
/** Clear water lies at half of each limit or under; from there on the filter loads in proportion. */
const clearShare = 0.5;
/** No cartridge is planned for less, months: the treatment belongs ahead of the unit then. */
const leastMonths = 1;

/**
 * Months until a sediment filter is loaded, by what it sees: the worst of iron, manganese and turbidity over half of a membrane's limit for
 * it, and litres over what is usual. At most its customary life, which practice puts at 2 to 12 months. Infinity where nothing was read
 * and the household is an ordinary one: then there is only the calendar.
 */
export function sedimentMonths(
  { ironMgL, manganeseMgL, turbidityNtu }: FeedSolids,
  feedLPerDay: number,
): number {
  const loads = [
    (ironMgL ?? 0) / feedLimits.ironMgL,
    (manganeseMgL ?? 0) / feedLimits.manganeseMgL,
    (turbidityNtu ?? 0) / feedLimits.turbidityNtu,
  ];
  const dirt = Math.max(...loads) / clearShare;
  const litres = feedLPerDay / usualFeedLPerDay;
  if (dirt <= 1 && litres <= 1) return Infinity;
  const months = lifeMonths.sediment / (Math.max(dirt, 1) * Math.max(litres, 1));
  return Math.max(months, leastMonths);
}
