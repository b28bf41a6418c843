import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../household/household.ts';
import { elementPermeance } from '../../membrane/elementPermeance.ts';
import { directSystem, perfectReadings, tankSystem, withFault } from '../../test/testedSamples.ts';
import { diagnose, type Examination, explainsNothing } from './diagnose.ts';
import { drawsOf } from './draw.ts';
import { type ExpectedBand, expectedOf } from './expected.ts';
import { type FaultCode, faultKind, possibleFaults } from './fault.ts';
import { fitCause, groundOf } from './fit.ts';
import { causesOf, Problem } from './problem.ts';
import type { ReadingCode, TestReadings } from './reading.ts';
import { asSurveyed } from './scenario.ts';
import { spreadBy } from './spread.ts';
import { normalDeviate, takeReadings } from './takeReadings.ts';
import type { TestedSystem } from './testedSystem.ts';
import { usualTestInstruments } from './uncertainty.ts';

const basic: ReadingCode[] = ['feedTdsMgL', 'productTdsMgL', 'temperatureC', 'supplyPressureBar'];
const flows: ReadingCode[] = [...basic, 'productFlowLPerH', 'drainFlowLPerH'];

function diagnosed(examination: Examination) {
  const outcome = diagnose(examination);
  if (!outcome.ok) throw new Error(outcome.failure.code);
  const { causes, next } = outcome.value;
  const of = (fault: FaultCode) => causes.find((one) => one.fault === fault)!.probability;
  return { causes, next, of };
}

const after = (fault: FaultCode, codes?: readonly ReadingCode[], share = 0.5) =>
  diagnosed({
    system: tankSystem,
    given: perfectReadings(withFault(fault, share), codes),
  });

describe('what is behind readings', () => {
  const usual = after('healthy', flows);

  test('is every fault that the system can have, once, the likeliest first, one in all', () => {
    const faults = usual.causes.map(({ fault }) => fault);
    expect([...faults].sort()).toEqual([...possibleFaults(tankSystem, 'membrane-outlet')].sort());
    expect(usual.causes.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9);
    usual.causes.slice(1).forEach(({ probability }, i) => {
      expect(probability).toBeLessThanOrEqual(usual.causes[i]!.probability);
    });
  });

  test('names what the readings at hand could not show, and nothing that another severity of would', () => {
    const of = (...codes: ReadingCode[]) => {
      const given = perfectReadings(withFault('healthy', 0.5), [...flows, ...codes]);
      const outcome = diagnose({ system: tankSystem, given });
      if (!outcome.ok) throw new Error(outcome.failure.code);
      return outcome.value.untold;
    };
    const tankAndCarbon: FaultCode[] = [
      'carbon-spent',
      'check-valve-leaking',
      'shutoff-stuck-open',
      'precharge-lost',
      'precharge-high',
      'bladder-torn',
      'tank-valve-closed',
    ];
    expect([...of()].sort()).toEqual([...tankAndCarbon].sort());
    expect(of('drainStopsWhenFull', 'chlorineAfterCarbonMgL', 'deliveredVolumeL')).toEqual([]);
  });

  // What no reading at hand answers to keeps the odds that it had before.
  test.each<[FaultCode, FaultCode]>([
    ['carbon-spent', 'healthy'],
    ['precharge-lost', 'healthy'],
    ['tank-valve-closed', 'healthy'],
    ['check-valve-leaking', 'shutoff-stuck-open'],
    ['restrictor-blocked', 'drain-line-blocked'],
  ])('%s stands to %s as it did before, where nothing at hand tells them apart', (one, other) => {
    const odds = faultKind(one).weight / faultKind(other).weight;
    // Draws estimate each evidence by itself, to about a tenth.
    expect(Math.abs(Math.log(usual.of(one) / usual.of(other) / odds))).toBeLessThan(0.15);
  });

  test.each<FaultCode>([
    'prefilter-blocked',
    'carbon-spent',
    'membrane-absent',
    'membrane-bypass',
    'membrane-oxidised',
    'membrane-scaled',
    'restrictor-missing',
    'restrictor-blocked',
    'check-valve-leaking',
    'shutoff-stuck-closed',
    'supply-pressure-low',
    'precharge-lost',
    'precharge-high',
    'bladder-torn',
    'post-filter-blocked',
    'lines-swapped',
    'sampled-after-standing',
    'feed-water-changed',
    'meter-miscalibrated',
    'tank-valve-closed',
    'drain-line-blocked',
  ])('%s is found by all readings', (fault) => {
    expect(after(fault).causes[0]!.fault).toBe(fault);
  });

  test('a firm’s own knowledge of what is common counts', () => {
    const given = perfectReadings(withFault('healthy'), basic);
    const rare = diagnosed({ system: tankSystem, given });
    const common = diagnosed({
      system: tankSystem,
      given,
      weights: { 'precharge-lost': 10 * faultKind('precharge-lost').weight },
    });
    const odds = (one: typeof rare) => one.of('precharge-lost') / one.of('healthy');
    expect(odds(common) / odds(rare)).toBeCloseTo(10, 4);
  });

  test('a better meter makes surer', () => {
    const given = perfectReadings(withFault('membrane-bypass', 0.3), flows);
    const with_ = (tdsMeterPercent: number) =>
      diagnosed({ system: tankSystem, given, instruments: { tdsMeterPercent } }).of('healthy');
    expect(with_(1)).toBeLessThan(with_(30));
  });

  test('no water at the tap is a reading too', () => {
    const given = perfectReadings(withFault('shutoff-stuck-closed'), [
      ...flows,
      'dynamicPressureBar',
    ]);
    expect(given.find(({ code }) => code === 'productTdsMgL')!.seen).toBeNull();
    expect(diagnosed({ system: tankSystem, given }).causes[0]!.fault).toBe('shutoff-stuck-closed');
  });

  test('on a system without a tank there are no faults of a tank', () => {
    const { causes } = diagnosed({
      system: directSystem,
      given: perfectReadings(withFault('pump-off', 0.5, directSystem), [...flows, 'pumpRunning']),
    });
    expect(causes[0]!.fault).toBe('pump-off');
    expect(causes.map(({ fault }) => fault)).not.toContain('precharge-lost');
  });
});

