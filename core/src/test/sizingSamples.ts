import { householdOfDemand } from '../day/household.ts';
import type { SiteChoices } from '../sizing/candidates.ts';
import { type Requirements, type SizingWaters, usualRequirements } from '../sizing/requirements.ts';
import type { FeedWater } from '../sizing/systemDesign.ts';
import { tankDesign } from './samples.ts';

/** What the sample household asks, on a plain site. */

export const requirements: Requirements = {
  ...usualRequirements,
  demandLPerDay: 12,
  largestDrawL: 2,
  household: householdOfDemand(12, 2),
};
export const watersOf = (today: FeedWater): SizingWaters => ({
  today,
  worst: { ...today, temperatureC: today.temperatureC - 8, pressureBar: 0.85 * today.pressureBar },
});
export const site: SiteChoices = {
  line: tankDesign.line,
  airGap: false,
  chloramine: false,
  power: true,
  tankRoom: true,
  unsafe: false,
  mineral: 'none',
  branches: [],
};
