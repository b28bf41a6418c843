import { describe, expect, test } from '@jest/globals';
import { perfectReadings, tankSystem, withFault } from '../../test/testedSamples.ts';
import { diagnose } from './diagnose.ts';
import { type FaultCode, faultCodes, possibleFaults } from './fault.ts';
import { chancesOfHints, type Course, type Hint } from './hint.ts';
import { learnedOdds, usualOdds, weightsOf } from './odds.ts';
import { asSurveyed } from './scenario.ts';

const chances = (...hints: Hint[]) => chancesOfHints(asSurveyed(tankSystem), hints);
const basic = ['feedTdsMgL', 'productTdsMgL', 'temperatureC', 'supplyPressureBar'] as const;

function probabilityOf(fault: FaultCode, hints: Hint[], weights = {}) {
  const given = perfectReadings(withFault('healthy', 0.5), basic);
  const outcome = diagnose({ system: tankSystem, given, hints, weights });
  if (!outcome.ok) throw new Error(outcome.failure.code);
  return outcome.value.causes.find((one) => one.fault === fault)!.probability;
}

describe('what was noticed and not measured', () => {
  test('that nothing was noticed tells nothing', () => {
    expect([...chances().values()].every((chance) => chance === 1)).toBe(true);
    expect([...chances({ complaint: 'noise' }).values()].every((chance) => chance === 1)).toBe(
      true,
    );
  });

  test.each<[Hint, FaultCode[], FaultCode[]]>([
    [
      { complaint: 'runs-to-drain' },
      ['shutoff-stuck-open', 'check-valve-leaking'],
      ['healthy', 'meter-miscalibrated', 'post-filter-blocked'],
    ],
    [{ complaint: 'slow' }, ['tank-valve-closed', 'shutoff-stuck-closed'], ['healthy']],
    [{ complaint: 'taste' }, ['carbon-spent', 'membrane-absent'], ['healthy', 'precharge-lost']],
    [{ sign: 'drain-runs-hard' }, ['restrictor-missing'], ['healthy', 'carbon-spent']],
  ])('%j speaks for %j and against %j', (hint, forThese, againstThese) => {
    const found = chances(hint);
    for (const fault of forThese) expect([fault, found.get(fault)! > 0.7]).toEqual([fault, true]);
    for (const fault of againstThese) {
      expect([fault, found.get(fault)! < 0.15]).toEqual([fault, true]);
    }
  });

  test('every chance is one, and two complaints are never likelier than one', () => {
    const one = chances({ complaint: 'slow' });
    const both = chances({ complaint: 'slow' }, { complaint: 'taste' });
    for (const fault of possibleFaults(tankSystem, 'membrane-outlet')) {
      expect(both.get(fault)!).toBeGreaterThan(0);
      expect(both.get(fault)!).toBeLessThanOrEqual(one.get(fault)!);
    }
  });

  test('moves what the readings leave open, and not what they have shown', () => {
    const before = probabilityOf('shutoff-stuck-open', []);
    expect(probabilityOf('shutoff-stuck-open', [{ complaint: 'runs-to-drain' }])).toBeGreaterThan(
      4 * before,
    );
    const missing = probabilityOf('membrane-absent', [{ complaint: 'taste' }]);
    expect(missing).toBeLessThan(0.001);
  });
});

describe('how often a firm finds what', () => {
  test('is what is usual without visits of its own, and nears its own with many', () => {
    const none = learnedOdds({});
    for (const fault of possibleFaults(tankSystem, 'membrane-outlet')) {
      expect(none[fault]).toBeCloseTo(usualOdds(fault), 12);
    }
    const many = learnedOdds({ healthy: 3000, 'membrane-bypass': 1000 });
    expect(many['membrane-bypass']).toBeCloseTo(0.25, 2);
    expect(many['precharge-lost']).toBeLessThan(0.001);
  });

  test('sums to one over all that is always weighed', () => {
    const odds = learnedOdds({ healthy: 9, 'carbon-spent': 4 });
    const asked: FaultCode[] = ['meters-differ', 'sampled-first-tank'];
    const sum = faultCodes
      .filter((fault) => !asked.includes(fault))
      .reduce((all, fault) => all + odds[fault], 0);
    expect(sum).toBeCloseTo(1, 12);
  });

  test('shifts a diagnosis by just those odds where no reading answers', () => {
    const usual = probabilityOf('precharge-lost', []) / probabilityOf('carbon-spent', []);
    const weights = weightsOf({ 'precharge-lost': 3 * usualOdds('precharge-lost') });
    const shifted =
      probabilityOf('precharge-lost', [], weights) / probabilityOf('carbon-spent', [], weights);
    expect(shifted / usual / 3).toBeGreaterThan(0.8);
    expect(shifted / usual / 3).toBeLessThan(1.25);
  });
});

describe('how a membrane went in the years before', () => {
  test('speaks for what comes little by little where it drifted, and against it where it held', () => {
    const relation = (course: Course) => {
      const found = chances({ trend: 'saltPassage', course });
      return found.get('membrane-oxidised')! / found.get('membrane-bypass')!;
    };
    expect(relation('gradual')).toBeGreaterThan(1.5);
    expect(relation('steady')).toBeLessThan(0.6);
    expect(relation('sudden')).toBeLessThan(1);
  });

  test('leaves what moves no membrane as it was among itself', () => {
    const found = chances({ trend: 'flow', course: 'gradual' });
    expect(found.get('meter-miscalibrated')).toBeCloseTo(found.get('healthy')!, 12);
  });

  test('moves the diagnosis, and less than a reading does', () => {
    const before = probabilityOf('membrane-old', []);
    const drifted: Hint[] = [{ trend: 'saltPassage', course: 'gradual' }];
    expect(probabilityOf('membrane-old', drifted)).toBeGreaterThan(before);
    expect(probabilityOf('membrane-absent', drifted)).toBeLessThan(0.01);
  });
});
