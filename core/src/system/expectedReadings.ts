import { type Outcome, succeed } from '../base/outcome.ts';
import { sound } from './condition.ts';
import { type Ageing, type FeedWater, newMembrane, type SystemDesign } from './design.ts';
import { observe } from './observe.ts';
import type { OperatingPoint } from './point/operatingPoint.ts';

/**
 * What this system should show in this water with its tank closed and its tap open, which is how flows are taken: the product
 * flows straight to the tap, so the membrane works against the tap line's loss alone.
 * Errors: those of the operating point.
 */
export function expectedReadings(
  design: SystemDesign,
  water: Pick<FeedWater, 'tdsMgL' | 'temperatureC' | 'pressureBar'>,
  ageing: Ageing = newMembrane,
): Outcome<OperatingPoint> {
  const seen = observe(
    design,
    { ...sound, ageing },
    { tank: 'closed', tap: 'open' },
    { ...water, hardnessMgL: 0, alkalinityMgL: 0, pH: 7 },
  );
  return seen.ok ? succeed(seen.value.point) : seen;
}