test('a cause that begins far off is heard out where no other explains anything', () => {
  // Simulated: so much air in a large tank that it takes hardly any water, far from where its fit begins.
  const system: TestedSystem = {
    feed: {
      tdsMgL: 897.02,
      temperatureC: 23.739,
      pressureBar: 4.3036,
      alkalinityMgL: 453.15,
      calciumMgL: 352.03,
      pH: 7.3079,
      chlorineMgL: 0.91298,
    },
    membrane: {
      ratedFlowLPerDay: 189,
      ratedPressureBar: 4.14,
      ratedTdsMgL: 250,
      ratedRecovery: 0.15,
      ratedRejection: 0.97,
      flowFactor: 0.97269,
      saltPassageFactor: 1.2894,
    },
    restrictor: { flowMlMin: 420, atPressureBar: 4.14 },
    prefilters: { dropBar: 0.39801, atFlowLPerH: 60 },
    tank: { volumeL: 40, prechargeBar: 0.48 },
    shutoff: { kind: 'hydraulic', ratio: 0.6 },
    tapLine: {
      tubes: [{ innerDiameterMm: 4.3, lengthM: 3.5321 }],
      tapKv: 0.2162,
      riseM: 0.5,
      postFilter: { dropBar: 0.35, atFlowLPerH: 120 },
    },
    gaugePort: false,
  };
  const readings: TestReadings = {
    feedTdsMgL: 874,
    productTdsMgL: 72,
    temperatureC: 26.3,
    supplyPressureBar: 3.99,
    dynamicPressureBar: 3.85,
    productFlowLPerH: 7.86,
    drainFlowLPerH: 23.51,
    tankPressureFullBar: 2.36,
    tankPressureEmptyPrechargeBar: 2.18,
    deliveredVolumeL: 1.48,
    tapFlowStartLPerMin: 2.63,
    tapFlowAfter2LLPerMin: 0.01,
    drainStopsAfterTankClosed: true,
    drainStopsWhenFull: true,
    chlorineAfterCarbonMgL: 0,
    productHardnessMgL: 25,
    productPh: 6.13,
    fillTimeMin: 46.5,
    productTdsRepeatMgL: 72,
    drainFlowTubeOffLPerH: 23.88,
    productFlowTubeOffLPerH: 8.24,
    meterCheckMgL: 343,
    tankPressureDropBar: 0.07,
    waterAtAirValve: false,
  };
  const given = Object.entries(readings).map(([code, seen]) => ({
    code: code as ReadingCode,
    seen,
  }));
  const { causes } = diagnosed({ system, samplePoint: 'membrane-outlet', given });
  expect(causes[0]!.fault).toBe('precharge-high');
});

