import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { addedLamp, archetypes, flows } from '../../test/plumbingSamples.ts';
import { directDesign, samplePart, tankDesign } from '../../test/samples.ts';
import { type InstalledSystem, isAddedLamp } from '../../system/ultravioletLine.ts';
import { bodiesOf } from '../cabinet/bodies.ts';
import { placeBodies, type Placed } from '../cabinet/placing.ts';
import { routesByPosition } from './routesByPosition.ts';
import { tubeRuns } from './tubeRuns.ts';
import { tubeSchedule } from './tubeSchedule.ts';

const cabinet = { width: 1.2, height: 0.8, depth: 0.6 };
const trap = { id: 'trap', x: 0.5, y: 0.4, z: 0.05, width: 0.2, height: 0.4, depth: 0.2 };

const box = (
  id: string,
  [x, y, z]: [number, number, number],
  [width, height, depth]: [number, number, number],
  lies = false,
): Placed => ({ id, x, y, z, width, height, depth, lies });

const standing = (placed: Placed[], obstacles = [trap]) => ({ cabinet, placed, obstacles });
const routes = (system: InstalledSystem, placed: Placed[], obstacles = [trap]) =>
  routesByPosition(system, tubeRuns(system), standing(placed, obstacles));

/** As it is cut: along edges, a tenth more, up to a centimetre. */
const along = (...edges: number[]) =>
  Math.ceil(edges.reduce((sum, edge) => sum + edge, 0) * 110 - 1e-6) / 100;

const unit = box('unit', [0.8, 0.3, 0], [0.39, 0.43, 0.15]);
const tank = box('tank', [0, 0, 0.1], [0.28, 0.38, 0.28]);

describe('routes from port to port', () => {
  test('are those that a tape measures', () => {
    const found = routes(tankDesign, [unit, tank]);
    // Valve: 0.3 of 1.2 wide, half of 0.8 high. Head of the first housing: on the left, 4 cm below its top.
    expect(found['feed-valve>prefilter-1']).toBe(along(0.8 - 0.36, 0.6 - 0.4, 0.075));
    // Drain's fitting at the left end of the element; the saddle in the middle of the trap.
    expect(found['restrictor>drain']).toBe(along(0.8 - 0.6, 0.685 - 0.6, 0.15 - 0.075));
    // From there to the nipple on top of the tank.
    expect(found['tank-tee>tank']).toBe(along(0.8 - 0.14, 0.685 - 0.38, 0.24 - 0.075));
    // Into the valve on the unit and back to the cap on its right.
    expect(found['shutoff>membrane']).toBe(along(0.195, 0.73 - 0.685));
    expect(found['tank-tee>post-filter']).toBe(0.12);
    expect(Object.keys(found)).not.toContain('post-filter>tap');
  });

  test('begin at the stop valve where one was measured, and end at the usual waste where no trap was', () => {
    const valve = { id: 'stop-valve', x: 0.55, y: 0.5, z: 0, width: 0.1, height: 0.1, depth: 0.1 };
    const found = routes(tankDesign, [unit, tank], [valve]);
    expect(found['feed-valve>prefilter-1']).toBe(along(0.8 - 0.6, 0.6 - 0.55, 0.075 - 0.05));
    expect(found['restrictor>drain']).toBe(along(0.8 - 0.6, 0.685 - 0.48, 0.15 - 0.075));
  });

  test('reach a tank that lies at the end that is nearer to the unit', () => {
    const lying = (x: number) =>
      routes(tankDesign, [unit, box('tank', [x, 0, 0], [0.38, 0.28, 0.28], true)]);
    expect(lying(0.2)['tank-tee>tank']).toBe(along(0.8 - 0.58, 0.685 - 0.14, 0.14 - 0.075));
    const far = routes(tankDesign, [
      box('unit', [0, 0.3, 0], [0.39, 0.43, 0.15]),
      box('tank', [0.6, 0, 0], [0.38, 0.28, 0.28], true),
    ]);
    expect(far['tank-tee>tank']).toBe(along(0.6, 0.685 - 0.14, 0.14 - 0.075));
    const inwards = box('tank', [0, 0, 0.1], [0.28, 0.28, 0.38], true);
    expect(routes(tankDesign, [unit, { ...inwards, turned: true }])['tank-tee>tank']).toBe(
      along(0.8 - 0.14, 0.685 - 0.14, 0.48 - 0.075),
    );
  });

  test('of a unit on a side wall begin at its own left, which is towards the door on the left wall', () => {
    const hung = (x: number) => ({
      ...box('unit', [x, 0.3, 0.05], [0.15, 0.43, 0.39]),
      turned: true,
    });
    const feed = (x: number) => routes(tankDesign, [hung(x), tank])['feed-valve>prefilter-1'];
    expect(feed(0)).toBe(along(0.36 - 0.075, 0.6 - 0.4, 0.44));
    expect(feed(1.05)).toBe(along(1.125 - 0.36, 0.6 - 0.4, 0.05));
  });

  test('enter a reactor from below and leave it above', () => {
    const lamp = box('lamp', [0.7, 0.3, 0], [0.07, 0.34, 0.07]);
    const design = { ...tankDesign, lamp: samplePart('lamp') };
    const line: InstalledSystem = {
      kind: 'ultraviolet-line',
      prefilters: tankDesign.prefilters,
      lamp: design.lamp,
      tap: design.tap,
      line: design.line,
    };
    const into = (system: InstalledSystem, id: string) => routes(system, [unit, lamp])[id];
    expect(into(line, 'prefilter-2>lamp')).toBe(along(1.19 - 0.735, 0.6 - 0.3, 0.075 - 0.035));
    expect(into(design, 'post-filter>lamp')).toBe(along(1.19 - 0.735, 0.73 - 0.3, 0.075 - 0.035));
    expect(into(addedLamp, 'unit-union>lamp')).toBeUndefined();
  });

  test('leave a unit that its maker piped at its back', () => {
    const found = routes(directDesign, [box('unit', [0.8, 0, 0.02], [0.16, 0.42, 0.43])]);
    expect(found['feed-valve>prefilter-1']).toBe(along(0.84 - 0.36, 0.4 - 0.378, 0.02));
    expect(found['restrictor>drain']).toBe(along(0.88 - 0.6, 0.6 - 0.378, 0.15 - 0.02));
  });

  test('of a bank in series join each element to the next at the same end, in parallel across it', () => {
    const bank = (arrangement: 'series' | 'parallel') =>
      routes({ ...tankDesign, elements: 2, arrangement }, [unit, tank]);
    expect(bank('series')['membrane>membrane-2']).toBe(0.12);
    expect(bank('parallel')['feed-tee>membrane-2']).toBe(0.12);
    expect(bank('parallel')['membrane-2>brine-tee']).toBe(0.12);
  });
});

