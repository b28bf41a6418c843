import { pumpPressure } from '../hydraulics/pumpPressure.ts';
import { usualStrength, wear } from '../base/practice.ts';
import { filterResistance } from '../hydraulics/prefilterDrop.ts';
import { combineFilters, type FeedWater, type SystemDesign } from './design.ts';

/** Pressures that a design's parts see at the most, and what they bear, bar gauge. */
export interface HighestPressures {
  /** In the pre-filters' housings: the supply's, with nothing running. */
  housingBar: number;
  housingMostBar: number;
  /** At the membrane: behind the pump with next to no flow, else the supply's. */
  elementBar: number;
  /** What vessel and element both bear. */
  elementMostBar: number;
}

/** @param water at its highest pressure, as it reaches the unit */
export function highestPressures(design: SystemDesign, water: FeedWater): HighestPressures {
  const { membrane, pump, unit } = design;
  return {
    housingBar: water.pressureBar,
    housingMostBar: unit?.housingBar ?? usualStrength.housingBar,
    elementBar: pumpPressure(pump?.pump, water.pressureBar, 0),
    elementMostBar: Math.min(membrane.mostBar ?? usualStrength.elementBar, vesselBar(design)),
  };
}

/** A vessel bears what its unit's sheet says; a loose one is a housing like the others, whatever pump stands before it. */
const vesselBar = ({ unit }: SystemDesign): number => unit?.vesselBar ?? usualStrength.housingBar;

/** Whether something would see more than it bears. */
export const isOverloaded = (p: HighestPressures): boolean =>
  p.housingBar > p.housingMostBar || p.elementBar > p.elementMostBar;

/** Pressure ahead of a pump behind pre-filters at the end of their life, bar. @param feedLPerH through them */
export function pumpInletBar(design: SystemDesign, water: FeedWater, feedLPerH: number): number {
  const filters = combineFilters(design.prefilters.map((part) => part.filter));
  const drop = filterResistance(filters, water.temperatureC) * feedLPerH;
  return water.pressureBar - drop * wear.prefilterEndFactor;
}
