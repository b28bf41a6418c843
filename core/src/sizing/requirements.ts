import type { Household } from '../day/household.ts';
import type { FeedWater } from './systemDesign.ts';

/** What the household asks and what the firm holds itself to. Every limit is a default that the firm may change. */
export interface Requirements {
  demandLPerDay: number;
  /** Largest single draw, L. */
  largestDrawL: number;
  /** Who is to be content with it; designs are tried on two weeks of their days. */
  household: Household;
  /** Share of days, in the worst case, on which somebody may wait longer than people bear, or go short. */
  mostWaitingDays: number;
  /** Production asked over demand, so that the tank can catch up. */
  productionMargin: number;
  /** Product TDS that a customer will not question, mg/L, and the share of the feed allowed where the feed is strong. */
  productTdsMgL: number;
  productShareOfFeed: number;
  /** Product pH under which minerals are proposed. */
  leastProductPh: number;
  /** Prices in the firm's currency. */
  waterPricePerM3: number;
  powerPricePerKwh: number;
  /** Drain water allowed per litre of product. */
  mostDrainPerProductL: number;
  /** Recovery of the running unit above which polarisation and scale shorten an element's life. */
  mostRecovery: number;
}

export const usualRequirements: Omit<Requirements, 'demandLPerDay' | 'largestDrawL' | 'household'> =
  {
    mostWaitingDays: 0.2,
    productionMargin: 1.5,
    productTdsMgL: 60,
    productShareOfFeed: 0.1,
    leastProductPh: 6.5,
    waterPricePerM3: 4,
    powerPricePerKwh: 0.3,
    mostDrainPerProductL: 6,
    mostRecovery: 0.4,
  };

/** Limits of practice (defaults), with the reason each is there in the sentence it leads to. */
export const practiceLimits = {
  /** Below this an unpumped system is customarily boosted, bar (40 psi). */
  lowSupplyBar: 2.76,
  /** Above this a regulator is needed, bar (80 psi). The stricter school sets 4.1 bar (60 psi) for plastic housings. */
  highSupplyBar: 5.5,
  strictSupplyBar: 4.1,
  /** Hardness from which softening is considered, mg/L as CaCO3 (7 gpg). */
  hardMgL: 120,
} as const;

/** A water under the two conditions that a design is judged at. */
export interface SizingWaters {
  /** As measured. */
  today: FeedWater;
  /** Coldest water and lowest pressure; used with an aged membrane. */
  worst: FeedWater;
}

/** Why a design is not proposed, in the order in which it is looked for. */
export const shortfalls = [
  'cannot-run',
  'pump-inlet-too-low',
  'never-shuts-off',
  'too-little-water',
  'tank-too-small',
  'product-too-salty',
  'too-much-drain',
  'recovery-too-high',
  'tap-too-slow',
  'keeps-waiting',
] as const;
export type Shortfall = (typeof shortfalls)[number];
