import type { Household } from '../household/household.ts';

/** What the household asks and what the firm holds itself to. Every limit is a default that the firm may change. */
export interface Requirements {
  demandLPerDay: number;
  /** Largest single draw, L. */
  largestDrawL: number;
  /** Who is to be content with it; designs are tried on eight weeks of their days. */
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
  /** Whether the supply is known to carry germs, so that nothing without a lamp is fit to drink from. */
  needsLamp?: boolean;
  /** Whether a scale inhibitor stands ahead of the unit. */
  inhibited?: boolean;
  /** Recovery of the running unit as a whole, however many elements; what one element bears is its catalogue's. */
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
    mostDrainPerProductL: 8,
    mostRecovery: 0.5,
  };

/** Why a design is not proposed, in the order in which it is looked for. */
export const shortfalls = [
  'needs-outlet',
  'needs-tank-room',
  'cannot-run',
  'pump-inlet-too-low',
  'pressure-too-high',
  'unit-misfit',
  'never-shuts-off',
  'too-little-water',
  'tank-too-small',
  'tank-too-large',
  'product-too-salty',
  'too-much-drain',
  'recovery-too-high',
  'tap-too-slow',
  'not-made-safe',
  'keeps-waiting',
] as const;
export type Shortfall = (typeof shortfalls)[number];
