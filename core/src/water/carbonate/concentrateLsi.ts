import { firstOutOfRange } from '../../base/guard.ts';
import { limits } from '../../base/limits.ts';
import { type Outcome, succeed } from '../../base/outcome.ts';
import { mgCaCO3PerEquivalent, mgCaCO3PerMole, mgCO2PerMole } from './equilibria.ts';
import { zeroCelsiusK } from '../osmoticPressure.ts';
import type { CarbonateFeed } from './permeatePh.ts';

/** A feed with its calcium. */
export interface ScalingFeed extends CarbonateFeed {
  /** Calcium hardness, mg/L as CaCO3. */
  calciumMgL: number;
}

/** Scaling tendency of a concentrate. */
export interface ConcentrateLsi {
  concentrationFactor: number;
  concentratePh: number;
  saturationPh: number;
  lsi: number;
}

/**
 * Langelier saturation index of the concentrate; above 0 calcium carbonate can fall out on the membrane.
 * @param recovery fraction; @param saltPassage fraction
 * @param polarisation strength at the wall over that in the channel: what the film next to the membrane adds
 * Source: the form of ASTM D3739, for concentrates under 10,000 mg/L.
 */
export function concentrateLsi(
  feed: ScalingFeed,
  recovery: number,
  saltPassage: number,
  polarisation = 1,
): Outcome<ConcentrateLsi> {
  const refused = firstOutOfRange([
    ['feed.tdsMgL', feed.tdsMgL, limits.tdsMgL],
    ['feed.alkalinityMgL', feed.alkalinityMgL, limits.alkalinityMgL],
    ['feed.calciumMgL', feed.calciumMgL, limits.calciumMgL],
    ['feed.pH', feed.pH, limits.pH],
    ['feed.temperatureC', feed.temperatureC, limits.temperatureC],
    ['recovery', recovery, { min: 0, max: 0.99 }],
    ['saltPassage', saltPassage, { min: 0, max: 1 }],
    ['polarisation', polarisation, { min: 1, max: 3 }],
  ]);
  if (refused) return refused;
  const factor = (polarisation * (1 - recovery * saltPassage)) / (1 - recovery);
  const logTds = Math.log10(feed.tdsMgL * factor);
  const logTk = Math.log10(feed.temperatureC + zeroCelsiusK);
  const saturationPh =
    9.3 +
    (logTds - 1) / 10 +
    (34.55 - 13.12 * logTk) -
    (Math.log10(feed.calciumMgL * factor) - 0.4) -
    Math.log10(feed.alkalinityMgL * factor);
  const concentratePh = feed.pH + Math.log10(factor);
  return succeed({
    concentrationFactor: factor,
    concentratePh,
    saturationPh,
    lsi: concentratePh - saturationPh,
  });
}

/** What of a water takes part when calcite falls out of it. */
export interface Hardening {
  /** mg/L as CaCO3. */
  calciumMgL: number;
  /** mg/L as CaCO3, as bicarbonate. */
  alkalinityMgL: number;
  co2MgL: number;
}

/**
 * Calcite that has to fall out, mg/L, until the index is nought; 0 at or below saturation.
 * By `Ca + 2 HCO3 = CaCO3 + CO2 + H2O`, x mol takes as much calcium, twice as much bicarbonate, and leaves its carbon dioxide behind, and
 * the product of calcite goes with `Ca HCO3^2 / CO2`: the root of that over its start less `10^-LSI`. For waters under pH 9, in which
 * bicarbonate carries the alkalinity. Source: mass action.
 */
export function calciteAboveSaturation(
  { calciumMgL, alkalinityMgL, co2MgL }: Hardening,
  lsi: number,
): number {
  if (!(lsi > 0)) return 0;
  const calcium = calciumMgL / mgCaCO3PerMole;
  const bicarbonate = alkalinityMgL / mgCaCO3PerEquivalent;
  const co2 = co2MgL / mgCO2PerMole;
  const target = 10 ** -lsi;
  const product = (x: number) =>
    ((1 - x / calcium) * (1 - (2 * x) / bicarbonate) ** 2 * co2) / (co2 + x);
  // It falls all the way, from 1 to nothing where the scarcer of the two is used up.
  let [low, high] = [0, Math.min(calcium, bicarbonate / 2)];
  for (let halving = 0; halving < 30; halving += 1) {
    const middle = (low + high) / 2;
    if (product(middle) > target) low = middle;
    else high = middle;
  }
  return ((low + high) / 2) * mgCaCO3PerMole;
}
