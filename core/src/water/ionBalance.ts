/** Ions that a drinking water report lists, by molar mass (g/mol, IUPAC 2021) and charge. */
export const ions = {
  calcium: { grams: 40.078, charge: 2 },
  magnesium: { grams: 24.305, charge: 2 },
  sodium: { grams: 22.99, charge: 1 },
  potassium: { grams: 39.098, charge: 1 },
  ammonium: { grams: 18.038, charge: 1 },
  bicarbonate: { grams: 61.016, charge: -1 },
  carbonate: { grams: 60.008, charge: -2 },
  chloride: { grams: 35.45, charge: -1 },
  sulfate: { grams: 96.06, charge: -2 },
  nitrate: { grams: 62.004, charge: -1 },
  fluoride: { grams: 18.998, charge: -1 },
} as const;
export type Ion = keyof typeof ions;

/** Milliequivalents per litre of an ion's mg/L, without sign. */
export const milliequivalents = (ion: Ion, mgL: number): number =>
  (mgL / ions[ion].grams) * Math.abs(ions[ion].charge);

/** Milligrams of calcium carbonate that count as one milliequivalent. */
export const mgCaCO3PerMeq = 50.0435;

/** What a report says of a water; hardness and alkalinity stand in for the ions they are made of, where those are not listed. */
export interface Analysis {
  ions: Partial<Record<Ion, number>>;
  /** mg/L as CaCO3. */
  hardnessMgL?: number | undefined;
  alkalinityMgL?: number | undefined;
}

export interface IonBalance {
  cationsMeqL: number;
  anionsMeqL: number;
  /** (cations - anions) / (cations + anions). */
  difference: number;
  balanced: boolean;
  /** Major ions that neither stand there nor follow from hardness or alkalinity: without them a sum is not complete. */
  missing: Ion[];
}

/** Sums that differ by more than this share of both together point to a slip or an ion left out. */
const tolerance = 0.05;

/**
 * Sums of cations and anions; in any real water they are equal.
 * Source: charge balance as in Standard Methods 1030 E, with its 5 % for drinking water.
 */
export function ionBalance({ ions: given, hardnessMgL, alkalinityMgL }: Analysis): IonBalance {
  const sum = (sign: number) =>
    (Object.keys(ions) as Ion[])
      .filter((ion) => Math.sign(ions[ion].charge) === sign)
      .reduce((total, ion) => total + milliequivalents(ion, given[ion] ?? 0), 0);
  const hardIons = given.calcium !== undefined && given.magnesium !== undefined;
  const alkaline = given.bicarbonate !== undefined;
  let cationsMeqL = sum(1);
  let anionsMeqL = sum(-1);
  if (!hardIons && hardnessMgL !== undefined) {
    // Hardness is calcium and magnesium together; what one of them was listed with is already in the sum.
    const listed =
      milliequivalents('calcium', given.calcium ?? 0) +
      milliequivalents('magnesium', given.magnesium ?? 0);
    cationsMeqL += Math.max(hardnessMgL / mgCaCO3PerMeq - listed, 0);
  }
  if (!alkaline && alkalinityMgL !== undefined) {
    const listed = milliequivalents('carbonate', given.carbonate ?? 0);
    anionsMeqL += Math.max(alkalinityMgL / mgCaCO3PerMeq - listed, 0);
  }
  const both = cationsMeqL + anionsMeqL;
  const difference = both > 0 ? (cationsMeqL - anionsMeqL) / both : 0;
  const known: [Ion, boolean][] = [
    ['calcium', hardIons || hardnessMgL !== undefined],
    ['sodium', given.sodium !== undefined],
    ['bicarbonate', alkaline || alkalinityMgL !== undefined],
    ['chloride', given.chloride !== undefined],
    ['sulfate', given.sulfate !== undefined],
  ];
  return {
    cationsMeqL,
    anionsMeqL,
    difference,
    balanced: Math.abs(difference) <= tolerance,
    missing: known.filter(([, there]) => !there).map(([ion]) => ion),
  };
}

/**
 * Dissolved solids from the listed ions, mg/L: bicarbonate loses half its mass as carbon dioxide when a sample is dried.
 */
export function solidsOfIons({ ions: given, alkalinityMgL }: Analysis): number {
  const bicarbonate =
    given.bicarbonate ?? ((alkalinityMgL ?? 0) / mgCaCO3PerMeq) * ions.bicarbonate.grams;
  const others = (Object.keys(ions) as Ion[])
    .filter((ion) => ion !== 'bicarbonate')
    .reduce((total, ion) => total + (given[ion] ?? 0), 0);
  return others + 0.4917 * bicarbonate;
}

/** Usual span of dissolved solids over conductivity at 25 C, mg/L per uS/cm; outside it one of the two is off. */
export const solidsPerConductivity = { min: 0.5, max: 0.8 } as const;
