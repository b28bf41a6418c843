import { lifeMonths } from '../base/practice.ts';
import { carbonLifeMonths, type Disinfectant } from '../water/carbonLife.ts';
import { yearOfWater } from '../household/yearOfWater.ts';
import type { Assessment } from '../system/assessment.ts';
import type { Requirements } from './requirements.ts';
import type { SystemDesign } from '../system/design.ts';
import { type ScaleRiskClass, scaleRiskOf } from '../system/scaleRisk.ts';

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
  /** How long membrane and carbon last here, months: by the calendar at the most. */
  membraneMonths: number;
  /** How much of a risk scale is, and the band of months that it comes to. */
  scaleRisk: ScaleRiskClass;
  scaleFromMonths: number;
  scaleToMonths: number;
  carbonMonths: number;
  /** The three together. */
  fiveYears: number;
}

const yearsCounted = 5;

/** Replacements that fall within the counted years; what is new at the start is bought with the system. */
const replacements = (months: number): number => Math.ceil((12 * yearsCounted) / months) - 1;

/**
 * Cost of five years for a household that takes its daily demand: water drunk and drained, power, cartridges as they last here.
 * Infinite water where the design never shuts off.
 */
export function ownershipCost(
  design: SystemDesign,
  { demandLPerDay, waterPricePerM3, powerPricePerKwh, inhibited = false }: Requirements,
  today: Assessment,
  disinfectant: Disinfectant | null,
): OwnershipCost {
  const year = yearOfWater(demandLPerDay, [], today.drainLPerProductL);
  const runs = today.productionLPerDay > 0;
  const hoursPerYear = runs ? (365 * 24 * demandLPerDay) / today.productionLPerDay : Infinity;
  const watts = (design.pump?.powerW ?? 0) + (design.solenoid?.powerW ?? 0);
  const lampKwh = ((design.lamp?.powerW ?? 0) * 8760) / 1000;
  const kwhPerYear = lampKwh + (watts > 0 ? (watts * hoursPerYear) / 1000 : 0);
  const water = yearsCounted * waterPricePerM3 * year.streetM3;
  const power = yearsCounted * powerPricePerKwh * kwhPerYear;
  const feedLPerDay = demandLPerDay * (1 + today.drainLPerProductL);
  const scale = scaleRiskOf(design, today, demandLPerDay);
  const lives = {
    membraneMonths: Math.min(lifeMonths.membrane, inhibited ? Infinity : scale.months),
    carbonMonths: Math.min(
      lifeMonths.carbon,
      disinfectant
        ? carbonLifeMonths(
            design.prefilters.map((part) => part.disinfectantG),
            disinfectant,
            feedLPerDay,
          )
        : Infinity,
    ),
  };
  const cartridges = cartridgeCost(design, lives);
  return {
    productM3PerYear: year.productM3,
    drainM3PerYear: year.drainM3,
    kwhPerYear,
    water,
    power,
    cartridges,
    ...lives,
    scaleRisk: inhibited && scale.risk !== 'none' ? 'low' : scale.risk,
    scaleFromMonths: scale.fromMonths,
    scaleToMonths: scale.toMonths,
    fiveYears: water + power + cartridges,
  };
}

type Lives = Pick<OwnershipCost, 'membraneMonths' | 'carbonMonths'>;

function cartridgeCost(design: SystemDesign, { membraneMonths, carbonMonths }: Lives): number {
  const { prefilters, membrane, elements, postFilter, mineral, lamp, permeatePump } = design;
  const worn: [price: number, months: number][] = [
    ...prefilters.map((part): [number, number] => [
      part.price,
      part.media === 'sediment' ? lifeMonths.sediment : carbonMonths,
    ]),
    [membrane.price * elements, membraneMonths],
    [postFilter?.price ?? 0, lifeMonths.postFilter],
    [mineral?.part.price ?? 0, lifeMonths.mineral],
    [permeatePump?.price ?? 0, lifeMonths.permeatePump],
    // The lamp itself is about a third of its reactor.
    [(lamp?.price ?? 0) / 3, lifeMonths.lamp],
  ];
  return worn.reduce((sum, [price, months]) => sum + price * replacements(months), 0);
}
