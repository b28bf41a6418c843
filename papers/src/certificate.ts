import {
  instrumentKinds,
  isAddedLamp,
  isUltravioletLine,
  slotsOf,
  type SystemDesign,
  type UltravioletLine,
  verdict,
  type Acceptance,
  type Diagnosis,
  judgementOf,
  limitsFound,
  acceptance,
  lampAcceptance,
} from '@katharos/core';
import {
  acceptedRegardless,
  handChecksOf,
  notedFields,
  notedKeys,
  type FirmSettings,
  limitsOf,
  testInstrumentsFor,
  verificationReadings,
  type VerifyKey,
  verifyFields,
  isPractice,
  type JobDocument,
  lampFound,
  microbiologyOf,
  ultravioletVerdict,
} from '@katharos/job';
import { type Issue, type Issued, issuedOf } from './issue.ts';
import {
  acceptedSentence,
  germTestSentence,
  lampSentence,
  earlierOf,
  earlierSentences,
  saysUsed,
  slotName,
  ultravioletSentence,
  codesCaveat,
  acceptanceSentences,
  gradeWords,
  judgementSentences,
  limitSentence,
  instrumentWords,
  meterCaveat,
  verdictSentences,
  readerOf,
  type Reader,
  fieldWords,
} from '@katharos/words';

/** What stands on the certificate: one content, set as a page in the browser and as a PDF on the server. */
export interface Certificate {
  number: number;
  title: string;
  firm: string;
  customer: string;
  address: string;
  grade: Acceptance['grade'];
  /** The result in a line. */
  result: string;
  sentences: string[];
  tables: { heading: string; rows: [label: string, value: string][] }[];
  caveats: string[];
  signature: string;
  /** Null on a draft. */
  issued: Issued | null;
  paper: FirmSettings['paper'];
}

export interface CertificateSource {
  number: number;
  document: JobDocument;
  firm: { name: string; settings: FirmSettings };
  /** What is behind the readings, weighed by whoever has the time for it; null where it cannot be. */
  diagnosis: Diagnosis | null;
  /** Absent on a draft. */
  issue?: Issue;
}

/** Makes the certificate of a job; nothing while the system or the four readings are missing, or the readings contradict the model. */
export function certificateOf({
  number,
  document,
  firm,
  diagnosis,
  issue,
}: CertificateSource): Certificate | undefined {
  if (!document.system) return undefined;
  const { design } = document.system;
  const reader = readerOf(firm.settings);
  const found = isUltravioletLine(design)
    ? lampResult(document, design, reader)
    : membraneResult({ document, design, firm, diagnosis }, reader);
  if (!found) return undefined;
  const { verify, customer } = document;
  const issued = issuedOf(issue, reader);
  const taken = (Object.keys(verifyFields) as VerifyKey[]).flatMap((key): [string, string][] => {
    const reading = verify.readings[key];
    return reading
      ? [
          [
            fieldWords[verifyFields[key].name].label,
            reader.entered(verifyFields[key].dimension, reading),
          ],
        ]
      : [];
  });
  const noted = notedKeys.flatMap((key): [string, string][] => {
    const reading = verify.noted?.[key];
    const { name, dimension } = notedFields[key];
    return reading ? [[fieldWords[name].label, reader.entered(dimension, reading)]] : [];
  });
  return {
    number,
    firm: firm.name,
    customer: customer.name,
    address: customer.address,
    ...found,
    sentences: [...regardless(verify, reader, found.grade), ...found.sentences],
    tables: [
      { heading: 'Readings', rows: [...taken, ...noted, ...checksOf(verify, reader)] },
      ...readWithTable(verify, reader),
      { heading: 'System', rows: slotsOf(design).map((slot) => [slotName(slot), slot.part.name]) },
      ...earlierTable(verify, reader),
    ],
    caveats: [
      ...(isPractice(verify) ? [practiceCaveat] : []),
      isUltravioletLine(design) ? lampCaveat : meterCaveat,
      ...unsafeCaveat(document),
      codesCaveat,
      ...(issued?.open ? [issued.open] : []),
    ],
    signature: issued ? `${issued.by}, ${issued.day}` : 'Draft, not issued',
    issued,
    paper: firm.settings.paper,
  };
}

