import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../../household/household.ts';
import { faultKind, possibleFaults } from '../diagnosis/fault.ts';
import { tankSystem } from '../../test/testedSamples.ts';
import { readingCodes } from '../diagnosis/reading.ts';
import { channelKinds, channelOf, channelsOf, meterKinds, meterChannels } from './channel.ts';
import { type Practice, practisedSystem } from './practice.ts';
import { StandInSignal } from './standInSignal.ts';
import { type MeterSample, steadyValue } from './steady.ts';

const stepMs = 400;

/** What a device shows of a truth, from being put to it on. */
function shown(signal: StandInSignal, truth: number | null, seconds: number, fromMs = 0) {
  const samples: MeterSample[] = [];
  for (let atMs = fromMs; atMs <= fromMs + seconds * 1000; atMs += stepMs) {
    samples.push(signal.next(truth, atMs, stepMs / 1000));
  }
  return samples;
}

describe('a simulated device', () => {
  test('follows with a lag and settles within its uncertainty of the truth, over many devices as widely as it says', () => {
    const errors: number[] = [];
    for (let seed = 1; seed <= 400; seed += 1) {
      const samples = shown(new StandInSignal('tds', seededRandom(seed)), 400, 12);
      expect(steadyValue('tds', samples.slice(0, 6))).toBeNull();
      errors.push(steadyValue('tds', samples)! - 400);
    }
    const mean = errors.reduce((sum, error) => sum + error, 0) / errors.length;
    const sd = Math.sqrt(errors.reduce((sum, error) => sum + error ** 2, 0) / errors.length);
    expect(Math.abs(mean)).toBeLessThan(1.3);
    // 2 % of 400 and half a digit.
    expect(sd).toBeGreaterThan(7);
    expect(sd).toBeLessThan(9);
  });

  test('that moves to another cup is unsettled until it stands still there', () => {
    const signal = new StandInSignal('tds', seededRandom(3));
    const feed = shown(signal, 400, 12);
    expect(steadyValue('tds', feed)).toBeGreaterThan(350);
    const moving = shown(signal, 20, 1.2, 12_400);
    expect(steadyValue('tds', [...feed, ...moving])).toBeNull();
    const there = shown(signal, 20, 12, 14_000);
    expect(steadyValue('tds', [...feed, ...moving, ...there])).toBeLessThan(25);
  });

  test('says what lies beyond it and never settles there; so it does in an empty cup', () => {
    const gauge = shown(new StandInSignal('pressure', seededRandom(5)), 14, 8);
    expect(gauge.at(-1)).toMatchObject({ value: 10, beyond: 'high' });
    expect(steadyValue('pressure', gauge)).toBeNull();
    const dry = shown(new StandInSignal('flow', seededRandom(6)), null, 8);
    expect(dry.at(-1)).toMatchObject({ beyond: 'low' });
    expect(steadyValue('flow', dry)).toBeNull();
  });
});

test('every channel belongs to a device, and what a channel shows is read by it', () => {
  expect(meterKinds.flatMap(channelsOf)).toEqual([...meterChannels]);
  const shownBy = readingCodes.filter((code) => channelOf(code));
  expect(shownBy).toContain('tankPressureEmptyPrechargeBar');
  expect(shownBy).not.toContain('deliveredVolumeL');
  for (const channel of meterChannels) {
    expect(shownBy.some((code) => channelOf(code) === channel)).toBe(true);
    expect(channelKinds[channel].range.max).toBeGreaterThan(channelKinds[channel].range.min);
  }
});

describe('a system for practice', () => {
  const practised = (practice: Practice, mended: Parameters<typeof practisedSystem>[3] = []) => {
    const outcome = practisedSystem(tankSystem, 'membrane-outlet', practice, mended);
    if (!outcome.ok) throw new Error(outcome.failure.code);
    return outcome.value;
  };

  test('is the same for the same number, and has what it was told to have', () => {
    const one = practised({ seed: 8, fault: 'drain-line-blocked' });
    expect(practised({ seed: 8, fault: 'drain-line-blocked' })).toEqual(one);
    expect(one.fault).toBe('drain-line-blocked');
    const { drainFlowLPerH: drain, drainFlowTubeOffLPerH: off } = one.readings;
    expect(Number(drain)).toBeLessThan(0.7 * Number(off));
  });

  test('is the same system, sound, once its own fault is mended, and stays as it is where another was', () => {
    const ill = practised({ seed: 8, fault: 'membrane-absent' });
    expect(practised({ seed: 8, fault: 'membrane-absent' }, ['pump-off'])).toEqual(ill);
    const { fault, readings } = practised({ seed: 8, fault: 'membrane-absent' }, [
      'membrane-absent',
    ]);
    expect(fault).toBe('healthy');
    expect(readings).toEqual(practised({ seed: 8, fault: 'healthy' }).readings);
    expect(Number(readings.productTdsMgL)).toBeLessThan(0.3 * Number(ill.readings.productTdsMgL));
  });

  test('left to chance is ill as often as systems are', () => {
    const drawn = Array.from(
      { length: 300 },
      (_, seed) => practised({ seed, fault: 'unknown' }).fault,
    );
    const sound = drawn.filter((fault) => fault === 'healthy').length / drawn.length;
    const weights = possibleFaults(tankSystem, 'membrane-outlet').map((f) => faultKind(f).weight);
    const expected = 0.3 / weights.reduce((sum, weight) => sum + weight, 0);
    expect(Math.abs(sound - expected)).toBeLessThan(0.08);
    expect(new Set(drawn).size).toBeGreaterThan(15);
  });
});
