import {
  asSurveyed,
  drawScenario,
  type FaultCode,
  faultKind,
  possibleFaults,
  type Random,
  type ReadingCode,
  recommend,
  seededRandom,
  takeReadings,
  usualTestInstruments,
} from '@katharos/core';
import {
  briefOf,
  type JobDocument,
  placeOfReading,
  type Reading,
  starterCatalogue,
  testedOf,
  verifyFields,
} from '@katharos/job';
import { randomHouses } from '../houses/randomHouses.ts';

/** A house with its system and what was read at its hand-over: sound, or with one fault. */
export interface VerifiedCase {
  document: JobDocument;
  truth: FaultCode;
}

/** What an installer reads at every hand-over, with usual instruments. */
const usualReadings: readonly ReadingCode[] = [
  'feedTdsMgL',
  'productTdsMgL',
  'temperatureC',
  'dynamicPressureBar',
  'productFlowLPerH',
  'drainFlowLPerH',
  'chlorineAfterCarbonMgL',
  'drainStopsWhenFull',
  // The air was set and the fill timed at the installation, and the tap measured for whoever has a lamp.
  'tankPressureEmptyPrechargeBar',
  'fillTimeMin',
  'tapFlowStartLPerMin',
  'tapFlowAfter2LLPerMin',
];

const at = '2026-03-02T10:00:00Z';
const coreUnits = {
  tds: 'mg/L',
  temperature: 'C',
  pressure: 'bar',
  flow: 'L/h',
  tapFlow: 'L/min',
  duration: 'min',
  concentration: 'mg/L',
} as const;

/** Faults that are worn in over years, or of the hand that reads: no system has them on the day it is handed over. */
const notAtHandOver: ReadonlySet<FaultCode> = new Set<FaultCode>([
  'healthy',
  'membrane-old',
  'membrane-scaled',
  'membrane-oxidised',
  'carbon-spent',
  'prefilter-blocked',
  'post-filter-blocked',
  'sampled-after-minerals',
  'sampled-after-standing',
  'sampled-first-tank',
  'feed-water-changed',
  'meter-miscalibrated',
  'meters-differ',
]);

/** Houses with a sound proposal, each with its system chosen; how many there are in so many. */
function chosenHouses(count: number): JobDocument[] {
  return randomHouses(count).flatMap((document) => {
    const brief = briefOf(document.survey, starterCatalogue);
    if (!brief.ok) return [];
    const best = recommend(brief.value.task)?.best;
    if (!best || best.shortfalls.length > 0) return [];
    const system = { design: best.design, chosenAt: at, chosenBy: 'Wren', agreed: null };
    return [{ ...document, system }];
  });
}

/** What was read, entered as a person enters it; everything else that is owed is done. */
function readAt(house: JobDocument, truth: FaultCode, random: Random): JobDocument | undefined {
  const system = testedOf(house);
  if (!system) return undefined;
  const standing = drawScenario(asSurveyed(system, 'membrane-outlet'), truth, random);
  const seen = takeReadings(standing, usualTestInstruments, random, usualReadings);
  const document = structuredClone(house);
  const { verify } = document;
  for (const code of usualReadings) {
    const value = seen[code];
    const place = placeOfReading(code);
    // What somebody sees is no instrument's noise: of a sound system the drain is seen to stop.
    if ('test' in place && typeof value === 'boolean')
      verify.shutoffTest = value || truth === 'healthy' ? 'passed' : 'failed';
    if (!('figure' in place) || typeof value !== 'number') continue;
    const { dimension } = verifyFields[place.figure];
    const unit = coreUnits[dimension as keyof typeof coreUnits];
    const reading: Reading = { value, unit, takenAt: at, by: 'Wren' };
    if (place.figure === 'chlorineAfterCarbon')
      verify.noted = { ...verify.noted, totalChlorine: reading };
    else verify.readings[place.figure] = reading;
  }
  const tick = { at, by: 'Wren' };
  verify.leaks = { filled: 'dry', pressure: 'dry', tankFull: 'dry' };
  verify.germTest = { sampled: tick, result: { found: false, ...tick } };
  verify.lampLook = { alarm: 'quiet', ...tick };
  return document;
}

/** So many sound systems and so many with one fault, the same for the same seed. */
export function verifiedCases(
  count: number,
  seed = 20261202,
): { sound: VerifiedCase[]; faulty: VerifiedCase[] } {
  const random = seededRandom(seed);
  const houses = chosenHouses(housesTried);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
  const sound: VerifiedCase[] = [];
  while (sound.length < count) {
    const document = readAt(pick(houses), 'healthy', random);
    if (document) sound.push({ document, truth: 'healthy' });
  }
  const faulty: VerifiedCase[] = [];
  while (faulty.length < count) {
    const house = pick(houses);
    const system = testedOf(house);
    if (!system) continue;
    const faults = possibleFaults(system, 'membrane-outlet').filter(
      (fault) => !notAtHandOver.has(fault) && !faultKind(fault).onlyAsked,
    );
    const truth = pick(faults);
    const document = readAt(house, truth, random);
    if (document) faulty.push({ document, truth });
  }
  return { sound, faulty };
}

/** Houses that systems are taken from: a search each. */
const housesTried = 60;
