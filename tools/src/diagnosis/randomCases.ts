import {
  asSurveyed,
  drawScenario,
  type FaultCode,
  faultKind,
  type Part,
  partsOf,
  possibleFaults,
  type Random,
  type SamplePoint,
  takeReadings,
  type TestedSystem,
  type TestReadings,
  usualTestInstruments,
} from '@katharos/core';
import { starterCatalogue } from '@katharos/job';

/** A system with something wrong or nothing, and what was read of it. */
export interface DiagnosisCase {
  system: TestedSystem;
  samplePoint: SamplePoint;
  truth: FaultCode;
  readings: TestReadings;
}

const pick = <T>(random: Random, of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
const between = (random: Random, from: number, to: number) => from + (to - from) * random();

/** One of the catalogue's parts of a kind. */
function part<K extends Part['kind']>(random: Random, kind: K): Extract<Part, { kind: K }> {
  return pick(random, partsOf(starterCatalogue, kind) as Extract<Part, { kind: K }>[]);
}

/** An under-sink system of the catalogue's parts in a water of some house. */
function randomSystem(random: Random): TestedSystem {
  const tankless = random() < 0.25;
  const membrane = pick(
    random,
    partsOf(starterCatalogue, 'membrane').filter(
      ({ rating }) => tankless === rating.ratedFlowLPerDay >= 1000,
    ),
  );
  const pump = tankless || random() < 0.3 ? part(random, 'pump') : undefined;
  const wantedMlMin = (membrane.rating.ratedFlowLPerDay / 1.44) * between(random, 1.5, 3.5);
  const restrictor = partsOf(starterCatalogue, 'restrictor').reduce((best, one) =>
    Math.abs(one.restrictor.flowMlMin - wantedMlMin) <
    Math.abs(best.restrictor.flowMlMin - wantedMlMin)
      ? one
      : best,
  );
  const tank = part(random, 'tank');
  const tdsMgL = between(random, 80, 900);
  const share = between(random, 0.3, 0.6);
  return {
    feed: {
      tdsMgL,
      temperatureC: between(random, 6, 25),
      pressureBar: pump ? between(random, 1.8, 3.6) : between(random, 3, 5.2),
      alkalinityMgL: tdsMgL * share,
      calciumMgL: tdsMgL * share * between(random, 0.5, 1),
      pH: between(random, 7, 8),
      chlorineMgL: random() < 0.25 ? 0 : between(random, 0.1, 1.2),
    },
    membrane: {
      ...membrane.rating,
      flowFactor: between(random, 0.8, 1),
      saltPassageFactor: between(random, 1, 1.4),
    },
    restrictor: restrictor.restrictor,
    prefilters: { dropBar: between(random, 0.15, 0.4), atFlowLPerH: tankless ? 240 : 60 },
    pump: pump?.pump,
    tank: tankless ? undefined : { volumeL: tank.volumeL, prechargeBar: tank.prechargeBar },
    shutoff: pump
      ? { kind: 'pressure-switch', cutoutBar: pump.cutoutBar }
      : { kind: 'hydraulic', ratio: pick(random, [0.6, 0.67]) },
    tapLine: {
      tubes: [{ innerDiameterMm: pick(random, [4.3, 6.35]), lengthM: between(random, 0.8, 4) }],
      tapKv: between(random, 0.17, 0.4),
      riseM: 0.5,
      postFilter: tankless && random() < 0.5 ? undefined : { dropBar: 0.35, atFlowLPerH: 120 },
    },
    remineralisation: random() < 0.35 ? { bedVolumeL: 0.5, timeConstantMin: 4 } : undefined,
    gaugePort: random() < 0.5,
  };
}

/** A case by chance: a system, a fault as common as the diagnosis takes it to be, and readings with all their noise. */
export function randomCase(random: Random): DiagnosisCase {
  const system = randomSystem(random);
  const samplePoint = pick<SamplePoint>(random, [
    'membrane-outlet',
    'membrane-outlet',
    ...(system.tank ? (['tap-after-tank'] as const) : []),
    ...(system.remineralisation ? (['tap-after-minerals'] as const) : []),
  ]);
  const faults = possibleFaults(system, samplePoint);
  const whole = faults.reduce((sum, fault) => sum + faultKind(fault).weight, 0);
  let at = random() * whole;
  const truth = faults.find((fault) => (at -= faultKind(fault).weight) < 0) ?? 'healthy';
  const standing = drawScenario(asSurveyed(system, samplePoint), truth, random);
  return {
    system,
    samplePoint,
    truth,
    readings: takeReadings(standing, usualTestInstruments, random),
  };
}
