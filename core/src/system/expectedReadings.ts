import { type Outcome, succeed } from '../base/outcome.ts';
import {
  type Ageing,
  type FeedWater,
  newMembrane,
  roSystemOf,
  type SystemDesign,
  tapLineOf,
} from './design.ts';
import { type OperatingPoint, OperatingPointSolver } from './point/operatingPoint.ts';
import { resolveSystem } from './point/roSystem.ts';
import { tapLineLoss } from '../hydraulics/tapLine.ts';

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
  const full = { ...water, hardnessMgL: 0, alkalinityMgL: 0, pH: 7 };
  const resolved = resolveSystem(roSystemOf(design, full, ageing));
  if (!resolved.ok) return resolved;
  const line = tapLineOf(design);
  const solved = new OperatingPointSolver(resolved.value).solve(
    (flow) => tapLineLoss(line, flow, water.temperatureC).totalBar,
  );
  return solved.ok ? succeed(solved.value) : solved;
}
