import { normalShare } from '../base/numeric/normal.ts';
import { judged } from '../base/practice.ts';
import type { Judgement } from './judgement.ts';
import type { Verdict } from './verdict.ts';

/** What was tested by hand and eye. */
export interface HandChecks {
  shutoffTest: 'passed' | 'failed' | 'not-done';
  leakCheck: 'dry' | 'leak' | 'not-done';
  /** A laboratory's test for germs, where the supply or a lamp asks for one. */
  germs?: 'awaited' | 'none-found' | 'found' | undefined;
}

/** What keeps a system from being accepted. */
export type OpenFault =
  | 'leak'
  | 'runs-on'
  | 'germs'
  | 'not-sound'
  | 'dose'
  | 'lamp-water'
  | 'membrane-ahead';

/** What is to be looked into, though the system can be accepted. */
export type Remark = 'not-sure' | 'not-weighed' | `limit:${LimitFound['of']}`;

/** What was not checked, and is therefore not vouched for. */
export type Unchecked =
  | 'leak'
  | 'shut-off'
  | 'germs'
  | 'product-flow'
  | 'drain-flow'
  | 'lamp-water';

/** What all that was checked comes to. */
export interface Acceptance {
  grade: 'good' | 'marginal' | 'not-accepted';
  faults: OpenFault[];
  remarks: Remark[];
  unchecked: Unchecked[];
}

/** What a firm holds a product to, whatever a system could do. */
export interface AcceptanceLimits {
  /** Share of the feed's solids that may pass. */
  productShareOfFeed: number;
  productTdsMgL: number;
}

/** A limit of the firm beside what was measured. */
export interface LimitFound {
  of: 'rejection' | 'product-tds';
  /** Least rejection as a share; most product, mg/L. */
  limit: number;
  /** How likely it is that it is kept, by the uncertainty of the reading. */
  kept: number;
}

/** Each of a firm's limits, and how likely it is that the truth behind the reading keeps it. */
export function limitsFound(
  { rejection, productTds, readingError }: Verdict,
  { productShareOfFeed, productTdsMgL }: AcceptanceLimits,
): LimitFound[] {
  const least = 1 - productShareOfFeed;
  return [
    {
      of: 'rejection',
      limit: least,
      kept: normalShare((rejection.measured - least) / readingError.rejection),
    },
    {
      of: 'product-tds',
      limit: productTdsMgL,
      kept: normalShare((productTdsMgL - productTds.measured) / readingError.productTds),
    },
  ];
}

/**
 * A membrane system by how likely it is that nothing is wrong with it, by what was tested by hand, and by the firm's limits beside. An
 * open fault, and it is not accepted; a limit that is hardly kept is something to be looked into, for a sound system may not reach it in
 * a hard water.
 * @param judgement null where the causes could not be weighed
 */
export function acceptance(
  verdict: Verdict,
  checks: HandChecks,
  judgement: Judgement | null,
  limits: AcceptanceLimits,
): Acceptance {
  const { productFlow, drainFlow } = verdict;
  const sound = judgement?.sound ?? null;
  const isUnsound = sound !== null && sound <= judged.unsound;
  return graded(
    [...handFaults(checks), ...(isUnsound ? (['not-sound'] as const) : [])],
    [
      ...(sound === null ? (['not-weighed'] as const) : []),
      ...(sound !== null && !isUnsound && sound < judged.sound ? (['not-sure'] as const) : []),
      ...limitsFound(verdict, limits).flatMap(({ of, kept }) =>
        kept < keptAtLeast ? ([`limit:${of}`] as const) : [],
      ),
    ],
    [
      ...uncheckedByHand(checks),
      ...(checks.shutoffTest === 'not-done' ? (['shut-off'] as const) : []),
      ...(productFlow ? [] : (['product-flow'] as const)),
      ...(drainFlow ? [] : (['drain-flow'] as const)),
    ],
  );
}

/** Under this chance a limit counts as not kept. */
const keptAtLeast = 0.5;

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
    [...uncheckedByHand(checks), ...(waterFits === null ? (['lamp-water'] as const) : [])],
  );

const uncheckedByHand = ({ leakCheck, germs }: HandChecks): Unchecked[] => [
  ...(leakCheck === 'not-done' ? (['leak'] as const) : []),
  ...(germs === 'awaited' ? (['germs'] as const) : []),
];

const handFaults = ({ leakCheck, shutoffTest, germs }: HandChecks): OpenFault[] => [
  ...(leakCheck === 'leak' ? (['leak'] as const) : []),
  ...(shutoffTest === 'failed' ? (['runs-on'] as const) : []),
  ...(germs === 'found' ? (['germs'] as const) : []),
];

const graded = (faults: OpenFault[], remarks: Remark[], unchecked: Unchecked[]): Acceptance => ({
  grade: faults.length > 0 ? 'not-accepted' : remarks.length > 0 ? 'marginal' : 'good',
  faults,
  remarks,
  unchecked,
});
