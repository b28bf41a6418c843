import type { Analyte } from '@katharos/core';

/** What an analyte is called on the page, and the spellings under which reports list it. */
const names: Record<Analyte, [label: string, ...spellings: string[]]> = {
  calcium: ['Calcium', 'ca', 'ca2', 'kalzium', 'calcio'],
  magnesium: ['Magnesium', 'mg', 'mg2', 'magnesio'],
  sodium: ['Sodium', 'na', 'natrium', 'sodio'],
  potassium: ['Potassium', 'k', 'kalium', 'potasio'],
  ammonium: ['Ammonium', 'nh4', 'ammonia', 'amonio'],
  bicarbonate: ['Bicarbonate', 'hco3', 'hydrogen carbonate', 'hydrogenkarbonat', 'bicarbonato'],
  carbonate: ['Carbonate', 'co3', 'karbonat'],
  chloride: ['Chloride', 'cl', 'chlorid', 'cloruro', 'chlorure'],
  sulfate: ['Sulfate', 'so4', 'sulphate', 'sulfat', 'sulfato'],
  nitrate: ['Nitrate', 'no3', 'nitrat', 'nitrato'],
  fluoride: ['Fluoride', 'f', 'fluorid', 'fluoruro', 'fluorure'],
  hardness: ['Hardness', 'total hardness', 'hardness total', 'gesamtharte', 'durete', 'dureza'],
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
  ],
  solids: ['Dissolved solids', 'tds', 'total dissolved solids', 'dry residue', 'residue 180'],
  conductivity: [
    'Conductivity',
    'ec',
    'electrical conductivity',
    'specific conductance',
    'conductivity 25 c',
    'leitfahigkeit',
    'conductivite',
    'conductividad',
  ],
  pH: ['pH', 'ph value', 'ph wert'],
  temperature: ['Temperature', 'temp', 'water temperature', 'temperatur'],
  iron: ['Iron', 'fe', 'iron total', 'total iron', 'eisen', 'fer', 'hierro'],
  manganese: ['Manganese', 'mn', 'manganese total', 'mangan', 'manganeso'],
  sulfide: ['Hydrogen sulfide', 'h2s', 'sulfide', 'hydrogen sulphide', 'sulphide'],
  chlorine: ['Free chlorine', 'chlorine', 'chlorine free', 'residual chlorine', 'cl2'],
  chloramine: ['Chloramine', 'chlorine combined', 'combined chlorine', 'monochloramine'],
  turbidity: ['Turbidity', 'trubung', 'turbidite', 'turbidez'],
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
    bySpelling.get(spelling) ?? bySpelling.get(spelling.replace(/ (as|dissolved|filtered) .*$/, ''))
  );
}

/** "Calcium (mg/L)" names its unit itself. */
export const unitInName = (text: string): string =>
  /[([]([^)\]]+)[)\]]\s*$/.exec(text)?.[1]?.trim() ?? '';
