import { isPurposeIon, type Purpose, type PurposeIon, purposeIons } from '../../water/purpose.ts';
import { judged as judgedAt } from '../../base/practice.ts';

/** What of a system decides which checks it owes. */
export interface CertifiedTrain {
  membrane: boolean;
  tank: boolean;
  pump: boolean;
  carbon: boolean;
  lamp: 'always-on' | 'on-demand' | null;
}

/** What is known of the water that feeds it. */
export interface CertifiedSupply {
  source: 'mains' | 'well' | 'lake' | 'rain' | 'unknown';
  /** Null where nobody said. */
  safe: boolean | null;
  disinfectant: 'none' | 'chlorine' | 'chloramine' | 'unknown';
}

export type LeakLook = 'dry' | 'leak' | 'not-done';

/** What was looked at, tested and brought to a laboratory. */
export interface CertifiedChecks {
  leaks: { filled: LeakLook; pressure: LeakLook; tankFull: LeakLook };
  stops: 'stops' | 'runs-on' | 'not-done';
  germs: {
    result: 'none-found' | 'found' | 'awaited' | 'not-done';
    /** After disinfection or the first flush, and after any change of lamp or cartridge; null where nobody sampled. */
    sampled: 'after' | 'before' | null;
  };
  /** Behind the carbon, mg/L. */
  chlorine: { totalMgL: number | null; freeMgL: number | null };
  lamp: { dose: 'held' | 'too-low' | 'not-known'; alarm: 'quiet' | 'sounds' | 'not-looked' };
  /** What a laboratory found in the product. */
  ions: { [I in PurposeIon]?: { mgL: number; limitMgL: number } | null | undefined };
}

/** Which readings there are. */
export interface CertifiedReadings {
  feedTds: boolean;
  productTds: boolean;
  productFlow: boolean;
  drainFlow: boolean;
}

/** How likely it is that nothing is wrong, and that the firm's limits are kept. */
export interface CertifiedJudgement {
  sound: number;
  limits: { rejection: number; productTds: number };
}

export interface CertifyRequest {
  train: CertifiedTrain;
  supply: CertifiedSupply;
  purposes: readonly Purpose[];
  checks: CertifiedChecks;
  readings: CertifiedReadings;
  /** Null where nothing could be weighed. */
  judged: CertifiedJudgement | null;
}

/** What has to be done before anybody drinks, in this order. */
export const owedChecks = [
  'feed-tds',
  'product-tds',
  'leak-filled',
  'leak-pressure',
  'leak-tank-full',
  'stops',
  'germs',
  'lamp-dose',
  'lamp-alarm',
  'total-chlorine',
] as const;
export type OwedCheck = (typeof owedChecks)[number] | `ion:${PurposeIon}`;

export type UntestedReading = 'product-flow' | 'drain-flow';

/** What keeps a system from being accepted, in this order. */
export type CertifyFault =
  | 'leak'
  | 'runs-on'
  | 'germs'
  | 'unsafe-without-lamp'
  | 'dose'
  | 'lamp-alarm'
  | 'membrane-unprotected'
  | 'disinfectant-passes'
  | `ion:${PurposeIon}`
  | 'not-sound';

/** What is to be looked into, though the system can be accepted. */
export type CertifyRemark = 'not-weighed' | 'not-sure' | 'limit:rejection' | 'limit:product-tds';

export type Grade = 'good' | 'marginal' | 'not-accepted';

/** What a job's paper may say. */
export interface Certification {
  title: 'certificate' | 'record';
  /** Null while something is owed and nothing is known to be wrong. */
  grade: Grade | null;
  owed: OwedCheck[];
  /** Named on the paper; holds nothing back. */
  untested: UntestedReading[];
  faults: CertifyFault[];
  remarks: CertifyRemark[];
}

/** Disinfectant behind the carbon over which it passes, mg/L: what a strip no longer shows. */
const passesMgL = 0.1;
/** Under this chance a limit of the firm's counts as not kept. */
const keptAtLeast = 0.5;

/** Whether a supply is known to carry no germs: tested, or somebody else's to test. */
export const isKnownSafe = ({ safe, source }: Pick<CertifiedSupply, 'safe' | 'source'>): boolean =>
  safe === true || (safe === null && source === 'mains');

/** Whether a supply may carry a disinfectant; where nobody said, mains do. */
export const isDisinfectantPossible = ({
  disinfectant,
  source,
}: Pick<CertifiedSupply, 'disinfectant' | 'source'>): boolean =>
  disinfectant === 'unknown' ? source === 'mains' || source === 'unknown' : disinfectant !== 'none';

const all = <T>(...rows: readonly [when: boolean, code: T][]): T[] =>
  rows.flatMap(([when, code]) => (when ? [code] : []));

