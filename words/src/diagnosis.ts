import {
  type Complaint,
  type ExpectedReadings,
  type FaultCode,
  type Judgement,
  type ReadingCode,
  type ReadingPlaceCode,
  type SamplePoint,
  type Seen,
} from '@katharos/core';
import {
  type JobDocument,
  placeOfReading,
  type TestLook,
  verifyFields,
  type VerifyKey,
} from '@katharos/job';
import { fieldWords } from './fields.ts';
import { faultWords } from './notRight.ts';
import type { Reader } from './reader.ts';

/** A look: what is asked, and how either answer is said. */
export interface LookWords {
  label: string;
  how: string;
  yes: string;
  no: string;
}

export const lookWords: Record<TestLook | 'drain-stops', LookWords> = {
  'no-product': {
    label: 'Water at the tap',
    how: 'Tank valve closed, tap open: does any product come within ten minutes?',
    yes: 'None comes',
    no: 'It comes',
  },
  'drain-stops-tank-closed': {
    label: 'Drain, tank valve closed',
    how: 'Tank valve and tap closed: does the drain stand still within minutes?',
    yes: 'Stands still',
    no: 'Runs on',
  },
  'pump-runs': {
    label: 'Pump',
    how: 'Tap open, a hand on the pump: does it run?',
    yes: 'Runs',
    no: 'Is still',
  },
  'water-at-air-valve': {
    label: 'Tank’s air valve',
    how: 'Press its pin for a moment: does water come?',
    yes: 'Water comes',
    no: 'Only air',
  },
  'drain-stops': {
    label: 'Drain, tank full or tap closed',
    how: 'Does the drain stand still within minutes?',
    yes: 'Stands still',
    no: 'Runs on',
  },
};

/** Where on the way of the water a reading is taken. */
export const readingPlaceWords: Record<ReadingPlaceCode, string> = {
  supply: 'cold tap',
  inlet: 'unit’s inlet',
  carbon: 'behind the carbon',
  membrane: 'ahead of the membrane',
  drain: 'drain line',
  product: 'product',
  tank: 'tank',
  tap: 'drinking tap',
};

/** Where a cup can be filled. */
export const samplePointWords: Record<SamplePoint, string> = {
  'membrane-outlet': 'At the membrane',
  'tap-after-tank': 'At the tap, from the tank',
  'tap-after-minerals': 'Behind the minerals',
};

const lookOf = (code: ReadingCode): LookWords | null => {
  const place = placeOfReading(code);
  if ('figure' in place) return null;
  return lookWords['look' in place ? place.look : 'drain-stops'];
};

/** What a reading is called. */
export function readingLabel(code: ReadingCode): string {
  const place = placeOfReading(code);
  return 'figure' in place
    ? fieldWords[verifyFields[place.figure].name].label
    : lookOf(code)!.label;
}

/** A reading's value in the reader's units, or in words. */
export function sayReading(code: ReadingCode, seen: Seen, reader: Reader): string {
  if (seen === null) return code === 'fillTimeMin' ? 'never ends' : 'no water';
  const place = placeOfReading(code);
  if (typeof seen === 'boolean') return lookOf(code)![seen ? 'yes' : 'no'];
  return 'figure' in place ? reader.say(verifyFields[place.figure].dimension, seen) : '';
}

/** From this probability on a cause stands out. */
export const standsOut = 0.8;
/** Under this a cause is not worth a line. */
export const worthALine = 0.02;

/** How sure one can be, as people say it: never surer than the model can be. */
export const sayProbability = (probability: number, reader: Reader): string =>
  probability > 0.99
    ? 'over 99 %'
    : probability < 0.01
      ? 'under 1 %'
      : reader.percent(probability, 0);

/** A cause without its full stop and whatever explains it. */
export const headOfCause = (fault: FaultCode): string => causeOfFault(fault).replace(/[.:].*$/, '');

/** What is suspected, without its full stop and whatever explains it: for a heading. */
export const shortCause = (faults: readonly FaultCode[], reader: Reader): string =>
  faults.length === 0
    ? 'None of these'
    : faults
        .map(headOfCause)
        .map((cause, i) => (i === 0 ? cause : reader.within(cause)))
        .join(', and ');

/** What all that was read comes to, in a sentence: by the one set of probabilities that is shown anywhere. */
export function leadSentence(
  { told }: Pick<Judgement, 'told'>,
  hasNext: boolean,
  reader: Reader,
): string {
  const [first, second] = told;
  if (!first) return 'These readings tell nothing of a fault.';
  const said = sayProbability(first.probability, reader);
  const isSound = first.faults[0] === 'healthy';
  const name = shortCause(first.faults, reader);
  if (first.probability >= standsOut)
    return isSound
      ? `Healthy: ${said} likely.`
      : `${causeOfFaults(first.faults, reader)} Likely: ${said}.`;
  if (hasNext) {
    return isSound
      ? `Probably healthy (${said}). One more reading would tell more.`
      : `Not yet certain. Most likely: ${reader.within(name)} (${said}). One more reading would tell more.`;
  }
  const either = [first, ...(second ? [second] : [])].map(
    (one) =>
      `${reader.within(shortCause(one.faults, reader))} (${sayProbability(one.probability, reader)})`,
  );
  return `These instruments cannot tell these apart: ${either.join(', or ')}.`;
}

