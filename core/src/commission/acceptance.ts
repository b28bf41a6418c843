import type { Verdict } from './verdict.ts';

/** What was tested by hand and eye. */
export interface HandChecks {
  shutoffTest: 'passed' | 'failed' | 'not-done';
  leakCheck: 'dry' | 'leak' | 'not-done';
}

/** What keeps a system from being accepted. */
export type OpenFault =
  | 'leak'
  | 'runs-on'
  | 'rejection'
  | 'product-flow'
  | 'drain-flow'
  | 'dose'
  | 'lamp-water'
  | 'membrane-ahead';

/** What is to be looked into, though the system can be accepted. */
export type Remark = 'rejection-low' | 'not-as-expected' | 'product-flow-off' | 'drain-flow-off';

/** What was not checked, and is therefore not vouched for. */
export type Unchecked = 'leak' | 'shut-off' | 'product-flow' | 'drain-flow' | 'lamp-water';

/** What all that was checked comes to. */
export interface Acceptance {
  grade: 'good' | 'marginal' | 'not-accepted';
  faults: OpenFault[];
  remarks: Remark[];
  unchecked: Unchecked[];
}

/** A flow beyond this many times off, either way, is a fault and no scatter: a stuck valve, a missing restrictor, a tube that is shut. */
const faultyTimes = 2;

const isFaulty = (flow: Verdict['productFlow']): boolean =>
  flow !== null &&
  Math.abs(flow.sigmas) > 2 &&
  !(flow.measured < faultyTimes * flow.expected && flow.expected < faultyTimes * flow.measured);

const isOff = (flow: Verdict['productFlow']): boolean =>
  flow !== null && Math.abs(flow.sigmas) > 2 && !isFaulty(flow);

/** A membrane system by its rejection, its flows, and what was tested by hand. Any open fault, and it is not accepted. */
export function acceptance(verdict: Verdict, checks: HandChecks): Acceptance {
  const { grade, asExpected, productFlow, drainFlow } = verdict;
  return graded(
    [
      ...handFaults(checks),
      ...(grade === 'fail' ? (['rejection'] as const) : []),
      ...(isFaulty(productFlow) ? (['product-flow'] as const) : []),
      ...(isFaulty(drainFlow) ? (['drain-flow'] as const) : []),
    ],
    [
      ...(grade === 'marginal' ? (['rejection-low'] as const) : []),
      ...(asExpected ? [] : (['not-as-expected'] as const)),
      ...(isOff(productFlow) ? (['product-flow-off'] as const) : []),
      ...(isOff(drainFlow) ? (['drain-flow-off'] as const) : []),
    ],
    [
      ...(checks.leakCheck === 'not-done' ? (['leak'] as const) : []),
      ...(checks.shutoffTest === 'not-done' ? (['shut-off'] as const) : []),
      ...(productFlow ? [] : (['product-flow'] as const)),
      ...(drainFlow ? [] : (['drain-flow'] as const)),
    ],
  );
}

/** What is known of a lamp at the flow that was measured. */
export interface LampFound {
  doseHeld: boolean;
  /** Whether the water may go through it, by what was read of it; `null` where something of it was not read. */
  waterFits: boolean | null;
  /** Whether a membrane ahead does its part; true where there is none. */
  membraneWorks: boolean;
}

/** A lamp by its dose, the water that it gets, and what was tested by hand. */
export const lampAcceptance = (
  { doseHeld, waterFits, membraneWorks }: LampFound,
  checks: HandChecks,
): Acceptance =>
  graded(
    [
      ...handFaults({ ...checks, shutoffTest: 'not-done' }),
      ...(doseHeld ? [] : (['dose'] as const)),
      ...(waterFits === false ? (['lamp-water'] as const) : []),
      ...(membraneWorks ? [] : (['membrane-ahead'] as const)),
    ],
    [],
    [
      ...(checks.leakCheck === 'not-done' ? (['leak'] as const) : []),
      ...(waterFits === null ? (['lamp-water'] as const) : []),
    ],
  );

const handFaults = ({ leakCheck, shutoffTest }: HandChecks): OpenFault[] => [
  ...(leakCheck === 'leak' ? (['leak'] as const) : []),
  ...(shutoffTest === 'failed' ? (['runs-on'] as const) : []),
];

const graded = (faults: OpenFault[], remarks: Remark[], unchecked: Unchecked[]): Acceptance => ({
  grade: faults.length > 0 ? 'not-accepted' : remarks.length > 0 ? 'marginal' : 'good',
  faults,
  remarks,
  unchecked,
});
