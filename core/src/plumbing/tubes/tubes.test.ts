import { describe, expect, test } from '@jest/globals';
import { branchTo, flows } from '../../test/plumbingSamples.ts';
import { assess } from '../../system/assess.ts';
import { newMembrane } from '../../system/design.ts';
import { directDesign, sampleWater, tankDesign } from '../../test/samples.ts';
import type { DrainWay } from '../places/drainWay.ts';
import { cutLength, serviceSlackM } from './cutLength.ts';
import { passesWall } from '../places/passesWall.ts';
import { remoteDrain } from './remoteDrain.ts';
import { remoteLines } from './remoteLines.ts';
import { tubeRuns } from './tubeRuns.ts';
import { practiceLimits } from '../../base/practice.ts';
import { tubeSchedule } from './tubeSchedule.ts';
import { boreMm, type TubeSize } from '../places/tubeSize.ts';

describe('tube runs', () => {
  test('of a tank unit go from the street to the tap without a gap', () => {
    expect(tubeRuns(tankDesign).map((run) => run.id)).toEqual([
      'feed-valve>prefilter-1',
      'prefilter-2>shutoff',
      'shutoff>membrane',
      'membrane>restrictor',
      'restrictor>drain',
      'membrane>shutoff',
      'shutoff>tank-tee',
      'tank-tee>tank',
      'tank-tee>post-filter',
      'post-filter>tap',
    ]);
  });

  test('of a tankless unit carry the wider feed and no tank', () => {
    const runs = tubeRuns(directDesign);
    expect(runs.map((run) => run.id)).toEqual([
      'feed-valve>prefilter-1',
      'restrictor>drain',
      'membrane>post-filter',
      'post-filter>tap',
    ]);
    expect(runs[0]!.size).toBe('3/8"');
  });

  test('a run is cut at its route, the insertion at both ends, and slack where the unit is pulled out', () => {
    const [feed, within] = tubeRuns(tankDesign);
    // A nut at the valve takes 12 mm, a collet 14.
    expect(cutLength(feed!)).toBeCloseTo(0.9 + 0.012 + 0.014 + serviceSlackM, 12);
    expect(cutLength(within!)).toBeCloseTo(0.2 + 2 * 0.014, 12);
    expect(cutLength(feed!, 2) - cutLength(feed!, 1)).toBeCloseTo(1, 12);
    expect([feed!.lockClips, within!.lockClips]).toEqual([1, 2]);
  });

  test('the product line takes the size that its bore says', () => {
    const wide = { ...tankDesign, line: { ...tankDesign.line, innerDiameterMm: boreMm['3/8"'] } };
    const last = tubeRuns(wide).at(-1)!;
    expect(last).toMatchObject({ to: 'tap', size: '3/8"', routeM: tankDesign.line.lengthM });
  });
});

test('the wider tube costs less pressure, and a run’s loss is the tube’s own', () => {
  const [feed] = tubeSchedule(tankDesign, { routes: {}, colours: {}, flows, temperatureC: 15 });
  expect(feed!.lossBar['3/8"']).toBeLessThan(feed!.lossBar['1/4"'] / 4);
  expect(feed).toMatchObject({ label: 1, known: 'usual', colour: null });
});

