import { firstOutOfRange } from '../../base/guard.ts';
import { limits } from '../../base/limits.ts';
import { type Outcome, succeed } from '../../base/outcome.ts';
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
