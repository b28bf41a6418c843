import { practiceLimits } from '../base/practice.ts';
import type { SiteChoices } from './candidates.ts';
import type { FeedWater, SizingWaters } from '../system/design.ts';
import type { Requirements } from './requirements.ts';

/** What can be changed about a house so that a system fits. */
export const fittingChanges = [
  'outlet',
  'tank-room',
  'more-pressure',
  'half-the-demand',
  'more-drain',
  'more-salt',
] as const;
export type FittingChange = (typeof fittingChanges)[number];

/** What a system is asked for. */
export interface Asked {
  site: SiteChoices;
  waters: SizingWaters;
  requirements: Requirements;
}

/** Drain water for one of product, in a house where nothing else fits. */
const drainWhereNothingFits = 15;
/** Share of the feed's solids that is left in the product, in a house where nothing else fits. */
const saltWhereNothingFits = 0.2;

const atLeast = (water: FeedWater, bar: number): FeedWater => ({
  ...water,
  pressureBar: Math.max(water.pressureBar, bar),
});

/** A supply whose lowest pressure is the customary one: a pressure set ahead of the house, or a well's switch set higher. */
const pressed = ({ today, worst, warm, disinfectant }: SizingWaters): SizingWaters => ({
  today: atLeast(today, practiceLimits.lowSupplyBar),
  worst: atLeast(worst, practiceLimits.lowSupplyBar),
  warm: atLeast(warm, practiceLimits.lowSupplyBar),
  disinfectant,
});

const changes: Record<FittingChange, (asked: Asked) => Asked> = {
  outlet: (asked) => ({ ...asked, site: { ...asked.site, power: true } }),
  'tank-room': (asked) => ({ ...asked, site: { ...asked.site, tankRoom: true } }),
  'more-pressure': (asked) => ({ ...asked, waters: pressed(asked.waters) }),
  'half-the-demand': ({ requirements, ...asked }) => ({
    ...asked,
    requirements: {
      ...requirements,
      demandLPerDay: requirements.demandLPerDay / 2,
      largestDrawL: requirements.largestDrawL / 2,
    },
  }),
  'more-drain': ({ requirements, ...asked }) => ({
    ...asked,
    requirements: { ...requirements, mostDrainPerProductL: drainWhereNothingFits },
  }),
  'more-salt': ({ requirements, ...asked }) => ({
    ...asked,
    requirements: {
      ...requirements,
      productTdsMgL: Math.max(
        requirements.productTdsMgL,
        saltWhereNothingFits * asked.waters.today.tdsMgL,
      ),
      productShareOfFeed: Math.max(requirements.productShareOfFeed, saltWhereNothingFits),
    },
  }),
};

/** Whether the house is so already. */
const isSo: Record<FittingChange, (asked: Asked) => boolean> = {
  outlet: ({ site }) => site.power,
  'tank-room': ({ site }) => site.tankRoom,
  'more-pressure': ({ waters }) => waters.worst.pressureBar >= practiceLimits.lowSupplyBar,
  'half-the-demand': () => false,
  'more-drain': () => false,
  'more-salt': () => false,
};

/** Most changes that are asked for at once. */
const mostAtOnce = 3;

/** The sets of changes that a house leaves open, the smaller first, and among equals those that cost people least. */
export function waysOpen(asked: Asked): FittingChange[][] {
  const open = fittingChanges.filter((change) => !isSo[change](asked));
  let sets: FittingChange[][] = [[]];
  const all: FittingChange[][] = [];
  for (let size = 1; size <= mostAtOnce; size += 1) {
    sets = sets.flatMap((set) =>
      open
        .filter((change) => open.indexOf(change) > open.indexOf(set.at(-1)!))
        .map((change) => [...set, change]),
    );
    all.push(...sets);
  }
  return all;
}

/** The house with changes made. */
export const changed = (asked: Asked, set: readonly FittingChange[]): Asked =>
  set.reduce((now, change) => changes[change](now), asked);
