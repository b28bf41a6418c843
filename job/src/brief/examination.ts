import {
  type Accuracy,
  type Complaint,
  type Examination,
  type FaultCode,
  figureSigns,
  type Given,
  type Hint,
  type InstrumentKind,
  isDisinfectantPossible,
  isUltravioletLine,
  type ReadingCode,
  readingExists,
  type TestedSystem,
  type TestInstruments,
  testedSystemOf,
  testInstrumentsOf,
  toCore,
  usualTestInstruments,
  agedWeights,
  weightsOf,
} from '@katharos/core';
import type { JobDocument } from '../document/job.ts';
import { isFlushed } from '../document/flushRecord.ts';
import type { FirmSettings } from '../fields/firmSettings.ts';
import { optionsOf, usualResidualMgL, watersOf } from './brief.ts';
import { supplyOf } from './certification.ts';
import type { Reading } from '../document/reading.ts';
import { timedFills } from './fills.ts';
import { type TestLook, verifyFields, type VerifyKey } from '../fields/fields.ts';

/** Which reading of the core each of a verification's is. */
export const readingOfKey = {
  feedTds: 'feedTdsMgL',
  productTds: 'productTdsMgL',
  temperature: 'temperatureC',
  pressure: 'dynamicPressureBar',
  productFlow: 'productFlowLPerH',
  drainFlow: 'drainFlowLPerH',
  staticPressure: 'supplyPressureBar',
  membranePressure: 'membranePressureBar',
  tankFullPressure: 'tankPressureFullBar',
  tankEmptyPressure: 'tankPressureEmptyPrechargeBar',
  deliveredVolume: 'deliveredVolumeL',
  tapFlowFull: 'tapFlowStartLPerMin',
  tapFlowAfterTwo: 'tapFlowAfter2LLPerMin',
  chlorineAfterCarbon: 'chlorineAfterCarbonMgL',
  productHardness: 'productHardnessMgL',
  productPh: 'productPh',
  fillTime: 'fillTimeMin',
  productTdsRepeat: 'productTdsRepeatMgL',
  drainFlowTubeOff: 'drainFlowTubeOffLPerH',
  productFlowTubeOff: 'productFlowTubeOffLPerH',
  meterCheck: 'meterCheckMgL',
  tankPressureDrop: 'tankPressureDropBar',
} as const satisfies Record<VerifyKey, ReadingCode>;

/** Which of them each look is; `no-product` says of all that the cup gives that none came. */
export const readingOfLook = {
  'drain-stops-tank-closed': 'drainStopsAfterTankClosed',
  'pump-runs': 'pumpRunning',
  'water-at-air-valve': 'waterAtAirValve',
} as const satisfies Record<Exclude<TestLook, 'no-product'>, ReadingCode>;

const keys = Object.keys(readingOfKey) as VerifyKey[];
const keyOfReading = new Map<ReadingCode, VerifyKey>(keys.map((key) => [readingOfKey[key], key]));

/** Where a reading of the core is entered: a figure, a look, or the shut-off test. */
export type ReadingPlace =
  | { figure: VerifyKey }
  | { look: Exclude<TestLook, 'no-product'> }
  | { test: 'shut-off' };

export function placeOfReading(code: ReadingCode): ReadingPlace {
  const figure = keyOfReading.get(code);
  if (figure) return { figure };
  const look = (Object.keys(readingOfLook) as (keyof typeof readingOfLook)[]).find(
    (one) => readingOfLook[one] === code,
  );
  return look ? { look } : { test: 'shut-off' };
}

type Verify = JobDocument['verify'];

/** What was read, in the core's units. */
export function givenOf({
  readings,
  looks = {},
  shutoffTest,
}: Pick<Verify, 'readings' | 'looks' | 'shutoffTest'>): Given[] {
  const dry = looks['no-product']?.seen === true;
  const figures = keys.flatMap((key): Given[] => {
    const reading = readings[key];
    const code = readingOfKey[key];
    if (!reading) return dry && key === 'productTds' ? [{ code, seen: null }] : [];
    return [{ code, seen: toCore(verifyFields[key].dimension, reading) }];
  });
  const seen = (Object.keys(readingOfLook) as (keyof typeof readingOfLook)[]).flatMap(
    (look): Given[] => {
      const answer = looks[look];
      return answer ? [{ code: readingOfLook[look], seen: answer.seen }] : [];
    },
  );
  const test: Given[] =
    shutoffTest === 'not-done'
      ? []
      : [{ code: 'drainStopsWhenFull', seen: shutoffTest === 'passed' }];
  return [...figures, ...seen, ...test];
}

/** How well each kind of instrument that was named reads. */
const accuraciesOf = ({ instruments = {} }: Verify): Partial<Record<InstrumentKind, Accuracy>> =>
  Object.fromEntries(
    Object.entries(instruments).map(([kind, { accuracy }]) => [kind, accuracy] as const),
  );

/** How well a verification was read: with the instruments that were named, and usual ones beside them. */
export const testInstrumentsFor = (verify: Verify): TestInstruments => ({
  ...usualTestInstruments,
  ...testInstrumentsOf(accuraciesOf(verify)),
});

