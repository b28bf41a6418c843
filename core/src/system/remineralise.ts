import {
  calciteContact,
  type RemineralisedWater,
  type SoftWater,
} from '../water/carbonate/calciteContact.ts';
import type { Assessment } from './assessment.ts';
import type { SystemDesign } from './design.ts';

/**
 * The product after the design's mineral bed; null where it has none, or where the bed adds nothing (saturated water, no flow).
 * Apart from the assessment, which it costs more than all the rest of and which nothing else depends on.
 */
export function remineralise(
  design: SystemDesign,
  assessed: Assessment,
): RemineralisedWater | null {
  const { mineral } = design;
  const flowLPerH =
    mineral?.place === 'after-tank' ? assessed.tapHalfLPerMin * 60 : assessed.fillingLPerH;
  if (!mineral || !(flowLPerH > 0)) return null;
  const treated = calciteContact(softWater(assessed), mineral.part.media, flowLPerH);
  return treated.ok ? treated.value : null;
}

/** pH of water that stood in a calcite bed until nothing more dissolves, overnight; null where nothing dissolves in it. */
export function standingPh(water: SoftWater): number | null {
  const stood = calciteContact(water, { bedVolumeL: 1 }, standingLPerH);
  return stood.ok ? stood.value.pH : null;
}

/** The same of a design's product. */
export const standingProductPh = (assessed: Assessment): number | null =>
  standingPh(softWater(assessed));

/** So slow that a bed of a litre comes to equilibrium. */
const standingLPerH = 0.01;

const softWater = ({
  productTdsMgL,
  productAlkalinityMgL,
  productHardnessMgL,
  productCo2MgL,
  water,
}: Assessment): SoftWater => ({
  tdsMgL: productTdsMgL,
  alkalinityMgL: productAlkalinityMgL,
  calciumMgL: productHardnessMgL,
  co2MgL: productCo2MgL,
  temperatureC: water.temperatureC,
});
