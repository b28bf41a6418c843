import type { ScaleRiskClass } from '../../system/scaleRisk.ts';
import type { Purpose } from '../../water/purpose.ts';
import type { BranchKind } from '../../hydraulics/branchPressure.ts';
import type { Disinfectant } from '../../water/carbonLife.ts';

/** What is decided explicitly, in the order of the water. */
export const decisionTopics = [
  'membrane',
  'regulator',
  'leak-stop',
  'pretreatment',
  'carbon',
  'booster',
  'restrictor',
  'scaling',
  'shut-off',
  'minerals',
  'post-filter',
  'disinfection',
  'refrigerator',
] as const;
export type DecisionTopic = (typeof decisionTopics)[number];

/** One choice made for the person about a topic, under a code that says why, with the numbers it rests on; NaN where there is none. */
interface Decided<T extends DecisionTopic, C extends string, D> {
  topic: T;
  choice: 'yes' | 'no' | 'consider';
  code: C;
  data: Readonly<D>;
}

type RegulatorDecision = Decided<
  'regulator',
  'regulator-needed' | 'regulator-two-schools' | 'regulator-not-needed',
  {
    highestSupplyBar: number;
    /** Whether that is a guess from today's pressure. */
    assumed: boolean;
    highSupplyBar: number;
    strictSupplyBar: number;
    housingMostBar: number;
  }
>;

type MembraneDecision = Decided<
  'membrane',
  | 'membrane-needed'
  | 'membrane-not-needed-carbon'
  | 'membrane-not-needed-carbon-and-lamp'
  | 'membrane-not-needed-lamp'
  | 'membrane-not-needed-nothing',
  { tdsMgL: number; hardnessMgL: number; fromTdsMgL: number }
>;

type LeakStopDecision = Decided<
  'leak-stop',
  'leak-stop-fitted' | 'leak-stop-left-out',
  Record<never, never>
>;

/** What of the feed may ask for treatment ahead of the unit. */
export const pretreatmentKeys = ['ironMgL', 'manganeseMgL', 'sulfideMgL', 'turbidityNtu'] as const;
export type PretreatmentKey = (typeof pretreatmentKeys)[number];

type PretreatmentDecision = Decided<
  'pretreatment',
  | 'pretreatment-needed'
  | 'pretreatment-test-first'
  | 'pretreatment-not-needed'
  | 'pretreatment-not-read',
  Record<PretreatmentKey, number> & {
    over: readonly PretreatmentKey[];
    unread: readonly PretreatmentKey[];
  }
>;

type CarbonDecision = Decided<
  'carbon',
  | 'carbon-for-taste'
  | 'carbon-catalytic'
  | 'carbon-too-weak-for-chloramine'
  | 'carbon-by-litres'
  | 'carbon-by-calendar',
  {
    residualMgL: number;
    assumed: boolean;
    feedLPerDay: number;
    months: number;
    calendarMonths: number;
  }
>;

type BoosterDecision = Decided<
  'booster',
  | 'booster-built-in'
  | 'booster-not-needed'
  | 'booster-permeate-pump'
  | 'booster-customary'
  | 'booster-would-help'
  | 'booster-needs-outlet'
  | 'booster-nothing-without'
  | 'booster-shuts-off-only-with'
  | 'booster-too-little-without'
  | 'booster-low-supply'
  | 'booster-saves-water'
  | 'booster-by-choice',
  {
    supplyBar: number;
    lowSupplyBar: number;
    osmoticBar: number;
    withLPerDay: number;
    withoutLPerDay: number;
    neededLPerDay: number;
    powerW: number;
    /** L to drain for one of product with and without the design's permeate pump. */
    drainPerProduct: number;
    plainDrainPerProduct: number;
    /** Where the pump works on its curve in the worst case. */
    pumpFlowLPerH: number;
    pumpBoostBar: number;
    membraneBar: number;
    cutoutBar: number;
    tankless: boolean;
  }
>;

type RestrictorDecision = Decided<
  'restrictor',
  'restrictor-unknown' | 'restrictor-balanced' | 'restrictor-too-tight' | 'restrictor-too-wide',
  {
    flowMlMin: number;
    /** Of one element, in the warmest water at the highest pressure, and what its class bears. */
    recovery: number;
    mostRecovery: number;
    polarisation: number;
    mostPolarisation: number;
    drainPerProduct: number;
    wallLsi: number;
  }
>;

/** Something ahead of the unit against scale: what it costs, and after how long it has paid for itself. */
export interface ScaleRemedy {
  method: 'softening' | 'inhibitor';
  name: string;
  price: number;
  /** Feed between two refills, L, and what they come to in a year. */
  lastsL: number;
  perYear: number;
  /** Infinity where it never does. */
  paybackYears: number;
}

