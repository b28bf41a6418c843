import { fail, type Outcome, succeed } from '../../base/outcome.ts';
import { elementPermeance } from '../../membrane/elementPermeance.ts';
import { type FaultCode, faultKind, possibleFaults } from './fault.ts';
import { readingCodes, readingExists, type TestReadings } from './reading.ts';
import { asSurveyed } from './scenario.ts';
import { NoBalance, Simulation } from './simulate.ts';
import { refuseTested, type SamplePoint, type TestedSystem } from './testedSystem.ts';

/** A system with one fault of a known severity, and where its product is sampled. */
export interface PlantedFault {
  system: TestedSystem;
  samplePoint?: SamplePoint | undefined;
  fault: FaultCode;
  /** In the fault's own measure; a factor below 1 where a fault can lie on either side. */
  severity?: number | undefined;
  meterReferenceMgL?: number | undefined;
}

/**
 * Every reading of a system with a fault, without noise and spread.
 * Errors: those of `refuseTested`; 'iteration-limit'; 'out-of-range' at `fault` where the system cannot have it, and at `severity`.
 */
export function simulateFault(planted: PlantedFault): Outcome<{ readings: TestReadings }> {
  const { system, samplePoint = 'membrane-outlet', fault, severity, meterReferenceMgL } = planted;
  const refused = refuseTested(system);
  if (refused) return refused;
  if (!possibleFaults(system, samplePoint).includes(fault))
    return fail('out-of-range', 'fault', { got: fault });
  const [branch] = faultKind(fault).branches;
  if (branch!.severity && !(severity !== undefined && severity >= 0 && Number.isFinite(severity)))
    return fail('not-a-number', 'severity', { got: String(severity) });
  const permeance = elementPermeance(system.membrane);
  if (!permeance.ok) return permeance;
  const as = branch!.alter(asSurveyed(system, samplePoint, meterReferenceMgL), severity ?? 1);
  const readings: TestReadings = {};
  try {
    const simulation = new Simulation(as, permeance.value, 'exact');
    for (const code of readingCodes) {
      if (readingExists(code, system)) readings[code] = simulation.read(code);
    }
  } catch (error) {
    if (error instanceof NoBalance) return { ok: false, failure: error.failure };
    throw error;
  }
  return succeed({ readings });
}