/** What has to be read before a cause can be looked for at all. */
export const examinedFrom: readonly ReadingCode[] = ['feedTdsMgL', 'productTdsMgL'];

/**
 * What the carbon has to take out, mg/L, as total chlorine: as it was read, else what such a supply usually carries. Nobody read is not
 * none: spent carbon is weighed wherever a disinfectant is possible.
 */
function residualOf(survey: JobDocument['survey']): number {
  if (!isDisinfectantPossible(supplyOf(survey))) return 0;
  const { disinfectant } = survey.details;
  if (disinfectant) return toCore('concentration', disinfectant);
  return usualResidualMgL[survey.disinfectant === 'chloramine' ? 'chloramine' : 'chlorine'];
}

/** A job's system as it can be tested, in the water of its survey; undefined without a membrane, or while the survey contradicts itself. */
export function testedOf({
  survey,
  size,
  system,
}: Pick<JobDocument, 'survey' | 'size' | 'system'>): TestedSystem | undefined {
  if (!system || isUltravioletLine(system.design)) return undefined;
  const waters = watersOf(survey, optionsOf(size.overruled));
  if (!waters.ok) return undefined;
  return testedSystemOf(system.design, waters.value.today, {
    chlorineMgL: residualOf(survey),
  });
}

/** What was noticed and not measured: complaints of the household, and what was seen while flushing and is not mended. */
function hintsOf({ verify, flush }: Pick<JobDocument, 'verify' | 'flush'>): Hint[] {
  const complained = Object.keys(verify.complaints ?? {}) as Complaint[];
  const seen = Object.values(flush.troubles ?? {}).flatMap(({ sign, mended }) =>
    mended ? [] : figureSigns.filter((one) => one === sign),
  );
  return [...complained.map((complaint) => ({ complaint })), ...seen.map((sign) => ({ sign }))];
}

/** How long after its end a drain is seen to stand still: a share of the fill, and so many minutes; a default of practice. */
const noticed = { share: 0.1, minutes: 3 } as const;

/** The last fill of the flush as a reading, where none was timed since and nothing was mended after it. */
export function fillOfFlush({ flush, verify }: Pick<JobDocument, 'flush' | 'verify'>): Given[] {
  const last = timedFills(flush.steps)
    .sort((a, b) => a.at - b.at)
    .at(-1);
  const isMended = Object.values(verify.earlier ?? {}).some(
    ({ at }) => last && Date.parse(at) > last.at,
  );
  if (!last || isMended || verify.readings.fillTime) return [];
  const { minutes } = last;
  const uncertainty = Math.hypot(noticed.share * minutes, noticed.minutes);
  return [{ code: 'fillTimeMin', seen: minutes, uncertainty }];
}

/** Hypotheses that what is known of the visit brings up: two meters or scales, a tank that was not washed out. */
function askedOf({ verify, flush }: Pick<JobDocument, 'verify' | 'flush'>): FaultCode[] {
  const { feedTds, productTds } = verify.readings;
  const scaleOf = ({ unit }: Reading) => toCore('tds', { value: 1, unit });
  const isOther =
    feedTds &&
    productTds &&
    (scaleOf(feedTds) !== scaleOf(productTds) || feedTds.instrument !== productTds.instrument);
  return [
    ...(isOther ? (['meters-differ'] as const) : []),
    ...(isFlushed(flush) ? [] : (['sampled-first-tank'] as const)),
  ];
}

/**
 * The chlorine behind the carbon as total chlorine, where that was read; a strip of free chlorine tells nothing where chloramine may be
 * in the supply.
 */
function withTotalChlorine(
  given: readonly Given[],
  { survey, verify }: Pick<JobDocument, 'survey' | 'verify'>,
): Given[] {
  const total = verify.noted?.totalChlorine;
  const code = readingOfKey.chlorineAfterCarbon;
  const others = given.filter((one) => one.code !== code);
  if (total) return [...others, { code, seen: toCore('concentration', total) }];
  return survey.disinfectant === 'chlorine' ? [...given] : others;
}

/** A job's verification as a question to the diagnosis; undefined while too little was read. */
export function examinationOf(
  document: Pick<JobDocument, 'survey' | 'size' | 'system' | 'verify' | 'flush'>,
  { odds = {} }: Pick<FirmSettings, 'odds'> = {},
): Examination | undefined {
  const { verify } = document;
  const given = givenOf(verify);
  if (!examinedFrom.every((code) => given.some((one) => one.code === code))) return undefined;
  const system = testedOf(document);
  if (!system) return undefined;
  return {
    system,
    samplePoint: verify.samplePoint,
    instruments: testInstrumentsFor(verify),
    // What was read before the system was changed, of parts that it has no more, tells nothing.
    given: [...withTotalChlorine(given, document), ...fillOfFlush(document)].filter(({ code }) =>
      readingExists(code, system),
    ),
    hints: hintsOf(document),
    asked: askedOf(document),
    // It is being handed over: every part of it was fitted now.
    weights: agedWeights(() => 0, weightsOf(odds)),
    beyond: true,
  };
}
