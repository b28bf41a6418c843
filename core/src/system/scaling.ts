import { type Outcome, succeed } from '../base/outcome.ts';
import { daysInMonth } from '../base/calendar.ts';
import { practiceLimits, usualStrength, wear } from '../base/practice.ts';
import { concentrationPolarisation } from '../membrane/concentrationPolarisation.ts';
import { calciteAboveSaturation, concentrateLsi } from '../water/carbonate/concentrateLsi.ts';
import { permeatePh } from '../water/carbonate/permeatePh.ts';
import type { Assessment } from './assessment.ts';
import type { FeedWater, SystemDesign } from './design.ts';
import type { OperatingPoint } from './point/operatingPoint.ts';

/** What calcite does at the membrane's wall at the concentrate's end, in one water. */
export interface Scaling {
  /** Of one element, as a share of what it is fed with. */
  elementRecovery: number;
  /** Strength at the wall over that in the channel. */
  polarisation: number;
  wallLsi: number;
  /** Calcite above saturation, mg for each L of product. */
  mgPerProductL: number;
}

/** Recovery of one element: of a bank in series each takes its share of what the one ahead of it left. */
export const elementRecovery = (
  { elements, arrangement }: SystemDesign,
  { recovery }: OperatingPoint,
): number => (arrangement === 'series' ? 1 - (1 - recovery) ** (1 / elements) : recovery);

/** Most recovery that the design's elements are made for: their sheet's, else what plain ones bear. */
export const mostElementRecovery = ({ membrane }: SystemDesign): number =>
  membrane.mostRecovery ?? usualStrength.elementRecovery;

/**
 * Scaling while product is made into the empty tank or at the open tap, where recovery is highest. Hardness counts as calcium.
 * Units: fractions, mg as CaCO3. Errors: those of `concentrateLsi`. Source: film polarisation on the index of ASTM D3739.
 */
export function scalingOf(
  design: SystemDesign,
  water: FeedWater,
  running: OperatingPoint,
): Outcome<Scaling> {
  const { recovery, permeateTdsMgL, concentrateFlowLPerH, permeateFlowLPerH } = running;
  const passage = Math.min(Math.max(permeateTdsMgL / water.tdsMgL, 1e-6), 1);
  const own = elementRecovery(design, running);
  const polarisation = concentrationPolarisation(own);
  const { hardnessMgL: calciumMgL, alkalinityMgL } = water;
  const wall = concentrateLsi({ ...water, calciumMgL }, recovery, passage, polarisation);
  if (!wall.ok) return wall;
  const dissolved = permeatePh(water, passage);
  if (!dissolved.ok) return dissolved;
  const { lsi, concentrationFactor: factor } = wall.value;
  // Carbon dioxide passes the membrane and is as strong on both sides of it.
  const { co2MgL } = dissolved.value;
  const excess = calciteAboveSaturation(
    { calciumMgL: calciumMgL * factor, alkalinityMgL: alkalinityMgL * factor, co2MgL },
    lsi,
  );
  return succeed({
    elementRecovery: own,
    polarisation,
    wallLsi: lsi,
    mgPerProductL: (excess * concentrateFlowLPerH) / permeateFlowLPerH,
  });
}

/** Whether an element scales early: supersaturated by more than a slow film, and hard enough to feed it. */
export const scalesSoon = ({ wallLsi }: Scaling, { hardnessMgL }: FeedWater): boolean =>
  wallLsi > practiceLimits.soonLsi && hardnessMgL > practiceLimits.hardMgL;

/** Months until so much calcite has come past the elements that they are worn; Infinity where none does. */
export function scalingMonths(
  design: SystemDesign,
  today: Pick<Assessment, 'water' | 'running'>,
  demandLPerDay: number,
): number {
  const scaling = scalingOf(design, today.water, today.running);
  const gPerDay = scaling.ok ? (scaling.value.mgPerProductL * demandLPerDay) / 1000 : 0;
  return (wear.elementScaleG * design.elements) / gPerDay / daysInMonth;
}
