import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { partsOf } from '../catalogue/parts.ts';
import { directDesign, samplePart, sampleParts, sampleWater, tankDesign } from '../test/samples.ts';
import { requirements, watersOf } from '../test/sizingSamples.ts';
import type { InstalledSystem } from '../ultraviolet/ultravioletLine.ts';
import { bodiesOf, tankSize } from './bodies.ts';
import { cuttingPlan, leastUsefulM } from './cuttingPlan.ts';
import { drainHole } from './drainHole.ts';
import { chooseFeed } from './feedConnection.ts';
import { type Body, collisions, missingRoom, placeBodies } from './placing.ts';
import { type Counter, type PlumbingSite, unseenSite } from './siteFacts.ts';
import { tapHole } from './tapHole.ts';
import { routesByPosition } from './routesByPosition.ts';
import { tubeRuns } from './tubeRuns.ts';
import { tubeSchedule } from './tubeSchedule.ts';
import { waysOut } from './waysOut.ts';
import { mayMove, orderedWork, toolsOf, workOrder, type WorkFacts } from './workOrder.ts';

const seen: PlumbingSite = {
  supply: 'valve-half',
  drainMaterial: 'plastic',
  drainRun: 'vertical',
  drainPipeM: 0.04,
  disposal: false,
  dishwasher: false,
  airGap: false,
  counter: 'steel',
  holeThere: false,
  drilling: 'yes',
  outlet: 'unswitched',
  frost: false,
};

describe('the feed', () => {
  test('is taken by a tee where there is one to take, and a saddle is never the first choice', () => {
    for (const supply of [
      'valve-half',
      'valve-three-eighths',
      'hose',
      'copper',
      'plastic',
    ] as const) {
      const { way, possible } = chooseFeed({ supply });
      expect(way).not.toBe('saddle');
      expect(possible[0]).toBe(way);
    }
    expect(chooseFeed({ supply: 'valve-half' }).thread).toBe('1/2"');
    expect(chooseFeed({ supply: 'hose' }).remarks).toContain('mixer-hot-side');
  });

  test('by a saddle is warned of, and plastic is drilled before it is pierced', () => {
    expect(chooseFeed({ supply: 'copper' }, 'saddle').remarks).toEqual([
      'barred-by-many-codes',
      'permanent-hole',
    ]);
    expect(chooseFeed({ supply: 'plastic' }, 'saddle').remarks).toContain('drill-plastic-first');
    // What does not fit the supply is not taken.
    expect(chooseFeed({ supply: 'valve-half' }, 'saddle').way).toBe('valve-adapter');
  });
});

describe('the drain hole', () => {
  test('sits on the sink side of the trap; another place is a deviation that smells', () => {
    expect(drainHole(seen)).toMatchObject({ place: 'before-trap', deviation: false, holeMm: 6 });
    const bent = drainHole(seen, { place: 'after-bend' });
    expect(bent.deviation).toBe(true);
    expect(bent.remarks).toContain('sewer-gas');
  });

  test('leaves more than half of the pipe clear, whatever its size', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.02, max: 0.12, noNaN: true }), (drainPipeM) => {
        const { insertMm, pipeMm } = drainHole({ ...seen, drainPipeM });
        expect(insertMm).toBeGreaterThanOrEqual(4);
        expect(insertMm).toBeLessThanOrEqual(Math.max(0.5 * (pipeMm - 6), 4));
      }),
    );
  });

  test('is low on a tailpiece and near the top of a horizontal run', () => {
    expect(drainHole(seen, { lengthMm: 200 }).centreMm).toBeGreaterThan(150);
    const lying = drainHole({ ...seen, drainRun: 'horizontal' });
    expect(lying.angleDeg).toBeGreaterThan(45);
    expect(lying.remarks).toEqual(expect.arrayContaining(['near-the-top', 'angled-up']));
    expect(drainHole(seen, { lengthMm: 40 }).remarks).toContain('saddle-too-small');
  });

  test('follows the code to an air gap, and keeps clear of disposal and dishwasher unless they are known not to be there', () => {
    expect(drainHole({ ...seen, airGap: true })).toMatchObject({ way: 'air-gap-tap', holeMm: 10 });
    expect(drainHole(seen).remarks).not.toContain('away-from-disposal');
    expect(drainHole(unseenSite).remarks).toEqual(
      expect.arrayContaining(['away-from-disposal', 'away-from-dishwasher', 'pipe-not-measured']),
    );
  });
});