describe('sizes', () => {
  const scheduled = (
    change: Partial<Parameters<typeof tubeSchedule>[1]> = {},
    design = tankDesign,
  ) => tubeSchedule(design, { routes: {}, colours: {}, flows, temperatureC: 15, ...change });

  test('the narrowest tube that costs little is proposed, so a longer way or more flow widens it', () => {
    const feedOf = (routeM: number, feed: number) =>
      scheduled({ routes: { 'feed-valve>prefilter-1': routeM }, flows: { ...flows, feed } })[0]!;
    for (const tube of [feedOf(0.5, 30), feedOf(8, 30), feedOf(0.5, 300), feedOf(30, 90)]) {
      expect(tube.proposed).toBe(
        tube.lossBar['1/4"'] > practiceLimits.mostTubeLossBar ? '3/8"' : '1/4"',
      );
      expect(tube.size).toBe(tube.proposed);
    }
    expect(feedOf(0.5, 30).size).toBe('1/4"');
    expect(feedOf(30, 90).size).toBe('3/8"');
  });

  test('behind the membrane the size is the one that was simulated, until a person says otherwise', () => {
    const last = scheduled({ flows: { ...flows, product: 400 } }).at(-1)!;
    expect(last).toMatchObject({ size: '1/4"', proposed: '3/8"', sizeBy: 'system' });
    const own = scheduled({ sizes: { [last.id]: '3/8"' } }).at(-1)!;
    expect(own).toMatchObject({ size: '3/8"', sizeBy: 'person', boreMm: boreMm['3/8"'] });
  });

  test('a wide tube at a narrow port takes a reducer, and a narrow one at a wide tee', () => {
    const wide = { ...tankDesign, line: { ...tankDesign.line, innerDiameterMm: boreMm['3/8"'] } };
    const by = Object.fromEntries(scheduled({}, wide).map(({ id, reducers }) => [id, reducers]));
    expect(by).toMatchObject({
      'tank-tee>tank': 0,
      'shutoff>tank-tee': 1,
      'tank-tee>post-filter': 1,
      'post-filter>tap': 1,
      'feed-valve>prefilter-1': 0,
    });
    expect(scheduled({}, directDesign)[0]).toMatchObject({ size: '3/8"', reducers: 0 });
  });

  test('a fitting between tubes of two sizes is the wider, and the narrower reaches it by a reducer', () => {
    const joints = { regulator: true, leakStop: true, drain: 'saddle' as const };
    const reducersOf = (sizes: Record<string, TubeSize>) =>
      Object.fromEntries(scheduled({ joints, sizes }).map((tube) => [tube.id, tube.reducers]));
    expect(reducersOf({ 'regulator>leak-stop': '3/8"' })).toMatchObject({
      'feed-valve>regulator': 1,
      'regulator>leak-stop': 0,
      'leak-stop>prefilter-1': 1,
    });
    const branches = [branchTo('ice-maker')];
    const valve = { 'valve-ice-maker>ice-maker': '3/8"' as const };
    const design = { ...tankDesign, branches };
    const branch = scheduled({ sizes: valve }, design);
    expect(branch.find(({ id }) => id === 'tee-ice-maker>valve-ice-maker')?.reducers).toBe(1);
  });

  test('a feed is of one size from its valve to the unit: a long run widens those before and behind it', () => {
    const joints = { regulator: true, leakStop: true, drain: 'saddle' as const };
    const feed = scheduled({ joints, routes: { 'regulator>leak-stop': 12 } }).filter(
      (tube) => tube.function === 'feed',
    );
    expect(feed.map(({ size, sizeBy }) => [size, sizeBy])).toEqual([
      ['3/8"', 'proposal'],
      ['3/8"', 'proposal'],
      ['3/8"', 'proposal'],
    ]);
    // Into the unit's narrow port.
    expect(feed.map(({ reducers }) => reducers)).toEqual([0, 0, 1]);
  });

  test('a branch’s tubes carry what it draws, in the bore that its design has', () => {
    const branches = [{ ...branchTo('ice-maker'), innerDiameterMm: boreMm['3/8"'] }];
    const tubes = scheduled({}, { ...tankDesign, branches });
    const own = tubes.filter(({ to }) => to.endsWith('ice-maker') && !to.startsWith('tee-'));
    expect(own.map(({ size, flowLPerH }) => [size, flowLPerH])).toEqual([
      ['3/8"', 48],
      ['3/8"', 48],
    ]);
    expect(tubes.find(({ to }) => to === 'tee-ice-maker')?.flowLPerH).toBe(flows.product);
  });

  test('a wider tube of the same way is cut a little longer: it goes in deeper', () => {
    const [narrow] = scheduled();
    const [wide] = scheduled({ sizes: { [narrow!.id]: '3/8"' } });
    expect(wide!.cutM - narrow!.cutM).toBeCloseTo(0.003 + 0.004, 9);
  });
});

