import { normalQuantile } from '../../base/numeric/lowDiscrepancy.ts';
import type { Random } from '../../household/household.ts';
import { type FaultCode, faultKind, severityAt } from './fault.ts';
import {
  type ReadingCode,
  readingCodes,
  readingExists,
  readingKind,
  type Seen,
  type TestReadings,
} from './reading.ts';
import type { Scenario } from './scenario.ts';
import { simulationOf } from './simulate.ts';
import { spreadBy, type SpreadOf, spreadsOf } from './spread.ts';
import { mistakenShare, standardUncertainty, type TestInstruments } from './uncertainty.ts';

/** A deviate of the standard normal distribution. */
export const normalDeviate = (random: Random): number => normalQuantile(random());

/** A system as it may truly stand: off in all its spreads, with a fault of a severity, both by chance. */
export function drawScenario(as: Scenario, fault: FaultCode, random: Random): Scenario {
  const by: Partial<Record<SpreadOf, number>> = {};
  for (const of of spreadsOf(as.system)) by[of] = normalDeviate(random);
  const { branches } = faultKind(fault);
  const branch = branches[Math.floor(random() * branches.length)]!;
  return branch.alter(spreadBy(as, by), severityAt(branch.severity, random(), as.system));
}

/** What an instrument shows of a truth: off by its uncertainty, never under 0, to the step that is written down. */
export function shownOf(
  code: ReadingCode,
  truth: Seen,
  instruments: TestInstruments,
  random: Random,
): Seen {
  if (truth === null) return null;
  if (typeof truth === 'boolean') return random() < mistakenShare ? !truth : truth;
  const { step } = readingKind(code);
  const off = standardUncertainty(code, truth, instruments) * normalDeviate(random);
  return Number((Math.round(Math.max(truth + off, 0) / step) * step).toFixed(2));
}

/**
 * Every reading that somebody would take of a system that stands so; a fill that never ends gives none.
 * @throws RangeError as `simulationOf`
 */
export function takeReadings(
  as: Scenario,
  instruments: TestInstruments,
  random: Random,
  codes: readonly ReadingCode[] = readingCodes,
): TestReadings {
  const simulation = simulationOf(as);
  const readings: TestReadings = {};
  for (const code of codes) {
    if (!readingExists(code, as.system)) continue;
    const truth = simulation.read(code);
    if (truth === null && code === 'fillTimeMin') continue;
    readings[code] = shownOf(code, truth, instruments, random);
  }
  return readings;
}