export interface Evidence {
  code: ReadingCode;
  sentence: string;
  /** How far the reading lies from what a sound system shows, in halves of its band. */
  off: number;
}

/** At or beyond the band that nine in ten sound systems lie in. */
const beyondBand = 1;
/** A ratio that is told as times, and not in percent. */
const toldAsTimes = 1.5;

/** What is read of the water itself: it is what the system gets, and nothing of it can be expected. */
const asRead: ReadonlySet<ReadingCode> = new Set([
  'feedTdsMgL',
  'temperatureC',
  'supplyPressureBar',
]);

/** What nine in ten sound systems show, of what is only seen what most do; of the water itself, that it is as read. */
export function saySound(code: ReadingCode, expected: ExpectedReadings, reader: Reader): string {
  if (asRead.has(code)) return 'as read';
  const sound = expected[code];
  if (typeof sound === 'boolean') return sayReading(code, sound, reader);
  return sound
    ? `${sayReading(code, sound.low, reader)} – ${sayReading(code, sound.high, reader)}`
    : '';
}

/** Readings that lie outside of what a sound system shows, in words with numbers, the farthest first. */
export function evidenceOf(
  readings: readonly { code: ReadingCode; seen: Seen }[],
  expected: ExpectedReadings,
  reader: Reader,
): Evidence[] {
  return readings
    .flatMap(({ code, seen }): Evidence[] => {
      const sound = expected[code];
      if (!sound || sound === true || typeof seen !== 'number' || asRead.has(code)) return [];
      // The band's low end stops at nothing; its high end always lies the whole reach from the middle.
      const reach = sound.high - sound.middle;
      const off = Math.abs(seen - sound.middle) / Math.max(reach, 1e-9);
      if (off < beyondBand) return [];
      const ratio = seen / Math.max(sound.middle, 1e-9);
      const said =
        ratio >= toldAsTimes
          ? `${reader.number(ratio, 1)} times`
          : `${reader.percent(ratio, 0)} of`;
      return [
        {
          code,
          off,
          sentence: `${readingLabel(code)}: ${sayReading(code, seen, reader)}, ${said} the ${sayReading(code, sound.middle, reader)} of a sound one.`,
        },
      ];
    })
    .sort((a, b) => b.off - a.off);
}

/** What a cause is called in a list. */
export const causeOfFault = (fault: FaultCode): string =>
  fault === 'healthy' ? 'Healthy' : faultWords[fault].cause;

/** What is suspected: one fault, two at once, or none of these. */
export const causeOfFaults = (faults: readonly FaultCode[], reader: Reader): string =>
  faults.length > 1
    ? `Two at once: ${reader.within(shortCause(faults, reader))}.`
    : faults[0]
      ? causeOfFault(faults[0])
      : 'None of these.';

/** What mends what is suspected. */
export const mendOfFaults = (faults: readonly FaultCode[]): string =>
  faults.map((fault) => faultWords[fault].mend).join(' ');

/** What a household complains of. */
export const complaintWords: Record<Complaint, string> = {
  slow: 'Slow',
  taste: 'Taste or smell',
  'runs-to-drain': 'Runs to the drain',
  noise: 'Noise',
  leak: 'Leak',
};

/** What to do about a complaint that no figure answers. */
export const complaintAdvice: Partial<Record<Complaint, string>> = {
  leak: 'A leak comes first: tissue round every joint under pressure, and the floor under the tank.',
  noise:
    'Of noise no figure tells. Humming is the pump, gurgling the drain’s air gap, knocking a valve that closes fast.',
};

type EarlierVerification = NonNullable<JobDocument['verify']['earlier']>[string];

/** Verifications that were not right, the oldest first. */
export const earlierOf = ({ earlier = {} }: JobDocument['verify']): EarlierVerification[] =>
  Object.values(earlier).sort((a, b) => a.at.localeCompare(b.at));

/** What was read then, what was taken for the cause and what was done about it. */
export function earlierSentences(
  { readings, cause, also, probability, mended }: EarlierVerification,
  reader: Reader,
): string {
  const read = (Object.keys(readings) as VerifyKey[]).flatMap((key) => {
    const reading = readings[key];
    const { name, dimension } = verifyFields[key];
    return reading
      ? [`${reader.within(fieldWords[name].label)} ${reader.entered(dimension, reading)}`]
      : [];
  });
  const sure = probability === undefined ? '' : ` (${sayProbability(probability, reader)})`;
  return [
    `Read: ${reader.list(read)}.`,
    ...(cause
      ? [`Taken for the cause${sure}: ${causeOfFaults([cause, ...(also ? [also] : [])], reader)}`]
      : []),
    `Mended as advised: ${mended}`,
  ].join(' ');
}