describe('the tap’s hole', () => {
  test('turns slower the larger it is: the rim’s speed stays', () => {
    const [small, large] = [tapHole(seen, 12), tapHole(seen, 28)];
    expect(small.rpm! / large.rpm!).toBeCloseTo(28 / 12, 0);
    // 12 m/min at the rim of 12 mm: 318 turns.
    expect(small.rpm).toBe(320);
    expect(small.pilotMm).toBe(4);
  });

  test.each<[Counter, string]>([
    ['steel', 'step-drill'],
    ['laminate', 'wood-bit'],
    ['granite', 'diamond-core'],
    ['composite', 'knock-out'],
  ])('in %s takes a %s', (counter, tool) => {
    const { tool: taken, remarks, minutes } = tapHole({ ...seen, counter }, 12);
    expect(taken).toBe(tool);
    expect(minutes).toBeGreaterThan(5);
    expect(remarks.includes('wet-and-slow')).toBe(tool === 'diamond-core');
  });

  test('in porcelain, or a wide one in stone, is a mason’s', () => {
    expect(tapHole({ ...seen, counter: 'porcelain' }, 12).remarks).toContain('stop-for-a-mason');
    expect(tapHole({ ...seen, counter: 'granite' }, 36).remarks).toContain('stop-for-a-mason');
    expect(tapHole({ ...seen, counter: 'granite' }, 12).remarks).not.toContain('stop-for-a-mason');
  });

  test('that is there is not drilled, and what nobody looked at is said', () => {
    expect(tapHole({ ...seen, holeThere: true }, 12)).toMatchObject({ holeMm: 0, tool: 'none' });
    expect(tapHole(unseenSite, 12).remarks).toEqual(['counter-not-seen', 'ask-first']);
  });
});

const pieces = (...lengths: number[]) => lengths.map((lengthM, i) => ({ id: `p${i}`, lengthM }));
const coils = (...lengths: number[]) => lengths.map((lengthM, i) => ({ id: `c${i}`, lengthM }));

describe('the cutting plan', () => {
  test('loses no tube: what was cut and what is left make up each coil', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.2, max: 3, noNaN: true }), { minLength: 1, maxLength: 8 }),
        fc.array(fc.double({ min: 1, max: 8, noNaN: true }), { minLength: 1, maxLength: 3 }),
        (wanted, held) => {
          const plan = cuttingPlan(coils(...held), pieces(...wanted));
          for (const { coil, pieces: cut, leftM } of plan.cuts) {
            expect(leftM).toBeGreaterThanOrEqual(-1e-9);
            expect(cut.reduce((sum, { lengthM }) => sum + lengthM, leftM)).toBeCloseTo(
              coil.lengthM,
              9,
            );
          }
          const placed = plan.cuts.flatMap(({ pieces: cut }) => cut.map(({ id }) => id));
          expect([...placed, ...plan.missing.map(({ id }) => id)].sort()).toEqual(
            wanted.map((_, i) => `p${i}`).sort(),
          );
        },
      ),
      { numRuns: 60 },
    );
  });

  test('finds the plan without waste where the long coil first would waste', () => {
    // 3 m holds 1.6 + 1.4 exactly, 2 m holds the 2.0: cutting greedily leaves 1.0 and 0.6 instead.
    const plan = cuttingPlan(coils(3, 2), pieces(1.6, 2, 1.4));
    expect(plan).toMatchObject({ missing: [], wasteM: 0, gapM: 0 });
    expect(cuttingPlan(coils(1.7), pieces(1.5)).wasteM).toBeCloseTo(0.2, 9);
    expect(cuttingPlan(coils(1.5 + leastUsefulM), pieces(1.5)).wasteM).toBe(0);
  });

  test('says which pieces have no coil left', () => {
    const plan = cuttingPlan(coils(1), pieces(0.9, 0.8));
    expect(plan.missing).toHaveLength(1);
    expect(cuttingPlan([], pieces(1)).missing).toHaveLength(1);
  });
});

const cabinet = { width: 0.8, height: 0.7, depth: 0.5 };

