import { type Ion, ions, mgCaCO3PerMeq } from './ionBalance.ts';

/** Quantities of a water report besides the ions, by the unit that they are held in. */
const others = {
  hardness: 'mg/L CaCO3',
  alkalinity: 'mg/L CaCO3',
  solids: 'mg/L',
  conductivity: 'uS/cm',
  pH: '',
  temperature: 'C',
  iron: 'mg/L',
  manganese: 'mg/L',
  sulfide: 'mg/L',
  chlorine: 'mg/L',
  chloramine: 'mg/L',
  turbidity: 'NTU',
  transmittance: '%',
  coliforms: '/100 mL',
} as const;

/** Everything of a report that sizing can use. Ions are held in mg/L of the ion itself. */
export type Analyte = Ion | keyof typeof others;
export const analytes = [...Object.keys(ions), ...Object.keys(others)] as Analyte[];

const isIon = (analyte: Analyte): analyte is Ion => analyte in ions;

/** The unit in which an analyte is held, and taken where a report gives none. */
export const analyteUnit = (analyte: Analyte): string =>
  isIon(analyte) ? 'mg/L' : others[analyte];

/** Molar masses (IUPAC 2021) for what reports give as an element. */
const grams = { nitrogen: 14.007, sulfur: 32.06, sulfide: 34.08, iron: 55.845, manganese: 54.938 };

/** Lower case, no blanks, one micro sign, no degree sign, no "as" between unit and what is counted. */
const plain = (unit: string): string =>
  unit
    .toLowerCase()
    .replace(/[µμ]/g, 'u')
    .replace(/[\s°()[\]_.-]|\bas\b/g, '')
    .replace(/₃/g, '3')
    .replace(/litre|liter/g, 'l')
    .replace(/^(?:ftu|fnu)$/, 'ntu');

const mass: Readonly<Record<string, number>> = {
  '': 1,
  'mg/l': 1,
  mgl: 1,
  ppm: 1,
  'g/m3': 1,
  'ug/l': 1e-3,
  ugl: 1e-3,
  ppb: 1e-3,
  'mg/m3': 1e-3,
  'g/l': 1e3,
};

const carbonateHardness: Readonly<Record<string, number>> = {
  ...mass,
  'mg/lcaco3': 1,
  'mgcaco3/l': 1,
  ppmcaco3: 1,
  dh: 17.848,
  gdh: 17.848,
  fh: 10,
  // French degrees as they are often written; in water no hardness is told in Fahrenheit.
  f: 10,
  gpg: 17.118,
  'gr/gal': 17.118,
  'meq/l': mgCaCO3PerMeq,
  'mval/l': mgCaCO3PerMeq,
};

/** How each ion is written behind a unit. */
const formulas: Record<Ion, string> = {
  calcium: 'ca',
  magnesium: 'mg',
  sodium: 'na',
  potassium: 'k',
  ammonium: 'nh4',
  bicarbonate: 'hco3',
  carbonate: 'co3',
  chloride: 'cl',
  sulfate: 'so4',
  nitrate: 'no3',
  fluoride: 'f',
};

/** Factors by spelling of the unit, from a report's unit to the one the analyte is held in. */
function factorsOf(analyte: Analyte): Readonly<Record<string, number>> {
  if (isIon(analyte)) {
    const { grams: molar, charge } = ions[analyte];
    const equivalent = molar / Math.abs(charge);
    const counted = (element: string, own: number) => ({
      [`mg/l${element}`]: molar / own,
      [`mg${element}/l`]: molar / own,
    });
    return {
      ...mass,
      'mmol/l': molar,
      'umol/l': molar / 1000,
      'meq/l': equivalent,
      'mval/l': equivalent,
      'mg/lcaco3': equivalent / mgCaCO3PerMeq,
      // "mg SO4/l": counted as itself.
      [`mg/l${formulas[analyte]}`]: 1,
      [`mg${formulas[analyte]}/l`]: 1,
      [`ppm${formulas[analyte]}`]: 1,
      'mgcaco3/l': equivalent / mgCaCO3PerMeq,
      ppmcaco3: equivalent / mgCaCO3PerMeq,
      ...(analyte === 'nitrate' || analyte === 'ammonium' ? counted('n', grams.nitrogen) : {}),
      ...(analyte === 'sulfate' ? counted('s', grams.sulfur) : {}),
    };
  }
  switch (analyte) {
    case 'hardness':
      return { ...carbonateHardness, 'mmol/l': 2 * mgCaCO3PerMeq };
    case 'alkalinity': {
      const bicarbonate = mgCaCO3PerMeq / ions.bicarbonate.grams;
      // Acid capacity counts protons: a millimole is a milliequivalent.
      return {
        ...carbonateHardness,
        'mmol/l': mgCaCO3PerMeq,
        'mg/lhco3': bicarbonate,
        'mghco3/l': bicarbonate,
      };
    }
    case 'conductivity':
      // At 20 C it reads lower than at 25 C by the factor of ISO 7888.
      return {
        '': 1,
        'us/cm': 1,
        'us/cm25c': 1,
        'us/cm20c': 1.116,
        'ms/cm': 1000,
        'ms/m': 10,
        umho: 1,
        'umho/cm': 1,
        umhos: 1,
        'umhos/cm': 1,
      };
    case 'pH':
      return { '': 1, ph: 1, phunits: 1, units: 1, standardunits: 1, su: 1 };
    case 'temperature':
      return { '': 1, c: 1, celsius: 1 };
    case 'turbidity':
      return { '': 1, ntu: 1 };
    case 'transmittance':
      return { '': 1, '%': 1, '%/cm': 1, percent: 1 };
    case 'coliforms':
      return { '': 1, '/100ml': 1, 'cfu/100ml': 1, 'mpn/100ml': 1, 'n/100ml': 1, 'kbe/100ml': 1 };
    case 'iron':
    case 'manganese':
    case 'sulfide':
      return { ...mass, 'mmol/l': grams[analyte], 'umol/l': grams[analyte] / 1000 };
    case 'solids':
    case 'chlorine':
    case 'chloramine':
      return mass;
  }
}

/**
 * A report's figure in the unit that the analyte is held in; nothing where the unit is none of it.
 * Fahrenheit is understood for temperatures.
 */
export function analyteAmount(analyte: Analyte, value: number, unit: string): number | undefined {
  const spelling = plain(unit);
  if (analyte === 'temperature' && (spelling === 'f' || spelling === 'fahrenheit'))
    return (value - 32) / 1.8;
  const factor = factorsOf(analyte)[spelling];
  return factor === undefined ? undefined : value * factor;
}
