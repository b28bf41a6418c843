import { firstOutOfRange } from '../../base/guard.ts';
import { fail, type Outcome, succeed } from '../../base/outcome.ts';
import { refuseTapLine } from '../../hydraulics/tapLine.ts';
import { elementPermeance } from '../../membrane/elementPermeance.ts';
import { resolveSystem } from '../../system/point/roSystem.ts';
import { refuseTank } from '../../system/filling/fillTank.ts';
import { limits } from '../../base/limits.ts';
import { type FaultCode, faultKind, possibleFaults } from './fault.ts';
import { readingCodes, readingExists, type TestReadings } from './reading.ts';
import { asSurveyed } from './scenario.ts';
import { NoBalance, Simulation } from './simulate.ts';
import type { SamplePoint, TestedSystem } from './testedSystem.ts';

/** A system with one fault of a known severity, and where its product is sampled. */
export interface PlantedFault {
  system: TestedSystem;
  samplePoint?: SamplePoint | undefined;
  fault: FaultCode;
  /** In the fault's own measure; a factor below 1 where a fault can lie on either side. */
  severity?: number | undefined;
  meterReferenceMgL?: number | undefined;
}

/** Refuses a system that could not be built. */
export function refuseTested(system: TestedSystem) {
  const { tank, shutoff, tapLine, feed } = system;
  const resolved = resolveSystem(system);
  if (!resolved.ok) return resolved;
  return (
    firstOutOfRange([
      ['feed.alkalinityMgL', feed.alkalinityMgL, limits.alkalinityMgL],
      ['feed.calciumMgL', feed.calciumMgL, limits.calciumMgL],
      ['feed.pH', feed.pH, limits.pH],
    ]) ??
    refuseTank(tank ?? { volumeL: 1, prechargeBar: 0 }, shutoff) ??
    refuseTapLine(tapLine, 'tapLine.')
  );
}

/**
 * Every reading of a system with a fault, without noise and spread.
 * Errors: those of `resolveSystem`; 'iteration-limit'; 'out-of-range' at `fault` where the system cannot have it, and at `severity`.
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
