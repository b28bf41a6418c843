import { type Outcome, succeed } from '../../base/outcome.ts';
import { type Random, seededRandom } from '../../household/household.ts';
import { elementPermeance } from '../../membrane/elementPermeance.ts';
import { type FaultCode, faultKind, possibleFaults } from '../diagnosis/fault.ts';
import { readingCodes, readingExists, type TestReadings } from '../diagnosis/reading.ts';
import { asSurveyed } from '../diagnosis/scenario.ts';
import { NoBalance, Simulation } from '../diagnosis/simulate.ts';
import { drawScenario } from '../diagnosis/takeReadings.ts';
import { refuseTested, type SamplePoint, type TestedSystem } from '../diagnosis/testedSystem.ts';

/** A job's system as simulated devices find it: off in its spreads by chance, and with something wrong. */
export interface Practice {
  /** The same number gives the same system. */
  seed: number;
  /** What is wrong with it; `unknown` leaves it to chance, by how common each is. */
  fault: FaultCode | 'unknown';
}

/** What is truly there to be read. */
export interface PractisedSystem {
  fault: FaultCode;
  readings: TestReadings;
}

/** One of the faults that a system can have, by how common they are. */
function drawFault(system: TestedSystem, samplePoint: SamplePoint, random: Random): FaultCode {
  const faults = possibleFaults(system, samplePoint);
  const weights = faults.map((fault) => faultKind(fault).weight);
  let left = random() * weights.reduce((sum, weight) => sum + weight, 0);
  const drawn = weights.findIndex((weight) => (left -= weight) < 0);
  return faults[drawn] ?? 'healthy';
}

/**
 * Every true reading of a system for practice.
 * @param mended faults that somebody mended: where the system's own is among them, it is the same system, sound
 * Errors: those of `refuseTested` and `elementPermeance`; 'iteration-limit'.
 */
export function practisedSystem(
  system: TestedSystem,
  samplePoint: SamplePoint,
  { seed, fault: wanted }: Practice,
  mended: readonly FaultCode[],
): Outcome<PractisedSystem> {
  const refused = refuseTested(system);
  if (refused) return refused;
  const permeance = elementPermeance(system.membrane);
  if (!permeance.ok) return permeance;
  const random = seededRandom(seed);
  const possible = possibleFaults(system, samplePoint);
  const drawn = drawFault(system, samplePoint, random);
  const own = wanted === 'unknown' ? drawn : wanted;
  const fault = possible.includes(own) && !mended.includes(own) ? own : 'healthy';
  const readings: TestReadings = {};
  try {
    const as = drawScenario(asSurveyed(system, samplePoint), fault, random);
    const simulation = new Simulation(as, permeance.value, 'exact');
    for (const code of readingCodes) {
      if (readingExists(code, system)) readings[code] = simulation.read(code);
    }
  } catch (error) {
    if (error instanceof NoBalance) return { ok: false, failure: error.failure };
    throw error;
  }
  return succeed({ fault, readings });
}
