import { concentrationPolarisation } from './concentrationPolarisation.ts';
import type { ElementAtTemperature } from './localFlux.ts';
import { type March, marchElement, marchSteps, newMarch } from './marchElement.ts';

/** A row of equal elements and what the last march of it gave. */
export interface BankMarch {
  permeateLPerH: number;
  permeateSaltMgPerH: number;
  /** Marches along a single element since the bank was made: the cost of a solution. */
  marches: number;
  /** Recovery of each element in series at the last march, where the next one starts, and the slope of its miss there. */
  recoveries: number[];
  slopes: number[];
  march: March;
}

export const newBankMarch = (count: number): BankMarch => ({
  permeateLPerH: 0,
  permeateSaltMgPerH: 0,
  marches: 0,
  recoveries: new Array<number>(count).fill(0.15),
  slopes: new Array<number>(count).fill(-1),
  march: newMarch(),
});

/** Feed left at a trial point where the restrictor would pass more than comes in. */
const driestRecovery = 0.995;

/**
 * Product of a bank that is fed `feedLPerH` and whose restrictor passes `concentrateLPerH`.
 *
 * Polarisation depends on an element's own recovery. For one element, for each of a parallel bank and for the last of a
 * series that recovery follows from the two flows given, so no inner search is needed; where the flows agree with the march,
 * the caller has found the operating point. The elements ahead of the last are each solved for their own recovery.
 */
export function marchBank(
  element: ElementAtTemperature,
  count: number,
  series: boolean,
  feedLPerH: number,
  feedMgL: number,
  grossBar: number,
  concentrateLPerH: number,
  bank: BankMarch,
): void {
  if (!series || count === 1) {
    marchTo(element, feedLPerH / count, feedMgL, grossBar, concentrateLPerH / count, bank);
    bank.permeateLPerH = bank.march.permeateLPerH * count;
    bank.permeateSaltMgPerH = bank.march.permeateSaltMgPerH * count;
    return;
  }
  let flow = feedLPerH;
  let strength = feedMgL;
  let water = 0;
  let salt = 0;
  for (let i = 0; i < count - 1; i += 1) {
    solveRecovery(element, flow, strength, grossBar, bank, i);
    water += bank.march.permeateLPerH;
    salt += bank.march.permeateSaltMgPerH;
    flow = bank.march.concentrateLPerH;
    strength = bank.march.concentrateSaltMgPerH / flow;
  }
  marchTo(element, flow, strength, grossBar, concentrateLPerH, bank);
  bank.permeateLPerH = water + bank.march.permeateLPerH;
  bank.permeateSaltMgPerH = salt + bank.march.permeateSaltMgPerH;
}

function marchTo(
  element: ElementAtTemperature,
  feed: number,
  strength: number,
  grossBar: number,
  concentrate: number,
  bank: BankMarch,
): void {
  const recovery = Math.min(Math.max(1 - concentrate / feed, 0), driestRecovery);
  const beta = concentrationPolarisation(recovery);
  marchElement(element, feed, strength, grossBar, beta, marchSteps(recovery), bank.march);
  bank.marches += 1;
}

const maxRecoveryPasses = 25;

/**
 * The recovery at which an element's march returns the recovery its polarisation was taken at: secant, from the recovery and the slope
 * that were found last, for a bank is marched again and again at nearly the same point.
 */
function solveRecovery(
  element: ElementAtTemperature,
  feed: number,
  strength: number,
  grossBar: number,
  bank: BankMarch,
  index: number,
): void {
  let recovery = bank.recoveries[index]!;
  let slope = bank.slopes[index]!;
  let previous = NaN;
  let previousMiss = NaN;
  for (let pass = 0; pass < maxRecoveryPasses; pass += 1) {
    marchTo(element, feed, strength, grossBar, feed * (1 - recovery), bank);
    const given = bank.march.permeateLPerH / feed;
    const miss = given - recovery;
    const renewed = (miss - previousMiss) / (recovery - previous);
    if (renewed < -0.5) slope = renewed;
    if (Math.abs(miss) < 1e-9) break;
    previous = recovery;
    previousMiss = miss;
    // A rising recovery thickens the wall layer and lowers the product, so the slope lies below -1.
    recovery = Math.min(Math.max(recovery - miss / slope, 0), driestRecovery);
  }
  bank.recoveries[index] = recovery;
  bank.slopes[index] = slope;
}
