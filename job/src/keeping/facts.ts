import { dayOf, flushTimes, type Serviced, type ServicedKind, toCore } from '@katharos/core';
import type { Reading } from '../document/reading.ts';
import { type VisitSign, visitSigns } from '../document/visits.ts';
import { dateOfInstant, type Installed } from './installed.ts';
import { visitsInOrder } from '../document/visitsInOrder.ts';

/** What visits tell of single things: changed, found spent, counted. */

/** Which kind of thing each sign says is spent. */
const spentBy = {
  'sediment-brown': 'sediment',
  'pad-wet': 'leak-stop',
  'pressure-unheld': 'regulator',
} as const satisfies Record<VisitSign, ServicedKind>;

/** Days on which something was found spent and not changed at the same visit, by id. */
export function foundSpentOf(
  document: Installed,
  serviced: readonly Serviced[],
): Record<string, number> {
  const found: Record<string, number> = {};
  for (const [, { at, seen = {}, readings, changed = {} }] of visitsInOrder(document)) {
    const kinds = new Set<ServicedKind>(
      visitSigns.filter((sign) => seen[sign]).map((sign) => spentBy[sign]),
    );
    const isThrough = [readings.totalChlorine, readings.chlorineAfterCarbon].some(
      (chlorine) =>
        chlorine &&
        !chlorine.below &&
        !chlorine.simulated &&
        toCore('concentration', chlorine) >= flushTimes.stripMgL,
    );
    if (isThrough) kinds.add('carbon');
    for (const { id, kind } of serviced) {
      if (id in changed) delete found[id];
      else if (kinds.has(kind)) found[id] ??= dayOf(dateOfInstant(at))!;
    }
  }
  return found;
}

/** The lamp's counter as it was read last since the lamp was new. */
export function lampCounterOf(document: Installed): { hours: number; on: number } | null {
  let counter: { hours: number; on: number } | null = null;
  for (const [, { at, lampHours, changed = {} }] of visitsInOrder(document)) {
    if (lampHours !== undefined) counter = { hours: lampHours, on: dayOf(dateOfInstant(at))! };
    if ('lamp' in changed) counter = null;
  }
  return counter;
}

/** Between two readings of a counter that say anything, days. */
const leastCountedDays = 14;

/**
 * What is drawn by a counter in the product's line, L/day: over all of its readings since it was last set back or changed; null where two
 * are not there.
 */
export function countedLPerDay(document: Installed, since: string): number | null {
  const read = (reading: Reading | undefined) =>
    reading && !reading.simulated ? [toCore('volume', reading)] : [];
  let stretch: { day: number; litres: number }[] = [];
  const all = [
    ...read(document.verify.noted?.productCounter).map((litres) => ({
      day: dayOf(since)!,
      litres,
    })),
    ...visitsInOrder(document).flatMap(([, { at, readings }]) =>
      read(readings.productCounter).map((litres) => ({ day: dayOf(dateOfInstant(at))!, litres })),
    ),
  ];
  for (const one of all) {
    const before = stretch.at(-1);
    stretch = before && one.litres < before.litres ? [one] : [...stretch, one];
  }
  const [first, last] = [stretch[0], stretch.at(-1)];
  if (!first || !last || last.day - first.day < leastCountedDays) return null;
  return (last.litres - first.litres) / (last.day - first.day);
}

/** The day on which each thing was changed or done last. */
export function lastDoneOf(document: Installed): Record<string, number> {
  const done: Record<string, number> = {};
  // In the order of their days: the last one stands.
  for (const [, { at, changed = {} }] of visitsInOrder(document)) {
    for (const id of Object.keys(changed)) done[id] = dayOf(dateOfInstant(at))!;
  }
  return done;
}
