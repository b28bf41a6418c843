import { isChlorinated, type TestedSystem } from './testedSystem.ts';

/** What can be read of a system, with what it asks of the person who reads it. */
interface ReadingKind {
  /** Minutes of work. */
  minutes: number;
  /** What it is read with; `look` is a yes or a no, by eye, ear and hand. */
  by:
    | 'tds-meter'
    | 'thermometer'
    | 'gauge'
    | 'tank-gauge'
    | 'jug'
    | 'strip'
    | 'kit'
    | 'ph-meter'
    | 'watch'
    | 'look';
  /** Least step that is written down; half of it either way is not told apart. */
  step: number;
  /** L collected, where a jug and a watch are used. */
  jugL?: number;
  /** Of a standard uncertainty, whatever else it is. */
  floor?: number;
  exists?: (system: TestedSystem) => boolean;
}

const withTank = ({ tank }: TestedSystem) => tank !== undefined;
const withPump = ({ pump }: TestedSystem) => pump !== undefined;

const tds = { by: 'tds-meter', step: 1 } as const;
const gauge = { by: 'gauge', step: 0.01 } as const;
const tankGauge = { by: 'tank-gauge', step: 0.01, exists: withTank } as const;
const flow = (jugL: number) => ({ by: 'jug', step: 0.01, jugL, floor: 0.05 }) as const;
const tapFlow = { by: 'jug', step: 0.01, jugL: 1, floor: 0.02, exists: withTank } as const;
const look = { by: 'look', step: 0 } as const;

/**
 * Every reading, in the order in which a visit takes them. State R is tank valve closed, tap open, steady.
 * Minutes, jugs and uncertainties are defaults of practice.
 */
export const readingKinds = {
  /** At the cold tap that feeds the unit, mg/L. */
  feedTdsMgL: { ...tds, minutes: 2 },
  /** At the sample point, mg/L. */
  productTdsMgL: { ...tds, minutes: 3 },
  /** Of the feed, degrees C. */
  temperatureC: { by: 'thermometer', step: 0.1, minutes: 1 },
  /** Static, nothing running, bar gauge. */
  supplyPressureBar: { ...gauge, minutes: 4 },
  /** At the unit's inlet, behind the feed valve, state R. */
  dynamicPressureBar: { ...gauge, minutes: 4 },
  /** Feed side of the membrane, state R. */
  membranePressureBar: { ...gauge, minutes: 3, exists: ({ gaugePort }) => gaugePort },
  /** At the tap, state R. */
  productFlowLPerH: { ...flow(0.25), minutes: 8 },
  /** From the drain line in its place, state R. */
  drainFlowLPerH: { ...flow(1), minutes: 5 },
  /** In the line at the tank when filling has ended. */
  tankPressureFullBar: { ...tankGauge, minutes: 4 },
  /** At the air valve, tank empty and disconnected. */
  tankPressureEmptyPrechargeBar: { ...tankGauge, minutes: 15 },
  /** Supply shut, from full until the tap trickles. */
  deliveredVolumeL: { by: 'jug', step: 0.01, floor: 0.05, minutes: 12, exists: withTank },
  tapFlowStartLPerMin: { ...tapFlow, minutes: 2 },
  tapFlowAfter2LLPerMin: { ...tapFlow, minutes: 4 },
  drainStopsAfterTankClosed: { ...look, minutes: 6 },
  drainStopsWhenFull: { ...look, minutes: 5 },
  chlorineAfterCarbonMgL: {
    by: 'strip',
    step: 0.01,
    floor: 0.03,
    minutes: 3,
    exists: isChlorinated,
  },
  /** Same cup as the product's TDS, mg/L as CaCO3. */
  productHardnessMgL: { by: 'kit', step: 1, floor: 5, minutes: 4 },
  productPh: { by: 'ph-meter', step: 0.01, floor: 0.15, minutes: 2 },
  pumpRunning: { ...look, minutes: 1, exists: withPump },
  /** From empty until the drain stops; absent where it never does. */
  fillTimeMin: { by: 'watch', step: 0.1, floor: 2, minutes: 90, exists: withTank },
  /** Same place, after 10 minutes of running or 2 L drawn. */
  productTdsRepeatMgL: { ...tds, minutes: 12 },
  /** State R with the drain tube taken off right behind the restrictor. */
  drainFlowTubeOffLPerH: { ...flow(1), minutes: 8 },
  /** Product tube taken off at the membrane, open to air. */
  productFlowTubeOffLPerH: { ...flow(0.25), minutes: 10 },
  /** The same meter in a reference solution. */
  meterCheckMgL: { ...tds, minutes: 3 },
  /** Fall of the full tank's pressure in 10 minutes, supply shut, tap closed. */
  tankPressureDropBar: { ...tankGauge, minutes: 12 },
  waterAtAirValve: { ...look, minutes: 1, exists: withTank },
} as const satisfies Record<string, ReadingKind>;

export type ReadingCode = keyof typeof readingKinds;
export const readingCodes = Object.keys(readingKinds) as ReadingCode[];
export const readingKind = (code: ReadingCode): ReadingKind => readingKinds[code];

/** Whether a reading is a yes or a no. */
export const isLook = (code: ReadingCode): boolean => readingKinds[code].by === 'look';

export const readingExists = (code: ReadingCode, system: TestedSystem): boolean =>
  readingKind(code).exists?.(system) ?? true;

/** What was seen: a number, a yes or no, or null where it was tried and no water came. */
export type Seen = number | boolean | null;
export type TestReadings = Partial<Record<ReadingCode, Seen>>;
