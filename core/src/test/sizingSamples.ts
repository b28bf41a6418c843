import { householdOfDemand } from '../household/household.ts';
import type { SiteChoices } from '../choose/candidates.ts';
import type { SizingWaters, FeedWater } from '../system/design.ts';
import { type Requirements, usualRequirements } from '../choose/requirements.ts';
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
  disinfectant: null,
  warm: { ...today, temperatureC: today.temperatureC + 5, pressureBar: 1.15 * today.pressureBar },
  worst: { ...today, temperatureC: today.temperatureC - 8, pressureBar: 0.85 * today.pressureBar },
});
export const site: SiteChoices = {
  line: tankDesign.line,
  airGap: false,
  chloramine: false,
  power: true,
  tankRoom: true,
  unsafe: false,
  lampIons: { ironMgL: null, manganeseMgL: null },
  mineral: 'none',
  branches: [],
};
