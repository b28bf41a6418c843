import type { FeedSideTrouble } from '../../system/point/roSystem.ts';
import type { SamplePoint, TestedSystem } from './testedSystem.ts';

/** What is not as it was built, besides what a part's own rating can say. */
export interface Trouble extends FeedSideTrouble {
  /** Flow coefficient of a product tube that is pinched between membrane and tee, m3/h at 1 bar. */
  kinkKv?: number;
  /** Concentrate to tap and tank, product to the drain. */
  linesSwapped?: boolean;
  /** The valve or switch that ends production stands still. */
  shutoffStuck?: 'open' | 'closed';
  /** Product that runs back through the membrane, L/h at 1 bar. */
  checkValveLeakLPerH?: number;
  tankValveClosed?: boolean;
  /** Of the tank's volume, the pocket of air that a torn bladder leaves. */
  airPocketShare?: number;
  /** Share of the chlorine that passes the carbon. */
  chlorineShare?: number;
  pumpOff?: boolean;
  /** The cup came from behind the minerals, whatever the person says. */
  sampledAfterMinerals?: boolean;
  /** Of the feed's strength, what the first water after standing has taken up. */
  creptShare?: number;
  /** What the TDS meter shows over what is there. */
  meterFactor?: number;
  /** What the meter that read the feed shows over what the product's shows. */
  feedMeterFactor?: number;
  /** What is left of a new tank's preservative in the cup, mg/L. */
  preservativeMgL?: number;
}

/** A system as it stands today: its parts and its water as they are, and what is wrong. */
export interface Scenario {
  system: TestedSystem;
  trouble: Trouble;
  samplePoint: SamplePoint;
  /** Strength of the solution that the meter is checked in, mg/L. */
  meterReferenceMgL: number;
  /** What the minerals dissolve over what the contact gives. */
  dissolvedFactor: number;
}

/** Usual reference solution for a TDS meter on the NaCl scale, mg/L. */
export const usualReferenceMgL = 342;

/** As built and surveyed, nothing wrong. */
export const asSurveyed = (
  system: TestedSystem,
  samplePoint: SamplePoint = 'membrane-outlet',
  meterReferenceMgL = usualReferenceMgL,
): Scenario => ({ system, trouble: {}, samplePoint, meterReferenceMgL, dissolvedFactor: 1 });
