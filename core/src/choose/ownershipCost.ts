import { lifeMonths } from '../base/practice.ts';
import type { Assessment } from '../system/assessment.ts';
import type { Requirements } from './requirements.ts';
import type { SystemDesign } from '../system/design.ts';

/** What owning a design costs, in the firm's currency, and the water and power behind it. */
export interface OwnershipCost {
  /** A year's water, in m3: drunk and drained. */
  productM3PerYear: number;
  drainM3PerYear: number;
  kwhPerYear: number;
  /** Five years of each. */
  water: number;
  power: number;
  cartridges: number;
  /** The three together. */
  fiveYears: number;
}

const yearsCounted = 5;

/** Replacements that fall within the counted years; what is new at the start is bought with the system. */
const replacements = (months: number): number => Math.ceil((12 * yearsCounted) / months) - 1;

/**
 * Cost of five years for a household that takes its daily demand: water drunk and drained, power, cartridges by the calendar.
 * Infinite water where the design never shuts off.
 */
export function ownershipCost(
  design: SystemDesign,
  { demandLPerDay, waterPricePerM3, powerPricePerKwh }: Requirements,
  today: Assessment,
): OwnershipCost {
  const productM3PerYear = (365 * demandLPerDay) / 1000;
  const drainM3PerYear = productM3PerYear * today.drainLPerProductL;
  const runs = today.productionLPerDay > 0;
  const hoursPerYear = runs ? (365 * 24 * demandLPerDay) / today.productionLPerDay : Infinity;
  const watts = design.pump?.powerW ?? 0;
  const lampKwh = ((design.lamp?.powerW ?? 0) * 8760) / 1000;
  const kwhPerYear = lampKwh + (watts > 0 ? (watts * hoursPerYear) / 1000 : 0);
  const water = yearsCounted * waterPricePerM3 * (productM3PerYear + drainM3PerYear);
  const power = yearsCounted * powerPricePerKwh * kwhPerYear;
  const cartridges = cartridgeCost(design);
  return {
    productM3PerYear,
    drainM3PerYear,
    kwhPerYear,
    water,
    power,
    cartridges,
    fiveYears: water + power + cartridges,
  };
}

function cartridgeCost(design: SystemDesign): number {
  const { prefilters, membrane, elements, postFilter, mineral, lamp } = design;
  const worn: [price: number, months: number][] = [
    ...prefilters.map((part): [number, number] => [
      part.price,
      part.media === 'sediment' ? lifeMonths.sediment : lifeMonths.carbon,
    ]),
    [membrane.price * elements, lifeMonths.membrane],
    [postFilter?.price ?? 0, lifeMonths.postFilter],
    [mineral?.part.price ?? 0, lifeMonths.mineral],
    // The lamp itself is about a third of its reactor.
    [(lamp?.price ?? 0) / 3, lifeMonths.lamp],
  ];
  return worn.reduce((sum, [price, months]) => sum + price * replacements(months), 0);
}