describe.each(archetypes.filter(([, system]) => !isAddedLamp(system)))(
  'in a cabinet, %s',
  (_name, system) => {
    const { placed } = placeBodies(bodiesOf(system, true), cabinet, [trap]);
    const runs = tubeRuns(system);
    const found = routesByPosition(system, runs, standing(placed));

    test('has a length for every tube that stays in it', () => {
      const leaves =
        /tap|dispenser|refrigerator|ice-maker|machine|air-gap|tee-(ref|ice|sec|mach)|valve-/;
      const inside = runs.filter(
        ({ from, to }) => !leaves.test(from.replace('feed-valve', '')) && !leaves.test(to),
      );
      expect(Object.keys(found).sort()).toEqual(inside.map(({ id }) => id).sort());
      for (const length of Object.values(found)) {
        expect(length).toBeGreaterThanOrEqual(0.12);
        expect(length).toBeLessThan((cabinet.width + cabinet.height + cabinet.depth) * 1.1);
      }
    });

    test('keeps them when all of it is moved together', () => {
      fc.assert(
        fc.property(fc.double({ min: -0.3, max: 0.3, noNaN: true }), (by) => {
          const valve = {
            id: 'stop-valve',
            x: 0,
            y: 0.3,
            z: 0,
            width: 0.1,
            height: 0.1,
            depth: 0.1,
          };
          const at = (moved: number) => {
            const shift = <B extends { x: number }>(one: B): B => ({ ...one, x: one.x + moved });
            return routesByPosition(
              system,
              runs,
              standing(placed.map(shift), [trap, valve].map(shift)),
            );
          };
          const [here, there] = [at(0), at(by)];
          for (const [id, length] of Object.entries(here))
            expect(Math.abs(there[id]! - length)).toBeLessThan(0.0101);
        }),
        { numRuns: 20 },
      );
    });
  },
);

test('a measured route comes before one by position, and that before the usual', () => {
  const schedule = tubeSchedule(tankDesign, {
    routes: { 'restrictor>drain': 0.7 },
    positions: routes(tankDesign, [unit, tank]),
    colours: {},
    flows,
    temperatureC: 15,
  });
  const known = Object.fromEntries(schedule.map((tube) => [tube.id, tube.known]));
  expect(known).toMatchObject({
    'restrictor>drain': 'measured',
    'tank-tee>tank': 'by-position',
    'shutoff>membrane': 'by-position',
    'post-filter>tap': 'usual',
  });
});
