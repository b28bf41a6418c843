import type { Pump } from '../../hydraulics/pumpPressure.ts';
import type { FilterDrop } from '../../hydraulics/prefilterDrop.ts';
import type { Scenario, Trouble } from './scenario.ts';
import { isChlorinated, type SamplePoint, type TestedSystem } from './testedSystem.ts';

/** How bad a fault is: one number, drawn evenly between its ends, or evenly in its logarithm. */
export interface Severity {
  scale: 'log' | 'even';
  least: number;
  most: number;
  /** The ends are for an ordinary element; a larger membrane has them in proportion. */
  bySize?: true;
}

/** A way in which a fault can show; most have one, a factor that can lie on either side has two. */
interface Branch {
  severity: Severity | null;
  alter: (as: Scenario, severity: number) => Scenario;
}

interface FaultKind {
  /** How common it is among all that may be; only the relation counts. */
  weight: number;
  branches: readonly Branch[];
  exists: (system: TestedSystem, samplePoint: SamplePoint) => boolean;
  /** Weighed only where it is asked for: whoever asks knows of the visit what no reading tells. */
  onlyAsked?: true;
}

const log = (least: number, most: number): Severity => ({ scale: 'log', least, most });
const even = (least: number, most: number): Severity => ({ scale: 'even', least, most });
const sized = (least: number, most: number): Severity => ({ ...log(least, most), bySize: true });

const always = () => true;
const withTank = ({ tank }: TestedSystem) => tank !== undefined;
const withTankValve = ({ tank }: TestedSystem) => tank !== undefined && !tank.internal;
const withCloser = ({ neverCloses }: TestedSystem) => !neverCloses;
const withPump = ({ pump }: TestedSystem) => pump !== undefined;

/** A change of the system's parts or its water. */
const parts =
  (change: (system: TestedSystem, severity: number) => Partial<TestedSystem>) =>
  (as: Scenario, severity: number): Scenario => ({
    ...as,
    system: { ...as.system, ...change(as.system, severity) },
  });
/** A change that no part's rating can say. */
const trouble =
  (change: (severity: number) => Trouble) =>
  (as: Scenario, severity: number): Scenario => ({
    ...as,
    trouble: { ...as.trouble, ...change(severity) },
  });

const dropTimes = (filter: FilterDrop | undefined, factor: number) =>
  filter && { ...filter, dropBar: filter.dropBar * factor };

export const boostTimes = (pump: Pump | undefined, factor: number): Pump | undefined =>
  pump && {
    ...pump,
    curve: pump.curve.map((at) => ({ ...at, boostBar: at.boostBar * factor })),
  };

const aged = (water: (v: number) => number, salt: (v: number) => number) =>
  parts(({ membrane }, v) => ({
    membrane: {
      ...membrane,
      flowFactor: (membrane.flowFactor ?? 1) * water(v),
      saltPassageFactor: (membrane.saltPassageFactor ?? 1) * salt(v),
    },
  }));

const restrictorTimes = parts(({ restrictor }, v) => ({
  restrictor: { ...restrictor, flowMlMin: restrictor.flowMlMin * v },
}));
const prechargeTimes = parts(({ tank }, v) => ({
  tank: tank && { ...tank, prechargeBar: tank.prechargeBar * v },
}));

/** Another water: its strength, and with it what makes it hard. */
export const strengthTimes = ({ feed }: TestedSystem, factor: number): TestedSystem['feed'] => ({
  ...feed,
  tdsMgL: feed.tdsMgL * factor,
  alkalinityMgL: feed.alkalinityMgL * factor,
  calciumMgL: feed.calciumMgL * factor,
});

const one = (severity: Severity | null, alter: Branch['alter']): readonly Branch[] => [
  { severity, alter },
];
const eitherSide = (
  least: number,
  most: number,
  alter: (as: Scenario, factor: number) => Scenario,
): readonly Branch[] => [
  { severity: log(least, most), alter },
  { severity: log(least, most), alter: (as, v) => alter(as, 1 / v) },
];

