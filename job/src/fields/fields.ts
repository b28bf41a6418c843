import {
  type Dimension,
  type PurposeIon,
  purposeIons,
  type Quantity,
  type Range,
  type SurveyKey,
  surveyRanges,
  toCore,
  type UnitSystem,
} from '@katharos/core';

/** A field that takes a quantity: what it measures and what it may be. Its words go by its name. */
export interface QuantityField {
  name: FieldName;
  dimension: Dimension;
  range: Range;
  /** The unit that a bare number has, where it is not the dimension's usual one. */
  units?: Readonly<Record<UnitSystem, string>>;
  /** Whether "less than" can be meant: an instrument's limit of detection. */
  below?: boolean;
}

/** A quantity as it was entered: what lies below an instrument's limit of detection stands at that limit, and is known to. */
export type EnteredQuantity = Quantity & { below?: true | undefined };

/** Pipes and holes; cupboards, tubes and what stands in them. */
const small = { metric: 'mm', us: 'in' } as const;
const middling = { metric: 'cm', us: 'in' } as const;

const surveyDimensions: Record<SurveyKey, Dimension> = {
  feedTds: 'tds',
  pressure: 'pressure',
  temperature: 'temperature',
  demand: 'dailyVolume',
  coldest: 'temperature',
  warmest: 'temperature',
  lowestPressure: 'pressure',
  highestPressure: 'pressure',
  hardness: 'hardness',
  alkalinity: 'hardness',
  pH: 'pH',
  largestDraw: 'volume',
  lineLength: 'length',
  rise: 'length',
};

const keysOf = <K extends string>(table: Record<K, unknown>) => Object.keys(table) as K[];

const fieldsOf = <K extends FieldName>(
  keys: readonly K[],
  field: (key: K) => Omit<QuantityField, 'name'>,
) =>
  Object.fromEntries(
    keys.map((name): [string, QuantityField] => [name, { name, ...field(name) }]),
  ) as Record<K, QuantityField>;

export const surveyFields = fieldsOf(keysOf(surveyDimensions), (key) => ({
  dimension: surveyDimensions[key],
  range: surveyRanges[key],
  ...(surveyDimensions[key] === 'hardness' ? { below: true } : {}),
}));

const line = { dimension: 'length', range: { min: 0.2, max: 40 } } as const;
const rise = { dimension: 'length', range: { min: -10, max: 15 } } as const;

/** Readings that no equation of the production needs, but a decision does. */
const details = {
  disinfectant: { below: true, dimension: 'concentration', range: { min: 0, max: 10 } },
  iron: { below: true, dimension: 'concentration', range: { min: 0, max: 50 } },
  manganese: { below: true, dimension: 'concentration', range: { min: 0, max: 20 } },
  sulfide: { below: true, dimension: 'concentration', range: { min: 0, max: 50 } },
  turbidity: { below: true, dimension: 'turbidity', range: { min: 0, max: 500 } },
  transmittance: { dimension: 'share', range: { min: 0.05, max: 1 } },
  staticPressure: { dimension: 'pressure', range: surveyRanges.highestPressure },
  cabinetWidth: { units: middling, dimension: 'length', range: { min: 0.1, max: 4 } },
  cabinetHeight: { units: middling, dimension: 'length', range: { min: 0.1, max: 3 } },
  cabinetDepth: { units: middling, dimension: 'length', range: { min: 0.1, max: 2 } },
  drainPipe: { units: small, dimension: 'length', range: { min: 0.02, max: 0.12 } },
  straightPipe: { units: middling, dimension: 'length', range: { min: 0.01, max: 1.5 } },
  spoutToBowl: { units: middling, dimension: 'length', range: { min: 0.02, max: 0.6 } },
  outletDistance: { dimension: 'length', range: { min: 0, max: 10 } },
  doorWidth: { units: middling, dimension: 'length', range: { min: 0.1, max: 3 } },
  doorHeight: { units: middling, dimension: 'length', range: { min: 0.1, max: 3 } },
  fridgeLine: line,
  fridgeRise: rise,
  iceLine: line,
  iceRise: rise,
  secondTapLine: line,
  secondTapRise: rise,
  machineLine: line,
  machineRise: rise,
  branchPressure: { dimension: 'pressure', range: { min: 0.2, max: 6 } },
  existingFlow: { dimension: 'flow', range: { min: 1, max: 600 } },
  existingTds: { dimension: 'tds', range: { min: 0, max: 5000 } },
} as const satisfies Record<string, Omit<QuantityField, 'name'>>;

export type DetailKey = keyof typeof details;

export const detailFields = fieldsOf(keysOf(details), (key) => details[key]);

const testTds = { below: true, dimension: 'tds', range: { min: 0, max: 5000 } } as const;
const testBar = { dimension: 'pressure', range: { min: 0, max: 16 } } as const;
const tankBar = { dimension: 'pressure', range: { min: 0, max: 8 } } as const;
const unitFlow = { dimension: 'flow', range: { min: 0, max: 1000 } } as const;
const tapLMin = { dimension: 'tapFlow', range: { min: 0, max: 30 } } as const;

