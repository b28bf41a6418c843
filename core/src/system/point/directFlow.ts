import { refuseTapLine, type TapLine, tapLineLoss } from '../../hydraulics/tapLine.ts';
import type { ElementPermeance } from '../../membrane/elementPermeance.ts';
import { fail, type Outcome } from '../../base/outcome.ts';
import { risePressure } from '../../water/waterDensity.ts';
import { type OperatingPoint, OperatingPointSolver } from './operatingPoint.ts';
import { resolveSystem, type RoSystem } from './roSystem.ts';

/**
 * Operating point of a tankless system with its tap open: the product-side pressure is the one at which the tap's line
 * passes exactly the product flow. The line's loss is explicit in the flow, so no search beyond the operating point's is needed.
 * @param knownPermeance skips the calibration of an element whose rating has been solved before
 * Units: L/h, mg/L, bar gauge. Errors: those of `operatingPoint`; 'no-product-to-the-tap' if the rise alone stops it.
 */
export function directFlow(
  system: RoSystem & { tapLine: TapLine },
  knownPermeance?: ElementPermeance,
): Outcome<OperatingPoint> {
  const refused = refuseTapLine(system.tapLine, 'tapLine.');
  if (refused) return refused;
  const resolved = resolveSystem(system, knownPermeance);
  if (!resolved.ok) return resolved;
  const { temperatureC } = system.feed;
  const solved = new OperatingPointSolver(resolved.value).solve(
    (permeate) => tapLineLoss(system.tapLine, permeate, temperatureC).totalBar,
  );
  if (!solved.ok && solved.failure.code === 'no-driving-pressure') {
    const riseBar = risePressure(system.tapLine.riseM ?? 0, temperatureC);
    return fail('no-product-to-the-tap', 'feed.pressureBar', { ...solved.failure.data, riseBar });
  }
  return solved;
}