/** Every fault that the diagnosis weighs. Ranges and weights are defaults of practice. */
export const faultKinds = {
  healthy: { weight: 0.3, branches: one(null, (as) => as), exists: always },
  'supply-valve-partly-open': {
    weight: 0.04,
    branches: one(
      sized(0.01, 0.08),
      trouble((feedValveKv) => ({ feedValveKv })),
    ),
    exists: always,
  },
  'prefilter-blocked': {
    weight: 0.05,
    branches: one(
      log(3, 40),
      parts(({ prefilters }, v) => ({ prefilters: dropTimes(prefilters, v) })),
    ),
    exists: ({ prefilters }) => prefilters !== undefined,
  },
  'carbon-spent': {
    weight: 0.03,
    branches: one(
      log(0.2, 1),
      trouble((chlorineShare) => ({ chlorineShare })),
    ),
    exists: isChlorinated,
  },
  'membrane-absent': {
    weight: 0.012,
    branches: one(
      log(800, 4000),
      trouble((leakMlMin) => ({ leakMlMin, membraneAbsent: true })),
    ),
    exists: always,
  },
  'membrane-bypass': {
    weight: 0.05,
    branches: one(
      sized(3, 150),
      trouble((leakMlMin) => ({ leakMlMin })),
    ),
    exists: always,
  },
  'brine-seal-failed': {
    weight: 0.03,
    branches: one(
      even(0.3, 0.85),
      trouble((brineSealShare) => ({ brineSealShare })),
    ),
    exists: always,
  },
  'membrane-oxidised': {
    weight: 0.03,
    branches: one(
      log(2, 12),
      aged(
        (v) => v ** 0.3,
        (v) => v,
      ),
    ),
    exists: always,
  },
  'membrane-scaled': {
    weight: 0.04,
    branches: one(
      log(0.2, 0.7),
      aged(
        (v) => v,
        (v) => v ** -0.5,
      ),
    ),
    exists: always,
  },
  'membrane-old': {
    weight: 0.05,
    branches: one(
      even(0.3, 1),
      aged(
        (v) => 1 - 0.35 * v,
        (v) => 1 + 2 * v,
      ),
    ),
    exists: always,
  },
  'restrictor-missing': {
    weight: 0.02,
    branches: one(log(3, 12), restrictorTimes),
    exists: always,
  },
  'restrictor-blocked': {
    weight: 0.03,
    branches: one(log(0.05, 0.6), restrictorTimes),
    exists: always,
  },
  'check-valve-leaking': {
    weight: 0.03,
    branches: one(
      log(0.3, 20),
      trouble((checkValveLeakLPerH) => ({ checkValveLeakLPerH })),
    ),
    exists: always,
  },
  'shutoff-stuck-open': {
    weight: 0.03,
    branches: one(
      null,
      trouble(() => ({ shutoffStuck: 'open' })),
    ),
    exists: withCloser,
  },
  'shutoff-stuck-closed': {
    weight: 0.02,
    branches: one(
      null,
      trouble(() => ({ shutoffStuck: 'closed' })),
    ),
    exists: withCloser,
  },
  'supply-pressure-low': {
    weight: 0.03,
    branches: one(
      log(0.25, 0.65),
      parts(({ feed }, v) => ({ feed: { ...feed, pressureBar: feed.pressureBar * v } })),
    ),
    exists: always,
  },
  'precharge-lost': { weight: 0.04, branches: one(even(0, 0.5), prechargeTimes), exists: withTank },
  'precharge-high': { weight: 0.02, branches: one(log(1.6, 5), prechargeTimes), exists: withTank },
  'bladder-torn': {
    weight: 0.02,
    branches: one(
      log(0.03, 0.3),
      trouble((airPocketShare) => ({ airPocketShare })),
    ),
    exists: withTank,
  },
  'post-filter-blocked': {
    weight: 0.03,
    branches: one(
      log(4, 60),
      parts(({ tapLine }, v) => ({
        tapLine: { ...tapLine, postFilter: dropTimes(tapLine.postFilter, v) },
      })),
    ),
    exists: ({ tapLine }) => tapLine.postFilter !== undefined,
  },
  'lines-swapped': {
    weight: 0.015,
    branches: one(
      null,
      trouble(() => ({ linesSwapped: true })),
    ),
    exists: always,
  },
  'sampled-after-minerals': {
    weight: 0.03,
    branches: one(
      null,
      trouble(() => ({ sampledAfterMinerals: true })),
    ),
    exists: ({ remineralisation }, samplePoint) =>
      remineralisation !== undefined && samplePoint === 'membrane-outlet',
  },
  'sampled-after-standing': {
    weight: 0.03,
    branches: one(
      log(0.02, 0.4),
      trouble((creptShare) => ({ creptShare })),
    ),
    exists: always,
  },
  'pump-off': {
    weight: 0.02,
    branches: one(
      null,
      trouble(() => ({ pumpOff: true })),
    ),
    exists: withPump,
  },
  'pump-weak': {
    weight: 0.03,
    branches: one(
      log(0.1, 0.7),
      parts(({ pump }, v) => ({ pump: boostTimes(pump, v) })),
    ),
    exists: withPump,
  },
  'feed-water-changed': {
    weight: 0.03,
    branches: eitherSide(
      1.5,
      4,
      parts((system, v) => ({ feed: strengthTimes(system, v) })),
    ),
    exists: always,
  },
  'meter-miscalibrated': {
    weight: 0.03,
    branches: eitherSide(
      1.25,
      2.2,
      trouble((meterFactor) => ({ meterFactor })),
    ),
    exists: always,
  },
  'tank-valve-closed': {
    weight: 0.03,
    branches: one(
      null,
      trouble(() => ({ tankValveClosed: true })),
    ),
    exists: withTankValve,
  },
  'drain-line-blocked': {
    weight: 0.03,
    branches: one(
      log(0.05, 0.6),
      trouble((drainLineFactor) => ({ drainLineFactor })),
    ),
    exists: always,
  },
  'product-tube-kinked': {
    weight: 0.025,
    branches: one(
      sized(0.003, 0.02),
      trouble((kinkKv) => ({ kinkKv })),
    ),
    exists: always,
  },
  /** The feed was read with another meter than the product, or on another scale. */
  'meters-differ': {
    weight: 0.03,
    branches: eitherSide(
      1.25,
      2.2,
      trouble((feedMeterFactor) => ({ feedMeterFactor })),
    ),
    exists: always,
    onlyAsked: true,
  },
  /** The cup holds what a new tank was kept fresh with. */
  'sampled-first-tank': {
    weight: 0.05,
    branches: one(
      log(5, 150),
      trouble((preservativeMgL) => ({ preservativeMgL })),
    ),
    exists: ({ tank }, samplePoint) => tank !== undefined && samplePoint === 'tap-after-tank',
    onlyAsked: true,
  },
} as const satisfies Record<string, FaultKind>;

