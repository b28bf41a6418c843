import { describe, expect, test } from '@jest/globals';
import { directDesign, samplePart, sampleParts, tankDesign } from '../test/samples.ts';
import { partsList, type PlumbingChoices } from './partsList.ts';
import { boreMm, cutLength, serviceSlackM, tubeRuns } from './tubeRuns.ts';

const plain: PlumbingChoices = { regulator: false, leakStop: false, routes: {} };

describe('tube runs', () => {
  test('of a tank unit go from the street to the tap without a gap', () => {
    expect(tubeRuns(tankDesign).map((run) => run.id)).toEqual([
      'feed-valve>prefilter-1',
      'prefilter-2>shutoff',
      'shutoff>membrane',
      'membrane>drain',
      'membrane>shutoff',
      'shutoff>tank',
      'shutoff>post-filter',
      'post-filter>tap',
    ]);
  });

  test('of a tankless unit carry the wider feed and no tank', () => {
    const runs = tubeRuns(directDesign);
    expect(runs.map((run) => run.id)).toEqual([
      'feed-valve>prefilter-1',
      'membrane>drain',
      'membrane>post-filter',
      'post-filter>tap',
    ]);
    expect(runs[0]!.size).toBe('3/8"');
  });

  test('every component of a full system is reached once by water that came from the street', () => {
    const full = {
      ...tankDesign,
      pump: samplePart('pump'),
      shutoff: null,
      lamp: samplePart('lamp'),
      mineral: { part: samplePart('mineral'), place: 'before-tank' as const },
    };
    const runs = tubeRuns(full);
    const reached = new Set(['feed-valve', 'prefilter-2']);
    for (const run of runs) {
      // The first housing stands for the row of them, which is piped by the maker.
      expect(reached).toContain(run.from);
      reached.add(run.to);
    }
    for (const id of [
      'pump',
      'membrane',
      'drain',
      'mineral',
      'tank',
      'post-filter',
      'lamp',
      'tap',
    ]) {
      expect(reached).toContain(id);
    }
    expect(new Set(runs.map((run) => run.id)).size).toBe(runs.length);
  });

  test('a run is cut at its route, the insertion at both ends, and slack where the unit is pulled out', () => {
    const [feed, within] = tubeRuns(tankDesign);
    expect(cutLength(feed!)).toBeCloseTo(0.9 + 2 * 0.014 + serviceSlackM, 12);
    expect(cutLength(within!)).toBeCloseTo(0.12 + 2 * 0.014, 12);
    expect(cutLength(feed!, 2) - cutLength(feed!, 1)).toBeCloseTo(1, 12);
    expect(feed!.lockClips).toBe(2);
  });

  test('the product line takes the size that its bore says', () => {
    const wide = { ...tankDesign, line: { ...tankDesign.line, innerDiameterMm: boreMm['3/8"'] } };
    const last = tubeRuns(wide).at(-1)!;
    expect(last).toMatchObject({ to: 'tap', size: '3/8"', routeM: tankDesign.line.lengthM });
  });
});

describe('parts list', () => {
  const lineOf = (id: string, choices = plain, design = tankDesign) =>
    partsList(design, sampleParts, choices).find((line) => line.id === id);

  test('holds each part once, with its price', () => {
    expect(lineOf('m-mid')).toMatchObject({ quantity: 1, price: 50 });
    const twoBlocks = {
      ...tankDesign,
      prefilters: [...tankDesign.prefilters, tankDesign.prefilters[1]!],
    };
    expect(lineOf('cb', plain, twoBlocks)).toMatchObject({ quantity: 2, price: 18 });
    expect(lineOf('t-12')).toBeDefined();
    expect(lineOf('t-12', plain, directDesign)).toBeUndefined();
  });

  test('adds regulator and leak stop only where they were chosen', () => {
    expect(lineOf('f-reg')).toBeUndefined();
    expect(lineOf('f-reg', { ...plain, regulator: true })).toMatchObject({ price: 28 });
    expect(lineOf('f-leak', { ...plain, leakStop: true })).toMatchObject({ price: 25 });
  });

  test('asks for as much tube as is cut, rounded up to a tenth of a metre, and follows a measured route', () => {
    const cut = tubeRuns(tankDesign).reduce((sum, run) => sum + cutLength(run), 0);
    const tube = lineOf('f-14')!;
    expect(tube.quantity).toBeGreaterThanOrEqual(cut - 1e-9);
    expect(tube.quantity).toBeLessThan(cut + 0.1);
    const longer = lineOf('f-14', { ...plain, routes: { 'feed-valve>prefilter-1': 1.9 } })!;
    expect(longer.quantity - tube.quantity).toBeCloseTo(1, 9);
  });

  test('says that a price is not known where the catalogue lacks the part', () => {
    const bare = sampleParts.filter((part) => part.id !== 'f-drain');
    const line = partsList(tankDesign, bare, plain).find((l) => l.id === 'drain-saddle');
    expect(line).toMatchObject({ quantity: 1, price: null });
  });
});