describe('the cabinet', () => {
  const bodies = bodiesOf(tankDesign, true);

  test('holds what is placed without anything meeting anything', () => {
    const trap = { id: 'trap', x: 0.3, y: 0.3, z: 0.05, width: 0.2, height: 0.4, depth: 0.2 };
    const { placed, left } = placeBodies(bodies, cabinet, [trap]);
    expect(left).toEqual([]);
    for (const one of placed) {
      const body = bodies.find(({ id }) => id === one.id)!;
      const others = [
        { id: 'trap', box: trap },
        ...placed.filter(({ id }) => id !== one.id).map((other) => ({ id: other.id, box: other })),
      ];
      expect(collisions(body, one, cabinet, others)).toEqual([]);
    }
  });

  test('finds a place that exists: boxes cut out of a cabinet go back in', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 0.6, noNaN: true }), (at) => {
        const box = (id: string, width: number): Body => ({
          id,
          width,
          height: 0.5,
          depth: 0.5,
          below: 0,
          frontFree: false,
          hangs: false,
          mayLie: false,
        });
        const { left } = placeBodies([box('a', at), box('b', 0.8 - at)], cabinet, []);
        expect(left).toEqual([]);
      }),
    );
  });

  test('that is too narrow says by how much, and the tank lies down where only that helps', () => {
    const narrow = { ...cabinet, width: 0.45, depth: 0.36 };
    const { left } = placeBodies(bodies, narrow, []);
    expect(left.length).toBeGreaterThan(0);
    const { width } = missingRoom(bodies, narrow, []);
    expect(width).toBeGreaterThan(0);
    expect(placeBodies(bodies, { ...narrow, width: narrow.width + width! }, []).left).toEqual([]);
    const { diameter } = tankSize(12);
    const low = { width: 1, height: diameter + 0.05, depth: 0.5 };
    const lying = placeBodies([bodies.find(({ id }) => id === 'tank')!], low, []);
    expect(lying.placed[0]?.lies).toBe(true);
  });

  test('has ways out: a smaller tank lived with, the next cupboard, the unit elsewhere', () => {
    const large = { ...tankDesign, tank: partsOf(sampleParts, 'tank')[1]! };
    const ways = waysOut(
      large,
      true,
      { width: 0.62, height: 0.55, depth: 0.36 },
      [],
      sampleParts,
      watersOf(sampleWater),
      requirements,
    );
    expect(ways.map(({ kind }) => kind)).toEqual(
      expect.arrayContaining(['next-cupboard', 'smaller-tank', 'remote']),
    );
    const smaller = ways.find((way) => way.kind === 'smaller-tank');
    expect(smaller?.kind === 'smaller-tank' && smaller.judged.waitingDays).not.toBeNull();
  });

  test('a tank’s size holds its volume', () => {
    for (const volumeL of [8, 12, 20, 40]) {
      const { diameter, height } = tankSize(volumeL);
      const cylinder = (Math.PI / 4) * diameter ** 2 * height * 1000;
      expect(volumeL).toBeLessThan(cylinder);
      expect(volumeL).toBeGreaterThan(0.5 * cylinder);
    }
  });
});

const flows = { feed: 30, unit: 20, tank: 8, product: 120, drain: 20 };
const factsOf = (system: InstalledSystem, site = seen): WorkFacts => ({
  system,
  site,
  feed: chooseFeed(site),
  drain: drainHole(site),
  tap: tapHole(site, 12),
  tubes: tubeSchedule(system, { routes: {}, colours: { feed: 'red' }, flows, temperatureC: 15 }),
  regulatorBar: 4.1,
  leakStop: true,
});
const systems: [string, InstalledSystem][] = [
  ['a tank unit', tankDesign],
  [
    'a pumped tank unit with minerals and lamp',
    {
      ...tankDesign,
      pump: samplePart('pump'),
      shutoff: null,
      lamp: samplePart('lamp'),
      mineral: { part: samplePart('mineral'), place: 'before-tank' },
      branch: { innerDiameterMm: 4.3, lengthM: 4, riseM: 1, neededBar: 1.4, flowLPerMin: 1 },
    },
  ],
  ['a tankless unit', directDesign],
  [
    'an ultraviolet line',
    {
      kind: 'ultraviolet-line',
      prefilters: tankDesign.prefilters,
      lamp: samplePart('lamp'),
      tap: tankDesign.tap,
      line: tankDesign.line,
    },
  ],
];

