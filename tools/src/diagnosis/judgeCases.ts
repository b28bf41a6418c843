import {
  diagnose,
  type Examination,
  type FaultCode,
  type Given,
  type RankedFault,
  type ReadingCode,
  readingCodes,
  readingKind,
} from '@katharos/core';
import type { DiagnosisCase } from './randomCases.ts';

const basic: ReadingCode[] = ['feedTdsMgL', 'productTdsMgL', 'temperatureC', 'supplyPressureBar'];
const flows: ReadingCode[] = [...basic, 'productFlowLPerH', 'drainFlowLPerH'];
const tank: ReadingCode[] = [
  ...flows,
  'tankPressureFullBar',
  'tankPressureEmptyPrechargeBar',
  'deliveredVolumeL',
  'tapFlowStartLPerMin',
  'tapFlowAfter2LLPerMin',
  'drainStopsAfterTankClosed',
  'drainStopsWhenFull',
];
/** What somebody may have read so far. */
export const readingSets = { basic, flows, tank, all: readingCodes } as const;

/** From this probability on a cause stands out. */
const sureFrom = 0.8;
const leastProbability = 1e-3;
const mostReadings = 20;

/** A case as it was judged. */
export interface Judged {
  truth: FaultCode;
  causes: RankedFault[];
}

const givenOf = ({ readings }: DiagnosisCase, codes: readonly ReadingCode[]): Given[] =>
  codes.flatMap((code) => {
    const seen = readings[code];
    return seen === undefined ? [] : [{ code, seen }];
  });

/** What the diagnosis is asked where these readings were taken. */
export const examinedBy = (one: DiagnosisCase, codes: readonly ReadingCode[]): Examination => ({
  system: one.system,
  samplePoint: one.samplePoint,
  given: givenOf(one, codes),
});

function judged(one: DiagnosisCase, codes: readonly ReadingCode[]) {
  const diagnosis = diagnose(examinedBy(one, codes));
  if (!diagnosis.ok) throw new Error(`${diagnosis.failure.code} at ${diagnosis.failure.path}`);
  return diagnosis.value;
}

export const judge = (one: DiagnosisCase, codes: readonly ReadingCode[]): Judged => ({
  truth: one.truth,
  causes: judged(one, codes).causes,
});

/** A visit: the basic readings, then whatever is proposed, until one cause stands out or nothing tells any more. */
export function visit(one: DiagnosisCase) {
  const have = [...basic];
  let minutes = basic.reduce((sum, code) => sum + readingKind(code).minutes, 0);
  for (let steps = 0; ; steps += 1) {
    const { causes, next } = judged(one, have);
    const [first] = causes;
    const sure = first!.probability >= sureFrom;
    if (sure || !next || steps === mostReadings) {
      return { sure, right: first!.fault === one.truth, steps, minutes };
    }
    have.push(next.reading);
    minutes += next.minutes;
  }
}

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / Math.max(values.length, 1);

const probabilityOf = ({ truth, causes }: Judged): number =>
  causes.find(({ fault }) => fault === truth)?.probability ?? 0;

const isFirst = ({ truth, causes }: Judged): boolean => causes[0]!.fault === truth;

/** How far stated probabilities are from how often they came true: the gaps of ten bins, weighted by their number a case. */
function statedGap(cases: readonly Judged[]): number {
  const bins = Array.from({ length: 10 }, () => ({ stated: 0, true: 0 }));
  for (const { truth, causes } of cases) {
    for (const { fault, probability } of causes) {
      const bin = bins[Math.min(9, Math.floor(probability * 10))]!;
      bin.stated += probability;
      bin.true += fault === truth ? 1 : 0;
    }
  }
  return bins.reduce((sum, bin) => sum + Math.abs(bin.stated - bin.true), 0) / cases.length;
}

/** What a set of readings comes to. */
export function figuresOf(cases: readonly Judged[]) {
  const sound = cases.filter(({ truth }) => truth === 'healthy');
  const faulty = cases.filter(({ truth }) => truth !== 'healthy');
  return {
    first: mean(cases.map((one) => Number(isFirst(one)))),
    firstThree: mean(
      cases.map(({ truth, causes }) =>
        Number(causes.slice(0, 3).some(({ fault }) => fault === truth)),
      ),
    ),
    healthy: mean(sound.map((one) => Number(isFirst(one)))),
    missed: mean(faulty.map(({ causes }) => Number(causes[0]!.fault === 'healthy'))),
    log: mean(cases.map((one) => Math.log(Math.max(probabilityOf(one), leastProbability)))),
    gap: statedGap(cases),
  };
}

/** By truth, how often it came first and what came first in its stead. */
export function confusions(cases: readonly Judged[]) {
  const truths = [...new Set(cases.map(({ truth }) => truth))].sort();
  return truths.map((truth) => {
    const mine = cases.filter((one) => one.truth === truth);
    const others = new Map<FaultCode, number>();
    for (const one of mine) {
      const { fault } = one.causes[0]!;
      if (fault !== truth) others.set(fault, (others.get(fault) ?? 0) + 1);
    }
    return {
      truth,
      cases: mine.length,
      first: mine.filter(isFirst).length,
      probability: mean(mine.map(probabilityOf)),
      taken: [...others].sort((a, b) => b[1] - a[1]),
    };
  });
}
