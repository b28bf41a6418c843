import { osmoticPressure } from '../water/osmoticPressure.ts';
import { restrictorCoefficient, restrictorFlow } from '../hydraulics/restrictorFlow.ts';
import { usualShutoffRatio } from '../tank/bladderTank.ts';
import { type FeedWater, isMakerPiped, type SystemDesign } from './design.ts';

/** What stops the water on its way to the drain when the tank is full or the tap closed. */
export type FeedCloser = 'solenoid' | 'valve' | 'unit';

/**
 * What closes the feed; null where nothing does. A pump's switch stops the pump, not the water: it needs a solenoid wired with it or a
 * hydraulic valve. A unit piped by its maker has one inside.
 */
export function feedCloser(design: SystemDesign): FeedCloser | null {
  if (design.solenoid) return 'solenoid';
  if (design.unit?.tankless || (!design.unit && isMakerPiped(design))) return 'unit';
  return design.shutoff ? 'valve' : null;
}

/**
 * Whether the closer closes once the tank is as full as it gets. A hydraulic valve behind a pump feels the supply alone when the pump has
 * stopped: it shuts where its share of that lies under the tank's pressure, and else the supply has to push the tank up to it.
 */
export function closesWhenFull(design: SystemDesign, water: FeedWater): boolean {
  const closer = feedCloser(design);
  if (closer !== 'valve' || !design.pump) return closer !== null;
  const valve = design.shutoff!.shutoff;
  if (valve.kind !== 'hydraulic') return true;
  const { pressureBar, tdsMgL, temperatureC } = water;
  const closesBar = (valve.ratio ?? usualShutoffRatio) * pressureBar;
  const pushesUpTo = pressureBar - osmoticPressure(tdsMgL, temperatureC);
  return closesBar <= Math.max(design.pump.cutoutBar, pushesUpTo);
}

/** Drain water of a day on which nobody draws, L: what the restrictor lets by at the supply's pressure where nothing closes. */
export const idleDrainLPerDay = (design: SystemDesign, water: FeedWater): number =>
  closesWhenFull(design, water)
    ? 0
    : 24 * restrictorFlow(restrictorCoefficient(design.restrictor.restrictor), water.pressureBar);