describe.each(systems)('the order of work of %s', (_name, system) => {
  const steps = workOrder(factsOf(system));

  test('puts nothing before what it stands on, and runs every tube once', () => {
    steps.forEach((step, i) => {
      for (const before of step.after) {
        expect(steps.findIndex(({ id }) => id === before)).toBeLessThan(i);
        expect(steps.findIndex(({ id }) => id === before)).toBeGreaterThanOrEqual(0);
      }
    });
    expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
    expect(steps.filter(({ code }) => code === 'run-tube')).toHaveLength(
      factsOf(system).tubes.length,
    );
    expect(steps[steps.length - 1]!.code).toBe('clear-up');
    expect(toolsOf(steps)).toContain('tube-cutter');
  });

  test('however it is wanted stays physical, and what may move moves', () => {
    fc.assert(
      fc.property(
        fc.shuffledSubarray(
          steps.map(({ id }) => id),
          { minLength: steps.length },
        ),
        (wanted) => {
          const ordered = orderedWork(steps, wanted);
          expect(ordered.map(({ id }) => id).sort()).toEqual(steps.map(({ id }) => id).sort());
          ordered.forEach((step, i) => {
            for (const before of step.after)
              expect(ordered.findIndex(({ id }) => id === before)).toBeLessThan(i);
          });
        },
      ),
      { numRuns: 40 },
    );
    expect(orderedWork(steps, [])).toEqual(steps);
    expect(mayMove(steps, 'clear-up', 0)).toBe(false);
    expect(mayMove(steps, 'prove-spout', 0)).toBe(true);
  });
});

describe('the order of work', () => {
  test('changes its marks only where the system did', () => {
    const marks = (system: InstalledSystem) =>
      Object.fromEntries(workOrder(factsOf(system)).map(({ id, mark }) => [id, mark]));
    const before = marks(tankDesign);
    const after = marks({ ...tankDesign, tank: { ...tankDesign.tank!, volumeL: 20 } });
    expect(after.tank).not.toBe(before.tank);
    expect(after.feed).toBe(before.feed);
    expect(after['check-precharge']).toBe(before['check-precharge']);
  });

  test('shows cautions at their step: stone, switch, deviation, saddle', () => {
    const cautionsAt = (site: PlumbingSite, id: string) =>
      workOrder(factsOf({ ...tankDesign, pump: samplePart('pump'), shutoff: null }, site)).find(
        (step) => step.id === id,
      )?.cautions;
    expect(cautionsAt({ ...seen, counter: 'quartz' }, 'tap-hole')).toContain('stone-dust');
    expect(cautionsAt({ ...seen, outlet: 'switched' }, 'power')).toContain('switched-outlet');
    expect(cautionsAt({ ...seen, outlet: 'none' }, 'power')).toContain('electrician');
    expect(cautionsAt(seen, 'drill-drain')).toContain('one-wall');
    const deviated = workOrder({
      ...factsOf(tankDesign),
      drain: drainHole(seen, { place: 'after-trap' }),
    });
    expect(deviated.find(({ id }) => id === 'drill-drain')?.cautions).toContain('sewer-gas');
  });
});

test('the wider tube costs less pressure, and a run’s loss is the tube’s own', () => {
  const [feed] = tubeSchedule(tankDesign, { routes: {}, colours: {}, flows, temperatureC: 15 });
  expect(feed!.lossBar['3/8"']).toBeLessThan(feed!.lossBar['1/4"'] / 4);
  expect(feed).toMatchObject({ label: 1, known: 'usual', colour: null });
});

test('a route by position is at least the way between its ends, and a measured one comes before it', () => {
  const bodies = bodiesOf(tankDesign, true);
  const trap = { id: 'trap', x: 0.3, y: 0.3, z: 0.05, width: 0.2, height: 0.4, depth: 0.2 };
  const { placed } = placeBodies(bodies, cabinet, [trap]);
  const runs = tubeRuns(tankDesign);
  const positions = routesByPosition(runs, cabinet, placed, [trap]);
  expect(Object.keys(positions)).toEqual(
    expect.arrayContaining(['feed-valve>prefilter-1', 'membrane>drain', 'shutoff>tank']),
  );
  const [unit, tank] = ['unit', 'tank'].map((id) => placed.find((one) => one.id === id)!);
  const apart = Math.abs(unit!.x + unit!.width / 2 - (tank!.x + tank!.width / 2));
  expect(positions['shutoff>tank']).toBeGreaterThanOrEqual(apart);
  const routes = { 'membrane>drain': 0.7 };
  const schedule = tubeSchedule(tankDesign, {
    routes,
    positions,
    colours: {},
    flows,
    temperatureC: 15,
  });
  const known = Object.fromEntries(schedule.map((tube) => [tube.id, tube.known]));
  expect(known).toMatchObject({
    'membrane>drain': 'measured',
    'shutoff>tank': 'by-position',
    'shutoff>membrane': 'usual',
  });
});
