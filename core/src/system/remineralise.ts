import { calciteContact, type RemineralisedWater } from '../water/carbonate/calciteContact.ts';
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
  const treated = calciteContact(
    {
      tdsMgL: assessed.productTdsMgL,
      alkalinityMgL: assessed.productAlkalinityMgL,
      calciumMgL: assessed.productHardnessMgL,
      co2MgL: assessed.productCo2MgL,
      temperatureC: assessed.water.temperatureC,
    },
    mineral.part.media,
    flowLPerH,
  );
  return treated.ok ? treated.value : null;
}
