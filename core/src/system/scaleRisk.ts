import { lifeMonths, scaleLaw } from '../base/practice.ts';
import type { Assessment } from './assessment.ts';
import type { SystemDesign } from './design.ts';
import { type Scaling, scalingOf } from './scaling.ts';

/** How much of a risk scale is to an element: a class first, months only as a band. */
export type ScaleRiskClass = 'none' | 'low' | 'raised' | 'high';

export interface ScaleRisk {
  risk: ScaleRiskClass;
  /** The middle of the band, months; Infinity where nothing is supersaturated. */
  months: number;
  /** Nine in ten systems lie within, months. */
  fromMonths: number;
  toMonths: number;
}

/** Hours a day that an element works for a household. */
const hoursADay = (today: Pick<Assessment, 'productionLPerDay'>, demandLPerDay: number): number =>
  today.productionLPerDay > 0 ? Math.min((24 * demandLPerDay) / today.productionLPerDay, 24) : 24;

const classOf = (months: number, wallLsi: number): ScaleRiskClass => {
  if (wallLsi <= 0) return 'none';
  if (months >= lifeMonths.membrane) return 'low';
  return months >= lifeMonths.membrane / 2 ? 'raised' : 'high';
};

/**
 * How soon calcite is felt on the elements. Crystals grow at the wall as fast as the root of the supersaturation leaves 1, while water
 * runs or stands there under pressure: an hour of running counts double one of rest, which counts as one whole hour a day. Recovery and
 * warmth come in by the index at the wall, the household by its hours; the amount of hardness that passes does not.
 * Held to practice, not derived: to 170 mg/L nothing is seen in three years at recovery to 30 %, 170 to 350 mg/L 24 to 36 months,
 * 350 to 500 mg/L 12 to 24. One system differs from the next by a factor of two, which is the band.
 * Units: months. Source of the form: parabolic to linear growth of calcite seeds (Nancollas and Reddy 1971).
 */
export function scaleRiskBy(
  { wallLsi }: Pick<Scaling, 'wallLsi'>,
  runningHoursADay: number,
): ScaleRisk {
  const excess = Math.min(Math.sqrt(10 ** Math.max(wallLsi, 0)) - 1, scaleLaw.mostExcess);
  const hours = 1 + runningHoursADay / 2;
  const months = excess > 0 ? scaleLaw.monthHours / (excess * hours) : Infinity;
  return {
    risk: classOf(months, wallLsi),
    months,
    fromMonths: months / scaleLaw.factor,
    toMonths: months * scaleLaw.factor,
  };
}

/** The risk of a design in a water that it was assessed in; none where its index cannot be told. */
export function scaleRiskOf(
  design: SystemDesign,
  today: Pick<Assessment, 'water' | 'running' | 'productionLPerDay'>,
  demandLPerDay: number,
): ScaleRisk {
  const scaling = scalingOf(design, today.water, today.running);
  const hours = hoursADay(today, demandLPerDay);
  return scaleRiskBy(scaling.ok ? scaling.value : { wallLsi: -Infinity }, hours);
}