describe('a remote unit', () => {
  test('passes floor or wall with what comes from the street and what goes to counter and waste', () => {
    const joints = { regulator: true, leakStop: true, drain: 'saddle' as const };
    const passing = (drain: DrainWay) =>
      tubeRuns(tankDesign, { ...joints, drain })
        .filter((run) => passesWall(run, drain))
        .map(({ id }) => id);
    expect(passing('saddle')).toEqual([
      'regulator>leak-stop',
      'restrictor>drain',
      'post-filter>tap',
    ]);
    expect(passing('standpipe')).toEqual(['regulator>leak-stop', 'post-filter>tap']);
  });

  test('slows the tap with length and rise, less so in the wider tube, and water stands in its line', () => {
    const at = (lengthM: number, riseM: number) => {
      const lines = remoteLines(tankDesign, sampleWater, newMembrane, { lengthM, riseM });
      if (!lines.ok) throw new Error(lines.failure.code);
      return lines.value;
    };
    const [near, far, high] = [at(1.5, 0.8), at(9, 0.8), at(9, 4)];
    near.forEach(({ secondsPerGlass }, i) => {
      expect(far[i]!.secondsPerGlass).toBeGreaterThan(secondsPerGlass);
      expect(high[i]!.secondsPerGlass).toBeGreaterThan(far[i]!.secondsPerGlass);
      expect(high[i]!.usableVolumeL).toBeLessThanOrEqual(far[i]!.usableVolumeL);
    });
    const [narrow, wide] = far;
    expect(wide!.secondsPerGlass).toBeLessThan(narrow!.secondsPerGlass);
    // 9 m of 4.3 mm hold 0.131 L.
    expect(narrow!.standingL).toBeCloseTo(0.1307, 4);
    expect(wide!.standingL / narrow!.standingL).toBeCloseTo((6.35 / 4.3) ** 2, 9);
    // The line that the design has already changes nothing.
    const own = assess(tankDesign, sampleWater);
    expect(own.ok && own.value.secondsPerGlass).toBeCloseTo(near[0]!.secondsPerGlass, 9);
  });

  test('pushes back on the restrictor when its drain climbs to the sink: less goes to drain, the product is saltier', () => {
    const climb = (riseM: number, lengthM = 6) => {
      const made = remoteDrain(tankDesign, sampleWater, newMembrane, { lengthM, riseM });
      if (!made.ok) throw new Error(made.failure.code);
      return made.value;
    };
    const plain = assess(tankDesign, sampleWater);
    if (!plain.ok) throw new Error(plain.failure.code);
    const [short, cellar, deep] = [climb(0, 0), climb(3), climb(9)];
    expect(short.drainLPerProductL).toBeCloseTo(plain.value.drainLPerProductL, 9);
    // Three metres of water are 0.294 bar.
    expect(cellar.backBar - climb(0).backBar).toBeCloseTo(0.294, 2);
    expect(cellar.drainLPerProductL).toBeLessThan(short.drainLPerProductL);
    expect(deep.drainLPerProductL).toBeLessThan(cellar.drainLPerProductL);
    expect(deep.productTdsMgL).toBeGreaterThan(cellar.productTdsMgL);
    expect(cellar.productTdsMgL).toBeGreaterThan(plain.value.productTdsMgL);
    // As an orifice does: the flow falls with the root of the pressure across it.
    const { membranePressureBar } = plain.value.running;
    const ratio = cellar.drainLPerProductL / short.drainLPerProductL;
    const orifice = Math.sqrt(1 - cellar.backBar / membranePressureBar);
    expect(Math.abs(ratio - orifice)).toBeLessThan(0.03);
    // A unit above the sink drains down: nothing pushes back but the tube.
    expect(climb(-3).backBar).toBeCloseTo(climb(0).backBar, 9);
  });
});
