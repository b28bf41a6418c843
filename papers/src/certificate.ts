import {
  isAddedLamp,
  isUltravioletLine,
  slotsOf,
  type SystemDesign,
  type UltravioletLine,
  verdict,
  type Verdict,
} from '@katharos/core';
import {
  type FirmSettings,
  verificationReadings,
  type VerifyKey,
  verifyFields,
  type JobDocument,
  ultravioletVerdict,
} from '@katharos/job';
import {
  slotName,
  ultravioletSentence,
  codesCaveat,
  gradeWords,
  meterCaveat,
  verdictSentences,
  readerOf,
  type Reader,
} from '@katharos/words';

/** What stands on the certificate: one content, set as a page in the browser and as a PDF on the server. */
export interface Certificate {
  number: number;
  title: string;
  firm: string;
  customer: string;
  address: string;
  grade: Verdict['grade'];
  /** The result in a line. */
  result: string;
  sentences: string[];
  tables: { heading: string; rows: [label: string, value: string][] }[];
  caveats: string[];
  signature: string;
  paper: FirmSettings['paper'];
}

export interface CertificateSource {
  number: number;
  document: JobDocument;
  firm: { name: string; settings: FirmSettings };
}

/** Makes the certificate of a job; nothing while the system or the four readings are missing, or the readings contradict the model. */
export function certificateOf({
  number,
  document,
  firm,
}: CertificateSource): Certificate | undefined {
  if (!document.system) return undefined;
  const { design, chosenAt } = document.system;
  const reader = readerOf(firm.settings);
  const found = isUltravioletLine(design)
    ? lampResult(document, design, reader)
    : membraneResult(document, design, reader);
  if (!found) return undefined;
  const { verify, customer, keep } = document;
  const taken = (Object.keys(verifyFields) as VerifyKey[]).flatMap((key): [string, string][] => {
    const reading = verify.readings[key];
    return reading
      ? [[verifyFields[key].label, reader.entered(verifyFields[key].dimension, reading)]]
      : [];
  });
  const signedAt = keep.issued?.at ?? latestReading(document) ?? chosenAt;
  const by = keep.issued?.by ?? document.system.chosenBy;
  return {
    number,
    firm: firm.name,
    customer: customer.name,
    address: customer.address,
    ...found,
    tables: [
      { heading: 'Readings', rows: [...taken, ...checksOf(verify)] },
      { heading: 'System', rows: slotsOf(design).map((slot) => [slotName(slot), slot.part.name]) },
    ],
    caveats: [
      isUltravioletLine(design) ? lampCaveat : meterCaveat,
      ...unsafeCaveat(document),
      codesCaveat,
    ],
    signature: `${by}, ${signedAt.slice(0, 10)}`,
    paper: firm.settings.paper,
  };
}

type Result = Pick<Certificate, 'title' | 'grade' | 'result' | 'sentences'>;

function membraneResult(
  document: JobDocument,
  design: SystemDesign,
  reader: Reader,
): Result | undefined {
  const readings = verificationReadings(document.verify);
  const judged = readings && verdict(design, readings);
  if (!judged?.ok) return undefined;
  const { grade, rejection } = judged.value;
  return {
    title: 'Verification of a reverse osmosis system',
    grade,
    result: `${gradeWords[grade]}: ${reader.percent(rejection.measured, 1)} of the dissolved solids held back`,
    sentences: verdictSentences(judged.value, reader),
  };
}

function lampResult(
  document: JobDocument,
  line: UltravioletLine,
  reader: Reader,
): Result | undefined {
  const found = ultravioletVerdict(document, line);
  if (!found) return undefined;
  return {
    title: isAddedLamp(line)
      ? 'Verification of an ultraviolet lamp added to a system'
      : 'Verification of an ultraviolet drinking line',
    grade: found.enough ? 'good' : 'fail',
    result: `${found.enough ? 'Enough' : 'Not enough'}: ${reader.number(found.doseMjCm2, 0)} mJ/cm² at the measured flow`,
    sentences: [ultravioletSentence(found, reader)],
  };
}

/** What a lamp's certificate cannot say. */
const lampCaveat =
  'A dose is reckoned from flow and transmittance; it proves no water safe. Have a laboratory test for germs made before the first drink and after every lamp change. A lamp takes nothing dissolved out of the water.';

function checksOf(verify: JobDocument['verify']): [string, string][] {
  const words = { passed: 'stops and starts', failed: 'does not stop', 'not-done': 'not done' };
  const leaks = { dry: 'dry', leak: 'a leak was found', 'not-done': 'not done' };
  return [
    ['Shut-off test', words[verify.shutoffTest]],
    ['Leak check', leaks[verify.leakCheck]],
  ];
}

const unsafeCaveat = (document: JobDocument): string[] =>
  document.survey.safe === 'no'
    ? [
        'The supply is not safe without treatment. This certificate does not declare the product safe to drink; only a laboratory test can.',
      ]
    : [];

const latestReading = (document: JobDocument): string | undefined =>
  Object.values(document.verify.readings)
    .map((reading) => reading?.takenAt ?? '')
    .filter((at) => at !== '')
    .sort()
    .at(-1);
