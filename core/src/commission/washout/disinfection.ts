import { flushTimes, sanitised } from '../../base/practice.ts';
import type { Tube } from '../../hydraulics/tubeLoss.ts';
import { type InstalledSystem, isUltravioletLine } from '../../system/ultravioletLine.ts';
import { sanitisingPlan } from './sanitising.ts';

/** Disinfecting a system as it stands: what comes out first, what goes in, how long, and what rinses it out again. */
export interface Disinfection {
  cartridges: number;
  elements: number;
  /** A post filter or mineral stage comes out with them, a tube in its place. */
  postFilter: boolean;
  mineral: boolean;
  tank: boolean;
  /** A pump's solenoid opens only while it is plugged in. */
  pump: boolean;
  /** Burns while it is filled, so that what it treats is clean up to the tap. */
  lamp: boolean;
  /** What has to be filled, L. */
  wettedL: number;
  /** Household bleach of 5 % into the first housing, mL. */
  bleachMl: number;
  /** Free chlorine that stands in it, mg/L. */
  doseMgL: number;
  contactMin: number;
  /** Until a strip shows none at the tap, L and min. */
  rinseL: number;
  rinseMin: number;
}

/** What of a site a disinfection needs to know. */
export interface DisinfectedSite {
  /** Tubes from the feed valve to the tap. */
  tubes?: readonly Tube[];
  /** What the tank takes, L. */
  tankL?: number;
  /** A laboratory found germs: it stands longer. */
  germsFound?: boolean;
}

/** Whether a maker's sealed unit is in the way: what cannot be opened is not disinfected by hand, and never due for it. */
export const canBeDisinfected = (system: InstalledSystem): boolean =>
  system.prefilters.length > 0 &&
  (isUltravioletLine(system)
    ? system.addedTo === undefined
    : system.unit
      ? system.unit.closing !== 'quarter-turn'
      : !(system.tank?.internal === true || system.tank === null));

/**
 * One procedure for an installation, a visit and a germ finding: by the volume that has to be filled and the strength that is wanted;
 * null where a sealed unit has no place to put it in. Units: L, mL, mg/L, min.
 */
export function disinfectionOf(
  system: InstalledSystem,
  { tubes = [], tankL = 0, germsFound = false }: DisinfectedSite = {},
): Disinfection | null {
  if (!canBeDisinfected(system)) return null;
  const design = isUltravioletLine(system) ? null : system;
  const elements = design?.elements ?? 0;
  const hasTank = Boolean(design?.tank);
  const line: Tube = {
    innerDiameterMm: system.line.innerDiameterMm,
    lengthM: system.line.lengthM,
  };
  const contactMin = germsFound ? sanitised.contactAfterGermsMin : sanitised.contactMin;
  const plan = sanitisingPlan({
    stagesL: [
      ...system.prefilters.map(() => sanitised.housingL),
      ...Array.from({ length: elements }, () => sanitised.vesselL),
      ...(hasTank && tankL > 0 ? [tankL] : []),
    ],
    tubes: [...tubes, line],
    contactMin,
    rinseFlowLPerMin: flushTimes.bucketLPerMin,
  });
  return {
    cartridges: system.prefilters.length,
    elements,
    postFilter: Boolean(design?.postFilter),
    mineral: Boolean(design?.mineral),
    tank: hasTank,
    pump: Boolean(design?.pump),
    lamp: system.lamp !== null,
    wettedL: plan.wettedVolumeL,
    bleachMl: plan.bleachMl,
    doseMgL: sanitised.doseMgL,
    contactMin,
    rinseL: plan.rinseVolumeL,
    rinseMin: plan.rinseTimeMin,
  };
}