type ScalingDecision = Decided<
  'scaling',
  'scaling-soften-or-accept' | 'scaling-slow' | 'scaling-none' | 'scaling-inhibited',
  {
    hardnessMgL: number;
    wallLsi: number;
    temperatureC: number;
    risk: ScaleRiskClass;
    /** The band in which nine in ten elements last, months. */
    fromMonths: number;
    toMonths: number;
    calendarMonths: number;
    /** What membranes worn early cost in five years. */
    costOfEarly: number;
    /** What would spare them, from the catalogue. */
    remedies: readonly ScaleRemedy[];
  }
>;

type ShutOffDecision = Decided<
  'shut-off',
  | 'shut-off-by-the-tap'
  | 'shut-off-never-closes'
  | 'shut-off-nothing-closes'
  | 'shut-off-by-switch'
  | 'shut-off-by-valve'
  | 'shut-off-closes',
  {
    supplyBar: number;
    closesBar: number;
    stallBar: number;
    worstHours: number;
    idleDrainLPerDay: number;
  }
>;

type MineralsDecision = Decided<
  'minerals',
  | 'minerals-unknown'
  | 'minerals-not-asked'
  | 'minerals-would-overshoot'
  | 'minerals-would-lift'
  | 'minerals-not-needed'
  | 'minerals-add-nothing'
  | 'minerals-before-tank'
  | 'minerals-too-alkaline'
  | 'minerals-after-tank'
  | 'minerals-in-line',
  {
    productPh: number;
    leastPh: number;
    tdsBefore: number;
    phAfter: number;
    tdsAfter: number;
    /** What a meter on the NaCl scale shows behind the bed: less than the mass. */
    meterAfter: number;
    hardnessAfter: number;
    /** Of water that stood in the bed. */
    standingPh: number;
  }
>;

type PostFilterDecision = Decided<
  'post-filter',
  'post-filter-after-tank' | 'post-filter-in-line' | 'post-filter-missing' | 'post-filter-left-out',
  Record<never, never>
>;

type DisinfectionDecision = Decided<
  'disinfection',
  | 'lamp-by-choice'
  | 'lamp-not-asked'
  | 'lamp-test-first'
  | 'lamp-behind-hard-bed'
  | 'lamp-left-out'
  | 'lamp-needs-outlet'
  | 'lamp-feed-not-clear'
  | 'lamp-needed'
  | 'lamp-dose-too-low',
  {
    doseMjCm2: number;
    neededMjCm2: number;
    flowLPerH: number;
    hardnessMgL: number;
    transmittance: number;
  }
>;

type RefrigeratorDecision = Decided<
  'refrigerator',
  | 'refrigerator-without-tank'
  | 'refrigerator-enough'
  | 'refrigerator-only-when-full'
  | 'refrigerator-too-weak',
  { kind: BranchKind; fullBar: number; drawnBar: number; neededBar: number }
>;

/** Every decision that can be come to; a word list that leaves one out does not compile. */
export type Decision =
  | MembraneDecision
  | RegulatorDecision
  | LeakStopDecision
  | PretreatmentDecision
  | CarbonDecision
  | BoosterDecision
  | RestrictorDecision
  | ScalingDecision
  | ShutOffDecision
  | MineralsDecision
  | PostFilterDecision
  | DisinfectionDecision
  | RefrigeratorDecision;

export type DecisionCode = Decision['code'];

/** The decision about a topic. */
export type DecisionOn<T extends DecisionTopic> = Extract<Decision, { topic: T }>;

/** The numbers behind a code. */
export type DecisionData<C extends DecisionCode> = Decision extends infer D
  ? D extends { code: infer K; data: infer X }
    ? C extends K
      ? X
      : never
    : never
  : never;

/** What is known of a supply's germs; a source of one's own that nobody tested is not safe, only unknown. */
export type Microbiology = 'safe' | 'unsafe' | 'untested';

/** Why minerals are asked for: for the taste, or to bring the product's pH up. */
export const mineralWishes = ['taste', 'pH'] as const;
export type MineralWish = (typeof mineralWishes)[number];

/** What is known of the supply and the site that a decision needs; what was not read is null. */
export interface SiteFacts {
  highestSupplyBar: number;
  /** Whether that is a guess, for nobody read it. */
  highestAssumed: boolean;
  microbiology: Microbiology;
  /** A well, a lake or rain: nobody tests it but its owner. */
  ownSource: boolean;
  power: boolean;
  /** Why minerals were asked for; null where nobody asked. */
  mineralWish: MineralWish | null;
  /** Null where the supply carries none; `assumed` where its strength was not read. */
  disinfectant: (Disinfectant & { assumed: boolean }) | null;
  ironMgL: number | null;
  manganeseMgL: number | null;
  sulfideMgL: number | null;
  turbidityNtu: number | null;
  /** Of the feed, per cm at 254 nm. */
  transmittance: number | null;
  /** What it is bought for; empty where nobody was asked. */
  purposes?: readonly Purpose[];
  /** Whether dissolved solids were read; what is assumed tells nobody to do without a membrane. */
  tdsRead?: boolean;
}