export type FaultCode = keyof typeof faultKinds;
export const faultCodes = Object.keys(faultKinds) as FaultCode[];
export const faultKind = (code: FaultCode): FaultKind => faultKinds[code];

/** The faults that a system can have at all, sampled where the person says. @param asked of those weighed only where asked for */
export const possibleFaults = (
  system: TestedSystem,
  samplePoint: SamplePoint,
  asked: readonly FaultCode[] = [],
): FaultCode[] =>
  faultCodes.filter((code) => {
    const { exists, onlyAsked } = faultKind(code);
    return exists(system, samplePoint) && (!onlyAsked || asked.includes(code));
  });

/** Rated flow of an ordinary under-sink element, L/day. */
const ordinaryLPerDay = 284;

/** How large a system's membranes are, over an ordinary one. */
export const sizeOf = ({ membrane }: TestedSystem): number =>
  (membrane.ratedFlowLPerDay * (membrane.count ?? 1)) / ordinaryLPerDay;

/** Severity at a share of its range, 0 to 1, as likely each. */
export function severityAt(severity: Severity | null, share: number, system: TestedSystem): number {
  if (!severity) return 1;
  const { scale, least, most, bySize } = severity;
  const value = scale === 'log' ? least * (most / least) ** share : least + (most - least) * share;
  return bySize ? value * sizeOf(system) : value;
}
