import { firstOutOfRange } from '../../base/guard.ts';
import { limits } from '../../base/limits.ts';
import { findRoot } from '../../base/numeric/findRoot.ts';
import { fail, type Outcome, succeed } from '../../base/outcome.ts';
import {
  activityCoefficient,
  type CarbonateConstants,
  carbonateConstants,
  ionicStrengthPerTds,
  mgCaCO3PerEquivalent,
  mgCaCO3PerMole,
  mgCO2PerMole,
} from './equilibria.ts';

/** Water that enters a mineral bed: RO product, as a rule. */
export interface SoftWater {
  tdsMgL: number;
  /** mg/L as CaCO3. */
  alkalinityMgL: number;
  /** mg/L as CaCO3. */
  calciumMgL: number;
  co2MgL: number;
  temperatureC: number;
}

/** A calcite bed; the time constant is a property of the media. */
export interface CalciteMedia {
  bedVolumeL: number;
  timeConstantMin?: number;
}

/** Usual time constant of crushed calcite, minutes of empty-bed contact. */
export const usualTimeConstantMin = 4;

/** Water as it leaves the bed. */
export interface RemineralisedWater {
  contactTimeMin: number;
  calciumCarbonateAddedMgL: number;
  equilibriumAddedMgL: number;
  pH: number;
  alkalinityMgL: number;
  hardnessMgL: number;
  tdsMgL: number;
  /** What a meter on the NaCl scale shows of it: calcium and bicarbonate conduct less than their mass of salt. */
  meterTdsMgL: number;
  saturationIndex: number;
}

/** mg of dissolved solids per mmol of calcite that dissolves: calcium and two bicarbonates. */
const tdsPerMmol = 162.11;

/** The same as a meter on the NaCl scale shows it, ppm for each mmol. */
const meterPerMmol = 104;

/** The most a bed could add, mol/L; ten times what carbonic water dissolves. */
const mostDissolved = 0.02;

/**
 * Calcite dissolved by a water in passing through a bed, approaching saturation exponentially with empty-bed contact time.
 * Units: mg/L (as CaCO3 where it says so), min, L/h.
 * @param dissolvedFactor what dissolves over what the contact gives; never more than to equilibrium
 * Errors: 'out-of-range'; 'water-not-in-equilibrium-range' if the water is already saturated, so that nothing dissolves.
 * Source: closed carbonate system of Plummer and Busenberg (1982) with Davies' activities.
 */
export function calciteContact(
  water: SoftWater,
  media: CalciteMedia,
  flowLPerH: number,
  dissolvedFactor = 1,
): Outcome<RemineralisedWater> {
  const timeConstantMin = media.timeConstantMin ?? usualTimeConstantMin;
  const refused = firstOutOfRange([
    ['water.tdsMgL', water.tdsMgL, { min: 0.1, max: limits.tdsMgL.max }],
    ['water.alkalinityMgL', water.alkalinityMgL, { min: 0, max: limits.alkalinityMgL.max }],
    ['water.calciumMgL', water.calciumMgL, { min: 0, max: limits.calciumMgL.max }],
    ['water.co2MgL', water.co2MgL, limits.co2MgL],
    ['water.temperatureC', water.temperatureC, limits.temperatureC],
    ['media.bedVolumeL', media.bedVolumeL, limits.bedVolumeL],
    ['media.timeConstantMin', timeConstantMin, limits.timeConstantMin],
    ['flowLPerH', flowLPerH, limits.flowLPerH],
  ]);
  if (refused) return refused;

  const constants = carbonateConstants(water.temperatureC);
  const index = (dissolved: number) =>
    carbonateState(water, constants, dissolved)?.saturationIndex ?? NaN;
  // The last trace of calcium and alkalinity keeps the logarithms finite for water that has none.
  const search = findRoot(index, 1e-9, mostDissolved, { tolerance: 1e-10, maxEvaluations: 200 });
  if (search.status === 'no-bracket') {
    return fail('water-not-in-equilibrium-range', 'water', { saturationIndex: index(1e-9) });
  }
  if (search.status !== 'converged') return fail(search.status, 'equilibriumAddedMgL');
  const contactTimeMin = (media.bedVolumeL / flowLPerH) * 60;
  const share = -Math.expm1(-contactTimeMin / timeConstantMin) * dissolvedFactor;
  const dissolved = search.x * Math.min(share, 1);
  const state = carbonateState(water, constants, dissolved);
  if (!state) return fail('no-bracket', 'pH');
  return succeed({
    contactTimeMin,
    calciumCarbonateAddedMgL: dissolved * mgCaCO3PerMole,
    equilibriumAddedMgL: search.x * mgCaCO3PerMole,
    pH: state.pH,
    alkalinityMgL: water.alkalinityMgL + 2 * dissolved * mgCaCO3PerEquivalent,
    hardnessMgL: water.calciumMgL + dissolved * mgCaCO3PerMole,
    tdsMgL: water.tdsMgL + dissolved * 1000 * tdsPerMmol,
    meterTdsMgL: water.tdsMgL + dissolved * 1000 * meterPerMmol,
    saturationIndex: state.saturationIndex,
  });
}

/**
 * pH and calcite saturation after `dissolved` mol/L; nothing if no pH between 2 and 13 balances.
 * The search runs inside another one, so that everything that does not depend on the pH is taken out of it.
 */
function carbonateState(
  water: SoftWater,
  { logK1, logK2, logKs, logKw }: CarbonateConstants,
  dissolved: number,
): { pH: number; saturationIndex: number } | undefined {
  const ionicStrength = ionicStrengthPerTds * water.tdsMgL + 3 * dissolved;
  const g1 = activityCoefficient(1, ionicStrength, water.temperatureC);
  // Davies' exponent goes with the square of the charge.
  const g2 = g1 ** 4;
  const feedAlkalinity = water.alkalinityMgL / mgCaCO3PerEquivalent;
  const alkalinity = feedAlkalinity + 2 * dissolved;
  const carbonate = feedAlkalinity + water.co2MgL / mgCO2PerMole + dissolved;
  const calcium = water.calciumMgL / mgCaCO3PerMole + dissolved;
  // Activities are on the pH scale; concentrations follow by the activity coefficients.
  const first = 10 ** logK1 / g1;
  const second = (10 ** logK2 * g1) / g2;
  const hydroxide = 10 ** logKw / g1;

  const carbonateIonAt = (hydrogen: number) => {
    const toBicarbonate = first / hydrogen;
    const toCarbonate = (toBicarbonate * second) / hydrogen;
    return (carbonate * toCarbonate) / (1 + toBicarbonate + toCarbonate);
  };
  const surplus = (pH: number) => {
    const hydrogen = 10 ** -pH;
    const carbonateIon = carbonateIonAt(hydrogen);
    const bicarbonate = (carbonateIon * hydrogen) / second;
    return bicarbonate + 2 * carbonateIon + hydroxide / hydrogen - hydrogen / g1 - alkalinity;
  };
  const search = findRoot(surplus, 2, 13, { tolerance: 1e-12 });
  if (search.status !== 'converged') return undefined;
  const carbonateIon = carbonateIonAt(10 ** -search.x);
  return { pH: search.x, saturationIndex: Math.log10(calcium * g2 * carbonateIon * g2) - logKs };
}