describe('none of these', () => {
  const misfit = (given: Examination['given']) => {
    const outcome = diagnose({ system: tankSystem, given });
    if (!outcome.ok) throw new Error(outcome.failure.code);
    return Math.min(...outcome.value.stories.map((story) => story.misfit));
  };

  test('is said where no single cause explains what was read, and never of one that does', () => {
    const one = perfectReadings(withFault('restrictor-missing'));
    expect(misfit(one)).toBeLessThan(explainsNothing);
    // A restrictor that is missing, and a tank with far too much air.
    const other = perfectReadings(withFault('precharge-high', 0.9));
    const tank = new Set<ReadingCode>([
      'tankPressureEmptyPrechargeBar',
      'deliveredVolumeL',
      'tapFlowAfter2LLPerMin',
    ]);
    const both = one.map((given) =>
      tank.has(given.code) ? other.find(({ code }) => code === given.code)! : given,
    );
    expect(misfit(both)).toBeGreaterThan(explainsNothing);
  });
});

describe('the evidence of a cause', () => {
  // Plain Monte Carlo over the prior knows nothing of fits, slopes and draws.
  test.each<FaultCode>(['healthy', 'membrane-scaled', 'prefilter-blocked'])(
    '%s is what sampling all that may be gives',
    (fault) => {
      const permeance = elementPermeance(tankSystem.membrane);
      if (!permeance.ok) throw new Error(permeance.failure.code);
      const given = perfectReadings(withFault('membrane-scaled', 0.6), basic);
      const problem = new Problem(
        asSurveyed(tankSystem),
        permeance.value,
        given,
        usualTestInstruments,
      );
      const [cause] = causesOf(fault);
      const ground = groundOf(problem, causesOf('healthy')[0]!);
      const fit = fitCause(problem, cause!, ground, -Infinity);
      const { logEvidence } = drawsOf(problem, fit, 200, problem.codes);
      const random = seededRandom(5);
      const count = 6000;
      let sum = 0;
      for (let i = 0; i < count; i += 1) {
        const z = Float64Array.from(problem.spreads, () => normalDeviate(random));
        const predicted = problem.predict(cause!, { z, u: random() });
        sum += Math.exp(problem.logLikelihood(predicted) - logEvidence);
      }
      expect(sum / count).toBeGreaterThan(0.7);
      expect(sum / count).toBeLessThan(1.4);
    },
  );
});

describe('what to read next', () => {
  test('is the meter itself where either it or the feed has changed', () => {
    const { next, causes } = after('meter-miscalibrated', flows, 0.9);
    expect(
      causes
        .slice(0, 2)
        .map(({ fault }) => fault)
        .sort(),
    ).toEqual(['feed-water-changed', 'meter-miscalibrated']);
    expect(next!.reading).toBe('meterCheckMgL');
    expect(next!.expectedInformationBits).toBeGreaterThan(0.4);
  });

  test('is nothing where everything is read', () => {
    expect(after('restrictor-missing').next).toBeNull();
  });
});

describe('what a sound system shows', () => {
  test('holds nine in ten sound systems of its build, each reading by itself', () => {
    const random = seededRandom(11);
    const codes: ReadingCode[] = [
      'productTdsMgL',
      'productFlowLPerH',
      'drainFlowLPerH',
      'deliveredVolumeL',
    ];
    const inside = new Map<ReadingCode, number>(codes.map((code) => [code, 0]));
    const houses = 60;
    const looks = new Map<string, [all: number, alike: number]>();
    for (let i = 0; i < houses; i += 1) {
      // The water is as surveyed; elements, parts and instruments differ.
      const by = Object.fromEntries(
        (['elementFlow', 'elementPassage', 'restrictor', 'precharge', 'closing'] as const).map(
          (of) => [of, normalDeviate(random)],
        ),
      );
      const readings = takeReadings(
        spreadBy(asSurveyed(tankSystem), by),
        usualTestInstruments,
        random,
      );
      const given = basic.map((code) => ({ code, seen: readings[code]! }));
      const expected = expectedOf({ system: tankSystem, given });
      if (!expected.ok) throw new Error(expected.failure.code);
      for (const [code, sound] of Object.entries(expected.value)) {
        if (typeof sound !== 'boolean') continue;
        const [all, alike] = looks.get(code) ?? [0, 0];
        looks.set(code, [all + 1, alike + Number(readings[code as ReadingCode] === sound)]);
      }
      for (const code of codes) {
        const { low, high } = expected.value[code] as ExpectedBand;
        const seen = Number(readings[code]);
        if (seen >= low && seen <= high) inside.set(code, inside.get(code)! + 1);
      }
    }
    // Of what is only seen it says what most of these houses show; somebody may look wrong.
    expect(looks.size).toBeGreaterThan(0);
    for (const [code, [all, alike]] of looks)
      expect([code, alike / all >= 0.8]).toEqual([code, true]);
    for (const [code, count] of inside) expect([code, count / houses >= 0.8]).toEqual([code, true]);
  });
});