/** What a verification can ask beyond the basic readings, where it would tell something. */
const tests = {
  staticPressure: { ...testBar },
  membranePressure: { ...testBar },
  tankFullPressure: { ...tankBar },
  tankEmptyPressure: { ...tankBar },
  deliveredVolume: { dimension: 'volume', range: { min: 0, max: 200 } },
  tapFlowFull: { ...tapLMin },
  tapFlowAfterTwo: { ...tapLMin },
  chlorineAfterCarbon: { below: true, dimension: 'concentration', range: { min: 0, max: 10 } },
  productHardness: { below: true, dimension: 'hardness', range: { min: 0, max: 1500 } },
  productPh: { dimension: 'pH', range: { min: 3, max: 11 } },
  fillTime: { dimension: 'duration', range: { min: 0, max: 2880 } },
  productTdsRepeat: { ...testTds },
  drainFlowTubeOff: { ...unitFlow },
  productFlowTubeOff: { ...unitFlow },
  meterCheck: { dimension: 'tds', range: { min: 0, max: 20000 } },
  tankPressureDrop: { ...tankBar },
} as const satisfies Record<string, Omit<QuantityField, 'name'>>;
export type TestKey = keyof typeof tests;
/** The survey has a static pressure of its own, read at another tap. */
type TestFieldName = Exclude<TestKey, 'staticPressure'> | 'restingPressure';
export const testKeys = keysOf(tests);

/** What a practitioner notes besides, and no fault is weighed by: it stands in the record. */
const noted = {
  totalChlorine: { below: true, dimension: 'concentration', range: { min: 0, max: 10 } },
  pumpDischarge: { ...testBar },
  pumpCutout: { ...testBar },
  drainStill: { dimension: 'duration', range: { min: 0, max: 600 } },
  /** Drops a minute at the drain, a quarter of an hour after the tap was closed. */
  drainDrips: { dimension: 'count', range: { min: 0, max: 600 } },
  restartPressure: { ...testBar },
  /** Of a counter in the product's line, where there is one: litres since it was fitted. */
  productCounter: { dimension: 'volume', range: { min: 0, max: 1_000_000 } },
} as const satisfies Record<string, Omit<QuantityField, 'name'>>;
export type NotedKey = keyof typeof noted;
export const notedKeys = keysOf(noted);
export const notedFields = Object.fromEntries(
  notedKeys.map((key) => [key, { name: key, ...noted[key] }]),
) as Record<NotedKey, QuantityField>;

type IonFieldName = `product:${PurposeIon}`;
/** What a laboratory found in the product of that for which the system was bought. */
export const ionFields = Object.fromEntries(
  purposeIons.map((ion): [PurposeIon, QuantityField] => [
    ion,
    {
      name: `product:${ion}`,
      below: true,
      dimension: 'concentration',
      range: { min: 0, max: ion === 'nitrate' ? 500 : 20 },
    },
  ]),
) as Record<PurposeIon, QuantityField>;

/** What is seen, heard and felt, where it would tell something; that the drain stops is a test of its own. */
export const testLooks = [
  'no-product',
  'drain-stops-tank-closed',
  'pump-runs',
  'water-at-air-valve',
] as const;
export type TestLook = (typeof testLooks)[number];

export const basicVerifyKeys = [
  'feedTds',
  'productTds',
  'temperature',
  'pressure',
  'productFlow',
  'drainFlow',
] as const;
export type BasicVerifyKey = (typeof basicVerifyKeys)[number];
export type VerifyKey = BasicVerifyKey | TestKey;

export const verifyFields: Record<VerifyKey, QuantityField> = {
  feedTds: { ...surveyFields.feedTds, name: 'verifiedFeedTds' },
  productTds: { name: 'productTds', ...testTds },
  temperature: surveyFields.temperature,
  pressure: { ...surveyFields.pressure, name: 'runningPressure' },
  productFlow: { name: 'productFlow', dimension: 'flow', range: { min: 0, max: 600 } },
  drainFlow: { name: 'drainFlow', ...unitFlow },
  ...(Object.fromEntries(
    testKeys.map((key): [TestKey, QuantityField] => [
      key,
      { name: key === 'staticPressure' ? 'restingPressure' : key, ...tests[key] },
    ]),
  ) as Record<TestKey, QuantityField>),
};

/** Every field that takes a quantity. */
export type FieldName =
  | SurveyKey
  | DetailKey
  | 'wellCutIn'
  | 'wellCutOut'
  | 'verifiedFeedTds'
  | 'productTds'
  | 'runningPressure'
  | 'productFlow'
  | 'drainFlow'
  | TestFieldName
  | NotedKey
  | IonFieldName
  | 'litFlow'
  | 'route'
  | 'drawnLitres';

/** Whether an entered quantity lies in its field's range; ends are counted in, with room for a unit's rounding. */
export function isWithin(field: QuantityField, quantity: Quantity): boolean {
  const value = toCore(field.dimension, quantity);
  const room = 1e-9 * Math.max(1, Math.abs(field.range.max));
  return value >= field.range.min - room && value <= field.range.max + room;
}