/** What it was read with, and when that was last held against something known. */
function readWithTable({ instruments = {} }: JobDocument['verify'], reader: Reader) {
  const rows = instrumentKinds.flatMap((kind): [string, string][] => {
    const used = instruments[kind];
    return used ? [[instrumentWords[kind].name, saysUsed(kind, used, reader)]] : [];
  });
  return rows.length > 0 ? [{ heading: 'Read with', rows }] : [];
}

/** Verifications that were not right: they stay in the record beside the one that is. */
function earlierTable(verify: JobDocument['verify'], reader: Reader) {
  const rows = earlierOf(verify).map((one): [string, string] => [
    `${reader.when(one.at, 'date')}, ${one.by}`,
    earlierSentences(one, reader),
  ]);
  return rows.length > 0 ? [{ heading: 'Verified before, and not right', rows }] : [];
}

type Result = Pick<Certificate, 'title' | 'grade' | 'result' | 'sentences'>;

function membraneResult(
  {
    document,
    design,
    firm: { settings },
    diagnosis,
  }: Pick<CertificateSource, 'document' | 'firm' | 'diagnosis'> & { design: SystemDesign },
  reader: Reader,
): Result | undefined {
  const readings = verificationReadings(document);
  const found = readings && verdict(design, readings, testInstrumentsFor(document.verify));
  if (!found?.ok) return undefined;
  const limits = limitsOf(settings);
  const judgement = diagnosis && judgementOf(diagnosis);
  const accepted = acceptance(found.value, handChecksOf(document), judgement, limits);
  return {
    title: 'Verification of a reverse osmosis system',
    grade: accepted.grade,
    result: `${gradeWords[accepted.grade]}: ${reader.percent(found.value.rejection.measured, 1)} of the dissolved solids held back`,
    sentences: [
      ...acceptanceSentences(accepted, reader),
      ...(judgement ? judgementSentences(judgement, reader) : []),
      ...limitsFound(found.value, limits).map((limit) => limitSentence(limit, reader)),
      ...verdictSentences(found.value, reader),
    ],
  };
}

function lampResult(
  document: JobDocument,
  line: UltravioletLine,
  reader: Reader,
): Result | undefined {
  const found = ultravioletVerdict(document, line);
  if (!found) return undefined;
  const accepted = lampAcceptance(lampFound(found), handChecksOf(document));
  return {
    title: isAddedLamp(line)
      ? 'Verification of an ultraviolet lamp added to a system'
      : 'Verification of an ultraviolet drinking line',
    grade: accepted.grade,
    result: `${gradeWords[accepted.grade]}: ${reader.number(found.doseMjCm2, 0)} mJ/cm² at the measured flow`,
    sentences: [...acceptanceSentences(accepted, reader), ultravioletSentence(found, reader)],
  };
}

/** That somebody stands for it although it is not good by what was found. */
function regardless(
  verify: JobDocument['verify'],
  reader: Reader,
  grade: Acceptance['grade'],
): string[] {
  const accepted = grade === 'good' ? undefined : acceptedRegardless(verify);
  return accepted ? [acceptedSentence(accepted, reader)] : [];
}

const practiceCaveat =
  'Practice: readings of this sheet were shown by simulated meters. It vouches for no water and no system.';

/** What a lamp's certificate cannot say. */
const lampCaveat =
  'A dose is reckoned from flow and transmittance; it proves no water safe. Have a laboratory test for germs made before the first drink and after every lamp change. A lamp takes nothing dissolved out of the water.';

function checksOf(verify: JobDocument['verify'], reader: Reader): [string, string][] {
  const words = { passed: 'stops and starts', failed: 'does not stop', 'not-done': 'not done' };
  const leaks = { dry: 'dry', leak: 'a leak was found', 'not-done': 'not done' };
  return [
    ['Shut-off test', words[verify.shutoffTest]],
    ['Leak check', leaks[verify.leakCheck]],
    ...lampRow(verify, reader),
    ...germRow(verify, reader),
  ];
}

function lampRow({ lampLook }: JobDocument['verify'], reader: Reader): [string, string][] {
  const found = lampLook && lampSentence(lampLook, reader);
  return found ? [['Lamp', found]] : [];
}

function germRow({ germTest }: JobDocument['verify'], reader: Reader): [string, string][] {
  return germTest ? [['Germ test', germTestSentence(germTest, reader)]] : [];
}

const unsafeCaveat = (document: JobDocument): string[] =>
  microbiologyOf(document.survey) !== 'safe'
    ? [
        'The supply is not safe, or nobody tested it. This certificate does not declare the product safe to drink; only a laboratory test can.',
      ]
    : [];
