import { ultravioletLimits } from '../base/practice.ts';
import { divalentPassage } from '../membrane/divalentPassage.ts';
import type { Assessment } from './assessment.ts';
import type { SystemDesign } from './design.ts';
import { remineralise } from './remineralise.ts';

/** What of a feed could coat a lamp's sleeve, mg/L; null where it was not read. */
export interface LampIons {
  ironMgL: number | null;
  manganeseMgL: number | null;
}

/** What reaches a lamp behind a membrane, mg/L, and whether it may. */
export interface LampWater {
  ironMgL: number;
  manganeseMgL: number;
  hardnessMgL: number;
  /** A bed ahead of the tank gave the hardness back. */
  hardened: boolean;
  fits: boolean;
}

/**
 * Product at the lamp: what shades and coats is held back like other ions of two charges; a bed ahead of the tank hardens what the lamp
 * sees, one in the line to the tap stands behind it.
 */
export function lampWaterOf(
  design: SystemDesign,
  today: Assessment,
  { ironMgL, manganeseMgL }: LampIons,
): LampWater {
  const passage = divalentPassage(1 - today.rejection);
  const bed = design.mineral?.place === 'before-tank' ? remineralise(design, today) : null;
  const water = {
    ironMgL: (ironMgL ?? 0) * passage,
    manganeseMgL: (manganeseMgL ?? 0) * passage,
    hardnessMgL: bed?.hardnessMgL ?? today.productHardnessMgL,
  };
  const { ironMgL: iron, manganeseMgL: manganese, hardnessMgL: hardness } = ultravioletLimits;
  return {
    ...water,
    hardened: bed !== null,
    fits: water.ironMgL < iron && water.manganeseMgL < manganese && water.hardnessMgL < hardness,
  };
}
