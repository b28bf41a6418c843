import { asSurveyed, type Scenario } from '../commission/diagnosis/scenario.ts';
import { type FaultCode, faultKind, severityAt } from '../commission/diagnosis/fault.ts';
import { type ReadingCode, readingCodes, readingExists } from '../commission/diagnosis/reading.ts';
import { simulationOf } from '../commission/diagnosis/simulate.ts';
import type { SamplePoint, TestedSystem } from '../commission/diagnosis/testedSystem.ts';
import type { Given } from '../commission/diagnosis/uncertainty.ts';

/** Made-up systems to be tested: one that fills a tank, one with a pump and none. */
export const tankSystem: TestedSystem = {
  feed: {
    tdsMgL: 380,
    temperatureC: 14,
    pressureBar: 3.9,
    chlorineMgL: 0.5,
    alkalinityMgL: 150,
    calciumMgL: 120,
    pH: 7.5,
  },
  membrane: {
    ratedFlowLPerDay: 284,
    ratedPressureBar: 4.14,
    ratedTdsMgL: 250,
    ratedRecovery: 0.15,
    ratedRejection: 0.96,
  },
  restrictor: { flowMlMin: 420, atPressureBar: 4.14 },
  prefilters: { dropBar: 0.3, atFlowLPerH: 60 },
  tank: { volumeL: 11, prechargeBar: 0.5 },
  shutoff: { kind: 'hydraulic', ratio: 0.67 },
  tapLine: {
    tubes: [{ innerDiameterMm: 4.3, lengthM: 1.6 }],
    tapKv: 0.2,
    riseM: 0.5,
    postFilter: { dropBar: 0.35, atFlowLPerH: 120 },
  },
  remineralisation: { bedVolumeL: 0.5, timeConstantMin: 4 },
  gaugePort: true,
};

export const directSystem: TestedSystem = {
  ...tankSystem,
  feed: { ...tankSystem.feed, pressureBar: 2.6 },
  membrane: { ...tankSystem.membrane, ratedFlowLPerDay: 1500 },
  restrictor: { flowMlMin: 1500, atPressureBar: 4.14 },
  prefilters: { dropBar: 0.3, atFlowLPerH: 240 },
  pump: {
    curve: [
      { flowLPerH: 0, boostBar: 7 },
      { flowLPerH: 150, boostBar: 5 },
      { flowLPerH: 300, boostBar: 2 },
    ],
    bypassBar: 8,
  },
  tank: undefined,
  shutoff: { kind: 'pressure-switch', cutoutBar: 3 },
};

/** A fault at a share of its severities' range. */
export function withFault(
  fault: FaultCode,
  share = 0.5,
  system: TestedSystem = tankSystem,
  samplePoint: SamplePoint = 'membrane-outlet',
): Scenario {
  const [branch] = faultKind(fault).branches;
  const severity = severityAt(branch!.severity, share, system);
  return branch!.alter(asSurveyed(system, samplePoint), severity);
}

/** What a perfect hand with perfect instruments reads; a fill that never ends is not read. */
export function perfectReadings(
  as: Scenario,
  codes: readonly ReadingCode[] = readingCodes,
): Given[] {
  const simulation = simulationOf(as);
  return codes
    .filter((code) => readingExists(code, as.system))
    .map((code) => ({ code, seen: simulation.read(code) }))
    .filter(({ code, seen }) => seen !== null || code !== 'fillTimeMin');
}
