import {
  instrumentKinds,
  isAddedLamp,
  isUltravioletLine,
  slotsOf,
  type SystemDesign,
  type UltravioletLine,
  verdict,
  type Certification,
  type Diagnosis,
  judgementOf,
  limitsFound,
  judgedBy,
  purposeIons,
  isKnownSafe,
} from '@katharos/core';
import {
  acceptedRegardless,
  certificationOf,
  certifyRequestOf,
  ionFields,
  leakLooks,
  supplyOf,
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
  certificationSentences,
  householdJudgement,
  leakLookNames,
  verdictHead,
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
  grade: Certification['grade'];
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
    ? lampResult(document, design, firm.settings, reader)
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
    sentences: [...found.sentences, ...regardless(verify, reader, found.grade)],
    tables: [
      {
        heading: 'Readings',
        rows: [...taken, ...noted, ...ionRows(verify, reader), ...checksOf(document, reader)],
      },
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
  const certified = certificationOf(
    document,
    judgedBy(found.value, judgement, limits),
    settings.ionLimits,
  );
  if (!certified) return undefined;
  return {
    title: titleOf(certified, 'reverse osmosis system'),
    grade: certified.grade,
    result: `${verdictHead(certified)}: ${reader.percent(found.value.rejection.measured, 1)} of the dissolved solids held back`,
    sentences: [
      ...certificationSentences(certified, reader),
      ...(judgement ? householdJudgement(judgement, reader) : []),
      ...limitsFound(found.value, limits).map((limit) => limitSentence(limit, reader)),
      ...verdictSentences(found.value, reader, 'household', judgement),
    ],
  };
}

/** What the sheet is called: a certificate only where nothing that was owed is open. */
const titleOf = ({ title }: Certification, of: string): string =>
  title === 'certificate' ? `Certificate of verification: ${of}` : `Record of readings: ${of}`;

function lampResult(
  document: JobDocument,
  line: UltravioletLine,
  { ionLimits }: FirmSettings,
  reader: Reader,
): Result | undefined {
  const found = ultravioletVerdict(document, line);
  if (!found) return undefined;
  const certified = certificationOf(document, null, ionLimits);
  if (!certified) return undefined;
  return {
    title: titleOf(
      certified,
      isAddedLamp(line) ? 'ultraviolet lamp added to a system' : 'ultraviolet drinking line',
    ),
    grade: certified.grade,
    result: `${verdictHead(certified)}: ${reader.number(found.doseMjCm2, 0)} mJ/cm² at the measured flow`,
    sentences: [...certificationSentences(certified, reader), ultravioletSentence(found, reader)],
  };
}

/** That somebody accepts it in spite of its remarks; nobody can in spite of a fault, or of what is owed. */
function regardless(
  verify: JobDocument['verify'],
  reader: Reader,
  grade: Certification['grade'],
): string[] {
  const accepted = grade === 'marginal' ? acceptedRegardless(verify) : undefined;
  return accepted ? [acceptedSentence(accepted, reader)] : [];
}

const practiceCaveat =
  'Practice: readings of this sheet were shown by simulated meters. It vouches for no water and no system.';

/** What a lamp's certificate cannot say. */
const lampCaveat =
  'A dose is reckoned from flow and transmittance; it proves no water safe. Have a laboratory test for germs made before the first drink and after every lamp change. A lamp takes nothing dissolved out of the water.';

function checksOf(document: JobDocument, reader: Reader): [string, string][] {
  const { verify, system } = document;
  if (!system) return [];
  const { train, checks } = certifyRequestOf({ ...document, system }, null);
  const stops = { stops: 'stops and starts again', 'runs-on': 'runs on', 'not-done': 'not done' };
  const looks = { dry: 'dry', leak: 'leak found', 'not-done': 'not done' };
  return [
    ...(train.membrane || train.pump
      ? [['Shut-off test', stops[checks.stops]] satisfies [string, string]]
      : []),
    ...leakLooks
      .filter((look) => look !== 'tankFull' || train.tank)
      .map((look): [string, string] => [
        `Leak check: ${reader.within(leakLookNames[look])}`,
        looks[checks.leaks[look]],
      ]),
    ...lampRow(verify, reader),
    ...germRow(verify, reader),
  ];
}

/** What a laboratory found in the product. */
const ionRows = ({ ions = {} }: JobDocument['verify'], reader: Reader): [string, string][] =>
  purposeIons.flatMap((ion): [string, string][] => {
    const found = ions[ion];
    return found
      ? [[fieldWords[ionFields[ion].name].label, reader.entered('concentration', found)]]
      : [];
  });

function lampRow({ lampLook }: JobDocument['verify'], reader: Reader): [string, string][] {
  const found = lampLook && lampSentence(lampLook, reader);
  return found ? [['Lamp', found]] : [];
}

function germRow({ germTest }: JobDocument['verify'], reader: Reader): [string, string][] {
  return germTest ? [['Germ test', germTestSentence(germTest, reader)]] : [];
}

const unsafeCaveat = (document: JobDocument): string[] =>
  !isKnownSafe(supplyOf(document.survey))
    ? [
        'The supply is not safe, or nobody tested it. This certificate does not declare the product safe to drink; only a laboratory test can.',
      ]
    : [];
