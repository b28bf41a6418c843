import { describe, expect, test } from '@jest/globals';
import { directSystem, tankSystem, withFault } from '../../test/testedSamples.ts';
import { directFlow } from '../../system/point/directFlow.ts';
import { fillTank } from '../../system/filling/fillTank.ts';
import { atmosphereBar } from '../../tank/bladderTank.ts';
import { possibleFaults } from './fault.ts';
import { type ReadingCode, readingCodes, readingExists } from './reading.ts';
import { simulationOf } from './simulate.ts';
import type { TestedSystem } from './testedSystem.ts';

const read = (as: ReturnType<typeof withFault>, code: ReadingCode) =>
  Number(simulationOf(as).read(code));
const shares = [0, 0.25, 0.5, 0.75, 1];

/** A reading over a fault's whole range. */
const over = (fault: Parameters<typeof withFault>[0], code: ReadingCode, system?: TestedSystem) =>
  shares.map((share) => read(withFault(fault, share, system), code));

const rises = (values: number[]) => values.every((value, i) => i === 0 || value >= values[i - 1]!);
const falls = (values: number[]) => rises(values.map((value) => -value));

describe('a sound system', () => {
  const sound = simulationOf(withFault('healthy'));

  test('runs as the operating point against its tap line says, which knows nothing of faults', () => {
    const plain = directFlow(tankSystem);
    if (!plain.ok) throw new Error(plain.failure.code);
    expect(sound.read('productFlowLPerH')).toBeCloseTo(plain.value.permeateFlowLPerH, 6);
    expect(sound.read('drainFlowLPerH')).toBeCloseTo(plain.value.concentrateFlowLPerH, 6);
    expect(sound.read('productTdsMgL')).toBeCloseTo(plain.value.permeateTdsMgL, 6);
  });

  test('fills its tank as the fill says', () => {
    const filled = fillTank({ ...tankSystem, tank: tankSystem.tank! });
    if (!filled.ok || !filled.value.shutsOff) throw new Error('the sample closes');
    expect(sound.read('fillTimeMin')).toBeCloseTo(filled.value.fillTimeMin, 2);
    expect(sound.read('tankPressureFullBar')).toBeCloseTo(filled.value.shutoffPressureBar, 6);
    const fromTank = simulationOf(withFault('healthy', 0, tankSystem, 'tap-after-tank'));
    expect(fromTank.read('productTdsMgL')).toBeCloseTo(filled.value.tankTdsMgL, 2);
  });
});

describe('what a fault does grows with it', () => {
  test.each<[Parameters<typeof withFault>[0], ReadingCode, 'rises' | 'falls']>([
    ['membrane-bypass', 'productTdsMgL', 'rises'],
    ['membrane-oxidised', 'productFlowLPerH', 'rises'],
    ['membrane-oxidised', 'productTdsMgL', 'rises'],
    ['membrane-scaled', 'productFlowLPerH', 'rises'],
    ['restrictor-missing', 'drainFlowLPerH', 'rises'],
    ['restrictor-missing', 'membranePressureBar', 'falls'],
    ['restrictor-blocked', 'productTdsMgL', 'falls'],
    ['drain-line-blocked', 'drainFlowLPerH', 'rises'],
    ['supply-valve-partly-open', 'dynamicPressureBar', 'rises'],
    ['prefilter-blocked', 'membranePressureBar', 'falls'],
    ['brine-seal-failed', 'productTdsMgL', 'rises'],
    ['precharge-lost', 'tankPressureEmptyPrechargeBar', 'rises'],
    ['precharge-high', 'deliveredVolumeL', 'falls'],
    ['bladder-torn', 'deliveredVolumeL', 'rises'],
    ['post-filter-blocked', 'tapFlowStartLPerMin', 'falls'],
    ['check-valve-leaking', 'tankPressureDropBar', 'rises'],
    ['sampled-after-standing', 'productTdsMgL', 'rises'],
  ])('%s: %s %s over its range', (fault, code, way) => {
    const values = over(fault, code);
    expect([values, way === 'rises' ? rises(values) : falls(values)]).toEqual([values, true]);
    expect(values[0]).not.toBeCloseTo(values.at(-1)!, 3);
  });
});

describe('what goes in comes out', () => {
  test.each(possibleFaults(tankSystem, 'membrane-outlet'))('water and salt with %s', (fault) => {
    for (const share of shares) {
      const as = withFault(fault, share);
      if (as.trouble.shutoffStuck === 'closed') continue;
      const at = simulationOf(as).running;
      const { feedFlowLPerH, permeateFlowLPerH, concentrateFlowLPerH } = at;
      expect(permeateFlowLPerH + concentrateFlowLPerH).toBeCloseTo(feedFlowLPerH, 6);
      const salt =
        permeateFlowLPerH * at.permeateTdsMgL + concentrateFlowLPerH * at.concentrateTdsMgL;
      expect(salt / (feedFlowLPerH * as.system.feed.tdsMgL)).toBeCloseTo(1, 6);
    }
  });
});

test('every fault at every severity gives every reading that the system has, in finite figures', () => {
  for (const system of [tankSystem, directSystem]) {
    const samples = ['membrane-outlet', ...(system.tank ? ['tap-after-tank'] : [])] as const;
    for (const samplePoint of samples as readonly ('membrane-outlet' | 'tap-after-tank')[]) {
      for (const fault of possibleFaults(system, samplePoint)) {
        for (const share of shares) {
          const simulation = simulationOf(withFault(fault, share, system, samplePoint));
          for (const code of readingCodes.filter((one) => readingExists(one, system))) {
            const seen = simulation.read(code);
            if (typeof seen === 'number') {
              // A pump may suck on a throttled feed, but never harder than the air pushes.
              expect([fault, code, seen]).toEqual([fault, code, expect.any(Number)]);
              expect(seen).toBeGreaterThan(-atmosphereBar);
              expect(seen).toBeLessThan(Infinity);
            }
          }
        }
      }
    }
  }
});

test('lines that are exchanged give the concentrate to the tap and the product to the drain', () => {
  const swapped = simulationOf(withFault('lines-swapped'));
  const sound = simulationOf(withFault('healthy'));
  expect(Number(swapped.read('productTdsMgL'))).toBeGreaterThan(tankSystem.feed.tdsMgL);
  expect(Number(swapped.read('drainFlowLPerH'))).toBeCloseTo(
    Number(sound.read('productFlowTubeOffLPerH')),
    0,
  );
});
