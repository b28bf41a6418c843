import type { Analyte } from '@katharos/core';

/** What an analyte is called on the page, and the spellings under which reports list it. */
const names: Record<Analyte, [label: string, ...spellings: string[]]> = {
  calcium: ['Calcium', 'ca', 'ca2', 'kalzium', 'calcio', 'calcium dissolved'],
  magnesium: ['Magnesium', 'mg', 'mg2', 'magnesio'],
  sodium: ['Sodium', 'na', 'natrium', 'sodio'],
  potassium: ['Potassium', 'k', 'kalium', 'potasio'],
  ammonium: ['Ammonium', 'nh4', 'ammonia', 'amonio'],
  bicarbonate: [
    'Bicarbonate',
    'hco3',
    'hydrogen carbonate',
    'hydrogenkarbonat',
    'hydrogencarbonat',
    'bicarbonato',
    'bicarbonatos',
  ],
  carbonate: ['Carbonate', 'co3', 'karbonat'],
  chloride: ['Chloride', 'cl', 'chlorid', 'cloruro', 'cloruros', 'chlorure'],
  sulfate: ['Sulfate', 'so4', 'sulphate', 'sulfat', 'sulfato', 'sulfatos'],
  nitrate: [
    'Nitrate',
    'no3',
    'nitrat',
    'nitrato',
    'nitratos',
    'nitrate nitrogen',
    'nitrogen nitrate',
    'nitratstickstoff',
  ],
  fluoride: ['Fluoride', 'f', 'fluorid', 'fluoruro', 'fluorure'],
  hardness: [
    'Hardness',
    'total hardness',
    'hardness total',
    'gesamtharte',
    'gesamthaerte',
    'durete',
    'dureza',
    'dureza total',
  ],
  alkalinity: [
    'Alkalinity',
    'total alkalinity',
    'alkalinity total',
    'm alkalinity',
    'acid capacity',
    'acid capacity ph 4 3',
    'saurekapazitat',
    'alcalinite',
    'alcalinidad',
    'alcalinidad total',
    'saurekapazitat bis ph 4 3',
  ],
  solids: [
    'Dissolved solids',
    'tds',
    'total dissolved solids',
    'dry residue',
    'residue 180',
    'abdampfruckstand',
    'solidos disueltos',
    'solidos disueltos totales',
    'solidos totales disueltos',
    'std',
  ],
  conductivity: [
    'Conductivity',
    'ec',
    'electrical conductivity',
    'specific conductance',
    'conductivity 25 c',
    'leitfahigkeit',
    'conductivite',
    'conductividad',
    'conductividad electrica',
    'elektrische leitfahigkeit',
  ],
  pH: ['pH', 'ph value', 'ph wert'],
  temperature: ['Temperature', 'temp', 'water temperature', 'temperatur', 'temperatura'],
  iron: ['Iron', 'fe', 'iron total', 'total iron', 'eisen', 'fer', 'hierro'],
  manganese: ['Manganese', 'mn', 'manganese total', 'mangan', 'manganeso'],
  sulfide: ['Hydrogen sulfide', 'h2s', 'sulfide', 'hydrogen sulphide', 'sulphide'],
  chlorine: [
    'Free chlorine',
    'chlorine',
    'chlorine free',
    'residual chlorine',
    'cl2',
    'freies chlor',
    'cloro libre',
    'cloro residual',
    'cloro libre residual',
  ],
  chloramine: [
    'Chloramine',
    'chlorine combined',
    'combined chlorine',
    'monochloramine',
    'gebundenes chlor',
    'cloro combinado',
    'cloraminas',
  ],
  turbidity: ['Turbidity', 'trubung', 'turbidite', 'turbidez', 'turbiedad'],
  transmittance: ['Ultraviolet transmittance', 'uvt', 'uv transmittance', 'transmittance 254'],
  coliforms: [
    'Coliform bacteria',
    'coliforms',
    'total coliforms',
    'coliforms total',
    'e coli',
    'escherichia coli',
    'fecal coliforms',
    'enterococci',
    'coliforme bakterien',
    'coliformes totales',
  ],
};

export const analyteLabel = (analyte: Analyte): string => names[analyte][0];

/** Lower case, without accents, charges, brackets and what stands in them, and punctuation. */
const plain = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/\([^)]*\)|\[[^\]]*\]/g, ' ')
    .replace(/[^a-z0-9 ]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

const bySpelling = new Map(
  (Object.entries(names) as [Analyte, string[]][]).flatMap(([analyte, spellings]) =>
    spellings.map((spelling): [string, Analyte] => [plain(spelling), analyte]),
  ),
);

/** The analyte that a report means by a name, with the unit that stood in the name's brackets; nothing for a name that is not known. */
export function recogniseAnalyte(text: string): Analyte | undefined {
  const spelling = plain(text);
  return (
    bySpelling.get(spelling) ??
    bySpelling.get(spelling.replace(/ (as|als|como|dissolved|filtered|gelost) .*$/, '')) ??
    // "NO3-N", "Sulfat-S": what it is counted as stands behind it.
    bySpelling.get(spelling.replace(/ [ns]$/, ''))
  );
}

/** What a figure is counted as, where its name or unit says so: calcium carbonate, nitrogen, sulfur, or the ion itself. */
const bases: [basis: string, pattern: RegExp][] = [
  ['CaCO3', /caco ?3|calcium carbonate|carbonato de calcio|calciumcarbonat/],
  [
    'N',
    /\b(as|als|como) n\b|\bno3 ?n\b|nitrat[eo]?s? n(itrogen|itrogeno)?\b|nitratstickstoff|nitrogen nitrate|nh4 ?n\b|ammoni(um|a) n\b/,
  ],
  ['S', /\b(as|als|como) s\b|\bso4 ?s\b|sul(f|ph)at[eo]?s? s\b/],
  ['HCO3', /\b(as|als|como) hco3\b/],
];

/** Where a name says what its figure is counted as; nothing where it does not. */
export function basisInName(text: string): string {
  const spelling = text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();
  return bases.find(([, pattern]) => pattern.test(spelling))?.[0] ?? '';
}

/** "Calcium (mg/L)" names its unit itself. */
export function unitInName(text: string): string {
  const found = /[([]([^)\]]+)[)\]]\s*$/.exec(text)?.[1]?.trim() ?? '';
  // "(as CaCO3)" says what is counted, not in what.
  return /^(as|als|como) /i.test(found) || /^(caco3|n|s)$/i.test(found) ? '' : found;
}
