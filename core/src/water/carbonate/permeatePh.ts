import { firstOutOfRange } from '../../base/guard.ts';
import { limits } from '../../base/limits.ts';
import { type Outcome, succeed } from '../../base/outcome.ts';
import {
  activityCoefficient,
  carbonateConstants,
  ionicStrengthPerTds,
  mgCaCO3PerEquivalent,
  mgCO2PerMole,
} from './equilibria.ts';

/** What a feed's chemistry must say for the product's pH. */
export interface CarbonateFeed {
  tdsMgL: number;
  /** mg/L as CaCO3, taken as bicarbonate. */
  alkalinityMgL: number;
  pH: number;
  temperatureC: number;
}

/** Free carbon dioxide of a water, mg/L, from its alkalinity and pH. */
export function carbonDioxide(water: CarbonateFeed): number {
  const { logK1 } = carbonateConstants(water.temperatureC);
  const bicarbonate = water.alkalinityMgL / mgCaCO3PerEquivalent;
  const g1 = activityCoefficient(1, ionicStrengthPerTds * water.tdsMgL, water.temperatureC);
  return bicarbonate * g1 * 10 ** (-water.pH - logK1) * mgCO2PerMole;
}

/**
 * pH of the product. Carbon dioxide passes the membrane as if it were not there, bicarbonate hardly does.
 * @param saltPassage fraction, 0 to 1
 * @returns pH and the carbon dioxide in mg/L. Holds for feeds of pH 6 to 9, where alkalinity is bicarbonate.
 */
export function permeatePh(
  feed: CarbonateFeed,
  saltPassage: number,
): Outcome<{ permeatePh: number; co2MgL: number }> {
  const refused = firstOutOfRange([
    ['feed.tdsMgL', feed.tdsMgL, limits.tdsMgL],
    ['feed.alkalinityMgL', feed.alkalinityMgL, limits.alkalinityMgL],
    ['feed.pH', feed.pH, limits.pH],
    ['feed.temperatureC', feed.temperatureC, limits.temperatureC],
    ['saltPassage', saltPassage, { min: 1e-6, max: 1 }],
  ]);
  if (refused) return refused;
  return succeed({ permeatePh: phOfProduct(feed, saltPassage), co2MgL: carbonDioxide(feed) });
}

/** The same for a checked feed, and for what is stronger than it: concentrate at the tap. */
export function phOfProduct(feed: CarbonateFeed, saltPassage: number): number {
  const { logK1 } = carbonateConstants(feed.temperatureC);
  const ionicStrength = ionicStrengthPerTds * feed.tdsMgL * saltPassage;
  const g1 = activityCoefficient(1, ionicStrength, feed.temperatureC);
  const bicarbonate = (feed.alkalinityMgL * saltPassage) / mgCaCO3PerEquivalent;
  return -logK1 + Math.log10((bicarbonate * g1) / (carbonDioxide(feed) / mgCO2PerMole));
}
