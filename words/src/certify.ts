import type {
  Certification,
  CertifyFault,
  CertifyRemark,
  Grade,
  OwedCheck,
  Purpose,
  PurposeIon,
  UntestedReading,
} from '@katharos/core';
import type { LeakLooked } from '@katharos/job';
import type { Reader } from './reader.ts';

/** What each grade is called; without one the paper is a record. */
export const gradeWords: Record<Grade, string> = {
  good: 'Good',
  marginal: 'Marginal',
  'not-accepted': 'Not accepted',
};

/** The heading of a verdict, on screen and paper: its grade, or that it is none yet. */
export const verdictHead = ({ grade }: Pick<Certification, 'grade'>): string =>
  grade === null ? 'Record of readings' : gradeWords[grade];

/** What a system can be bought for. */
export const purposeNames: Record<Purpose, string> = {
  taste: 'Taste and smell',
  hardness: 'Hardness and kettle',
  nitrate: 'Nitrate',
  arsenic: 'Arsenic',
  lead: 'Lead',
  fluoride: 'Fluoride',
  pfas: 'PFAS',
  boron: 'Boron',
  germs: 'Germs',
  machine: 'A machine',
};

const ionOf = (code: `ion:${PurposeIon}`): PurposeIon => code.slice('ion:'.length) as PurposeIon;
const isIon = (code: string): code is `ion:${PurposeIon}` => code.startsWith('ion:');

/** An ion within a sentence. */
const ionName = (ion: PurposeIon, reader: Reader): string => reader.within(purposeNames[ion]);

export const leakLookNames: Record<LeakLooked, string> = {
  filled: 'Filled, not under pressure',
  pressure: 'Under pressure',
  tankFull: 'Tank full',
};

type Plain<T extends string> = Exclude<T, `ion:${PurposeIon}`>;

/** What is owed, as it stands after "Not yet checked:". */
const owedNames: Record<Plain<OwedCheck>, string> = {
  'feed-tds': 'feed TDS',
  'product-tds': 'product TDS',
  'leak-filled': 'leaks when filled',
  'leak-pressure': 'leaks under pressure',
  'leak-tank-full': 'leaks with the tank full',
  stops: 'that the drain stops',
  germs: 'germs, by a laboratory',
  'lamp-dose': 'the lamp’s dose at the measured flow',
  'lamp-alarm': 'the lamp’s alarm',
  'total-chlorine': 'total chlorine after the carbon',
};

/** What is owed, told to those who drink: no jargon. */
const owedForHousehold: Record<Plain<OwedCheck>, string> = {
  'feed-tds': 'the strength of your supply is measured',
  'product-tds': 'the strength of the drinking water is measured',
  'leak-filled': 'every joint has been checked for leaks',
  'leak-pressure': 'every joint has been checked for leaks',
  'leak-tank-full': 'every joint has been checked for leaks',
  stops: 'the installer has seen that the system stops by itself',
  germs: 'a laboratory has found no germs',
  'lamp-dose': 'the installer has measured that the lamp does its work',
  'lamp-alarm': 'the lamp’s alarm has been checked',
  'total-chlorine': 'the installer has tested the water after the carbon for chlorine',
};

export const owedName = (code: OwedCheck, reader: Reader): string =>
  isIon(code) ? `${ionName(ionOf(code), reader)}, by a laboratory` : owedNames[code];

/** What has to happen before a household drinks, each once. */
export const owedBeforeDrinking = (owed: readonly OwedCheck[], reader: Reader): string[] => [
  ...new Set(
    owed.map((code) =>
      isIon(code)
        ? `a laboratory has measured ${ionName(ionOf(code), reader)}`
        : owedForHousehold[code],
    ),
  ),
];

const untestedNames: Record<UntestedReading, string> = {
  'product-flow': 'the product flow',
  'drain-flow': 'the drain flow',
};

const faultWords: Record<Plain<CertifyFault>, string> = {
  leak: 'A joint leaks. Repair it and check again before anything else.',
  'runs-on': 'The drain does not stop: water would run to waste day and night.',
  germs:
    'The laboratory found germs. Nobody drinks from it. Find the source, disinfect, and sample again.',
  'unsafe-without-lamp':
    'The supply is not safe, and no lamp treats it. Nobody drinks from it until one does.',
  dose: 'The lamp does not treat this water: its dose is too low at the measured flow, or the water shades it. Nobody drinks from it.',
  'lamp-alarm': 'The lamp’s alarm sounds. Nobody drinks from it until it is quiet.',
  'membrane-unprotected':
    'The supply may carry chlorine, and no carbon protects the membrane. Fit carbon ahead of it.',
  'disinfectant-passes':
    'Chlorine passes the carbon and destroys the membrane. Replace the carbon, then test again.',
  'not-sound': 'The readings show a fault.',
};

const remarkNames: Record<CertifyRemark, string> = {
  'not-weighed': 'these readings could not be compared with the model',
  'not-sure': 'the readings do not rule out a fault',
  'limit:rejection': 'rejection is below the firm’s limit',
  'limit:product-tds': 'product TDS is above the firm’s limit',
};

export const faultSentence = (code: CertifyFault, reader: Reader): string =>
  isIon(code)
    ? `${purposeNames[ionOf(code)]} in the drinking water is over its limit. Nobody drinks it until ${ionName(ionOf(code), reader)} is below.`
    : faultWords[code];

/** What is owed, in a sentence: the first line of every paper that owes something. */
export const owedSentence = (owed: readonly OwedCheck[], reader: Reader): string =>
  `Not yet checked: ${reader.list(owed.map((code) => owedName(code, reader)))}. Nobody drinks before that is done.`;

/** What a certification says: what is owed first, then what is wrong, what to look into, and what was not tested. */
export function certificationSentences(
  { owed, faults, remarks, untested }: Certification,
  reader: Reader,
): string[] {
  return [
    ...(owed.length > 0 ? [owedSentence(owed, reader)] : []),
    ...faults.map((fault) => faultSentence(fault, reader)),
    ...(remarks.length > 0
      ? [`To look into: ${reader.list(remarks.map((remark) => remarkNames[remark]))}.`]
      : []),
    ...(untested.length > 0
      ? [`Not measured: ${reader.list(untested.map((reading) => untestedNames[reading]))}.`]
      : []),
  ];
}