/**
 * What may be said of a system: what is still owed before anybody drinks, what is wrong, what is to be looked into, and the grade and
 * title that follow. Screen, certificate, card, page, letter, list and script ask this and nothing else. Readings that do not belong to
 * the train (a tank's leak without a tank, a lamp's dose without a lamp, chlorine where none is possible) are passed over.
 * Units: mg/L; chances from 0 to 1. Every request has an answer.
 */
export function certify(request: CertifyRequest): Certification {
  const owed = owedBy(request);
  const faults = faultsOf(request);
  const remarks = request.train.membrane ? remarksOn(request.judged) : [];
  const grade =
    faults.length > 0
      ? 'not-accepted'
      : owed.length > 0
        ? null
        : remarks.length > 0
          ? 'marginal'
          : 'good';
  const { membrane } = request.train;
  const { productFlow, drainFlow } = request.readings;
  return {
    title: grade === 'good' || grade === 'marginal' ? 'certificate' : 'record',
    grade,
    owed,
    untested: all<UntestedReading>(
      [membrane && !productFlow, 'product-flow'],
      [membrane && !drainFlow, 'drain-flow'],
    ),
    faults,
    remarks,
  };
}

const ionsOf = (purposes: readonly Purpose[]): PurposeIon[] =>
  purposeIons.filter((ion) => purposes.some((one) => isPurposeIon(one) && one === ion));

/** The reading that tells whether carbon does its work: total, or free where the disinfectant is known to be chlorine. */
function chlorineRead({
  supply: { disinfectant },
  checks: { chlorine },
}: Pick<CertifyRequest, 'supply' | 'checks'>): number | null {
  return chlorine.totalMgL ?? (disinfectant === 'chlorine' ? chlorine.freeMgL : null);
}

function owedBy(request: CertifyRequest): OwedCheck[] {
  const { train, supply, purposes, checks, readings } = request;
  const { leaks, germs, lamp, ions } = checks;
  const isLit = train.lamp !== null;
  const germsAnswered =
    germs.result === 'found' || (germs.result === 'none-found' && germs.sampled === 'after');
  return [
    ...all<OwedCheck>(
      [train.membrane && !readings.feedTds, 'feed-tds'],
      [train.membrane && !readings.productTds, 'product-tds'],
      [leaks.filled === 'not-done', 'leak-filled'],
      [leaks.pressure === 'not-done', 'leak-pressure'],
      [train.tank && leaks.tankFull === 'not-done', 'leak-tank-full'],
      [(train.membrane || train.pump) && checks.stops === 'not-done', 'stops'],
      [(!isKnownSafe(supply) || purposes.includes('germs') || isLit) && !germsAnswered, 'germs'],
      [isLit && lamp.dose === 'not-known', 'lamp-dose'],
      [isLit && lamp.alarm === 'not-looked', 'lamp-alarm'],
      [
        isDisinfectantPossible(supply) && train.carbon && chlorineRead(request) === null,
        'total-chlorine',
      ],
    ),
    ...ionsOf(purposes)
      .filter((ion) => !ions[ion])
      .map((ion): OwedCheck => `ion:${ion}`),
  ];
}

function faultsOf(request: CertifyRequest): CertifyFault[] {
  const { train, supply, purposes, checks, judged } = request;
  const { leaks, germs, lamp, ions } = checks;
  const isLit = train.lamp !== null;
  const looks = [leaks.filled, leaks.pressure, ...(train.tank ? [leaks.tankFull] : [])];
  const possible = isDisinfectantPossible(supply);
  const passing = possible && train.carbon ? chlorineRead(request) : null;
  return [
    ...all<CertifyFault>(
      [looks.includes('leak'), 'leak'],
      [checks.stops === 'runs-on', 'runs-on'],
      [germs.result === 'found', 'germs'],
      [(supply.safe === false || purposes.includes('germs')) && !isLit, 'unsafe-without-lamp'],
      [isLit && lamp.dose === 'too-low', 'dose'],
      [isLit && lamp.alarm === 'sounds', 'lamp-alarm'],
      [train.membrane && possible && !train.carbon, 'membrane-unprotected'],
      [passing !== null && passing > passesMgL, 'disinfectant-passes'],
    ),
    ...ionsOf(purposes)
      .filter((ion) => {
        const found = ions[ion];
        return found ? found.mgL > found.limitMgL : false;
      })
      .map((ion): CertifyFault => `ion:${ion}`),
    ...all<CertifyFault>([
      train.membrane && judged !== null && judged.sound <= judgedAt.unsound,
      'not-sound',
    ]),
  ];
}

function remarksOn(judged: CertifiedJudgement | null): CertifyRemark[] {
  if (!judged) return ['not-weighed'];
  const { sound, limits } = judged;
  return all<CertifyRemark>(
    [sound > judgedAt.unsound && sound < judgedAt.sound, 'not-sure'],
    [limits.rejection < keptAtLeast, 'limit:rejection'],
    [limits.productTds < keptAtLeast, 'limit:product-tds'],
  );
}
