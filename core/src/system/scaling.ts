import { type Outcome, succeed } from '../base/outcome.ts';
import { usualStrength } from '../base/practice.ts';
import { concentrationPolarisation } from '../membrane/concentrationPolarisation.ts';
import { concentrateLsi } from '../water/carbonate/concentrateLsi.ts';
import type { FeedWater, SystemDesign } from './design.ts';
import type { OperatingPoint } from './point/operatingPoint.ts';

/** What calcite does at the membrane's wall at the concentrate's end, in one water. */
export interface Scaling {
  /** Of one element, as a share of what it is fed with. */
  elementRecovery: number;
  /** Strength at the wall over that in the channel. */
  polarisation: number;
  wallLsi: number;
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
  const { recovery, permeateTdsMgL } = running;
  const passage = Math.min(Math.max(permeateTdsMgL / water.tdsMgL, 1e-6), 1);
  const own = elementRecovery(design, running);
  const polarisation = concentrationPolarisation(own);
  const { hardnessMgL: calciumMgL } = water;
  const wall = concentrateLsi({ ...water, calciumMgL }, recovery, passage, polarisation);
  if (!wall.ok) return wall;
  return succeed({
    elementRecovery: own,
    polarisation,
    wallLsi: wall.value.lsi,
  });
}
