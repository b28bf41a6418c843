import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../household/household.ts';
import { tankSystem } from '../../test/testedSamples.ts';
import { diagnose, type Examination } from './diagnose.ts';
import { type FaultCode, faultKind, severityAt } from './fault.ts';
import type { ReadingCode } from './reading.ts';
import { asSurveyed, type Scenario } from './scenario.ts';
import { type Beyond, suspectsOf } from './suspect.ts';
import { drawScenario, takeReadings } from './takeReadings.ts';
import { usualTestInstruments } from './uncertainty.ts';

const on = (as: Scenario, fault: FaultCode, share: number): Scenario => {
  const { alter, severity } = faultKind(fault).branches[0]!;
  return alter(as, severityAt(severity, share, tankSystem));
};

/** A system off in all its spreads, with faults, and every reading of it with its noise. */
function examined(seed: number, ...faults: [FaultCode, number][]): Examination {
  const random = seededRandom(seed);
  const sound = drawScenario(asSurveyed(tankSystem), 'healthy', random);
  const as = faults.reduce((now, [fault, share]) => on(now, fault, share), sound);
  const readings = takeReadings(as, usualTestInstruments, random);
  const given = Object.entries(readings).map(([code, seen]) => ({
    code: code as ReadingCode,
    seen,
  }));
  return { system: tankSystem, given, beyond: true };
}

function found(examination: Examination) {
  const outcome = diagnose(examination);
  if (!outcome.ok) throw new Error(outcome.failure.code);
  return { ...outcome.value, beyond: outcome.value.beyond! };
}

const inPairs = ({ pairs }: Beyond) => pairs.reduce((sum, { probability }) => sum + probability, 0);

describe('two faults at once', () => {
  test.each<[FaultCode, FaultCode]>([
    ['restrictor-blocked', 'post-filter-blocked'],
    ['membrane-bypass', 'precharge-lost'],
    ['check-valve-leaking', 'carbon-spent'],
  ])('%s and %s are found together, and explain what neither does', (one, other) => {
    const diagnosis = found(examined(3, [one, 0.5], [other, 0.5]));
    const [first] = suspectsOf(diagnosis);
    expect([...first!.faults].sort()).toEqual([one, other].sort());
    expect(first!.probability).toBeGreaterThan(0.8);
    const [story] = diagnosis.stories;
    expect(story!.faults).toEqual(first!.faults);
    expect(story!.misfit).toBeLessThan(3);
  });

  test('leave a single fault alone', () => {
    const faults: FaultCode[] = ['restrictor-blocked', 'membrane-bypass', 'healthy'];
    for (const fault of faults) {
      const diagnosis = found(
        examined(8, ...(fault === 'healthy' ? [] : ([[fault, 0.6]] as [FaultCode, number][]))),
      );
      expect(suspectsOf(diagnosis)[0]!.faults).toEqual([fault]);
      expect(inPairs(diagnosis.beyond)).toBeLessThan(0.3);
    }
  });

  test('change nothing of what is said of single faults', () => {
    const { given } = examined(5, ['membrane-scaled', 0.6]);
    const alone = diagnose({ system: tankSystem, given });
    if (!alone.ok) throw new Error(alone.failure.code);
    expect(alone.value.beyond).toBeNull();
    expect(found({ system: tankSystem, given, beyond: true }).causes).toEqual(alone.value.causes);
  });
});

describe('none of these', () => {
  test('is what nothing in the list explains, and hardly ever anything else', () => {
    const usual = examined(4);
    expect(found(usual).beyond.none).toBeLessThan(1e-3);
    // Pure product, more of it than any membrane of this size gives, nothing to the drain, and a cold tank gauge.
    const odd: Partial<Record<ReadingCode, number>> = {
      productFlowLPerH: 90,
      drainFlowLPerH: 1,
      membranePressureBar: 0.4,
      productTdsMgL: 3,
      tankPressureFullBar: 3.8,
    };
    const given = usual.given.map((one) => ({ ...one, seen: odd[one.code] ?? one.seen }));
    const diagnosis = found({ ...usual, given });
    expect(diagnosis.beyond.none).toBeGreaterThan(0.9);
    expect(suspectsOf(diagnosis)[0]!.faults).toEqual([]);
  });

  test('all that may be sums to one', () => {
    for (const examination of [
      examined(4),
      examined(6, ['carbon-spent', 0.5], ['pump-off', 0.5]),
    ]) {
      const sum = suspectsOf(found(examination)).reduce((all, one) => all + one.probability, 0);
      expect(sum).toBeCloseTo(1, 9);
    }
  });
});
