import { describe, expect, test } from '@jest/globals';
import { archetypes, factsOf, seen } from '../../test/plumbingSamples.ts';
import { sampleParts, sampleWater, tankDesign } from '../../test/samples.ts';
import { isAddedLamp, isUltravioletLine } from '../../system/ultravioletLine.ts';
import { ultravioletWaterline } from '../../system/ultravioletWaterline.ts';
import { waterline } from '../../system/waterline.ts';
import { takesClip } from '../places/tubeEnds.ts';
import { tubesOnLine } from '../tubes/tubesOnLine.ts';
import { slotsOf } from '../../system/slots.ts';
import { partsList } from './partsList.ts';
import { openPorts } from '../tubes/openPorts.ts';
import { type Place, stepsOfPlace } from '../places/place.ts';
import { isHeld } from '../../system/unit.ts';
import { layOut, plainJoints } from '../tubes/tubeRuns.ts';
import { workOrder } from './workOrder.ts';
import type { WorkCode } from './workStep.ts';

const lampFeed = {
  ironMgL: 0,
  manganeseMgL: 0,
  hardnessMgL: 5,
  transmittance: 0.96,
  existing: { flowLPerMin: 1.8, tdsMgL: 30 },
};

/** Stretches of the waterline, as it is drawn: ends of branches do not lead on. */
function stretches(system: (typeof archetypes)[number][1]): [string, string][] {
  const state = { tap: 'open', tankShare: 0.5 } as const;
  const line = isUltravioletLine(system)
    ? ultravioletWaterline(system, sampleWater, lampFeed, state)
    : waterline(system, sampleWater, state);
  if (!line.ok) throw new Error(line.failure.code);
  const pairs: [string, string][] = [];
  let last: string | undefined;
  for (const { id, kind, lane } of line.value.nodes) {
    if (kind === 'restrictor') continue;
    if (last) pairs.push([last, id]);
    if (lane !== 'drain' && lane !== 'branch') last = id;
  }
  return pairs;
}

describe.each(archetypes)('the sheet of %s', (_name, system, change) => {
  const facts = factsOf(system, change);
  const { tubes } = facts;
  const steps = workOrder(facts);
  const parts = partsList(system, steps, tubes, sampleParts);
  const quantity = (key: string) => parts.find((line) => line.key === key)?.quantity ?? 0;
  const { made } = layOut(system, { ...plainJoints, regulator: facts.regulatorBar !== null });

  test('has tubes from the street, or from what is there, to every end, without a gap', () => {
    const reached = new Set([isAddedLamp(system) ? 'unit-union' : 'feed-valve']);
    // Housings stand in a row; the rest of what lies in a unit its maker joined.
    const inside: [string, string][] = [
      ['prefilter-1', `prefilter-${system.prefilters.length}`],
      ...made,
    ];
    const links = [...tubes.map(({ from, to }): [string, string] => [from, to]), ...inside];
    for (let found = true; found;) {
      found = false;
      for (const [from, to] of links) {
        if (!reached.has(from) || reached.has(to)) continue;
        reached.add(to);
        found = true;
      }
    }
    for (const { from, to } of tubes) {
      expect(reached).toContain(from);
      expect(reached).toContain(to);
      expect(from).not.toBe(to);
    }
    const tap = isAddedLamp(system) ? 'tap-union' : 'tap';
    const ends = system.tap.dispenser ? ['dispenser'] : [tap];
    if (!isUltravioletLine(system)) {
      ends.push('drain', ...system.branches.map(({ kind }) => kind));
      if (system.tank) ends.push('tank');
      if (system.elements > 1) ends.push(`membrane-${system.elements}`);
    }
    for (const end of ends) expect(reached).toContain(end);
    expect(new Set(tubes.map(({ id }) => id)).size).toBe(tubes.length);
  });

  test('puts every part of the system in once, and lists what its steps take and nothing else', () => {
    for (const { part, held } of slotsOf(system)) expect(quantity(part.id) > 0).toBe(!held);
    if (!isUltravioletLine(system) && !isHeld(system, system.membrane))
      expect(quantity(system.membrane.id)).toBe(system.elements);
    const cartridges = system.prefilters.reduce(
      (sum, { id }) => sum + (quantity(id) > 0 ? 1 : 0),
      0,
    );
    expect(cartridges).toBe(system.prefilters.length);
    const box = isUltravioletLine(system) ? undefined : system.kit?.id;
    const pieces = parts.filter(({ unit, key }) => unit === 'piece' && key !== box);
    for (const { key } of pieces) {
      const taken = steps
        .flatMap((step) => step.parts)
        .filter((part) => part.key === key)
        .reduce((sum, part) => sum + part.quantity, 0);
      expect(quantity(key)).toBe(taken);
      expect(taken).toBeGreaterThan(0);
    }
  });

  test('has a clip for every collet, a nut for every compression end, a tee wherever a line divides', () => {
    const ends = tubes.flatMap((tube) =>
      tube.ends.map((end) => ({ end, wide: tube.size === '3/8"' })),
    );
    const count = (wanted: (end: (typeof ends)[number]['end']) => boolean, wide: boolean) =>
      ends.filter((one) => wanted(one.end) && one.wide === wide).length;
    // A union has a second collet, which holds a tube that was there.
    const old = (key: string) => quantity(`union${key}`);
    expect(quantity('lock-clip')).toBe(count(takesClip, false) + old(''));
    expect(quantity('lock-clip-wide')).toBe(count(takesClip, true) + old('-wide'));
    const isNut = (end: string) => end === 'compression';
    expect(quantity('compression-set')).toBe(count(isNut, false));
    expect(quantity('compression-set-wide')).toBe(count(isNut, true));
    const met = new Map<string, number>();
    for (const place of tubes.flatMap(({ from, to }) => [from, to]))
      met.set(place, (met.get(place) ?? 0) + 1);
    // A line that divides into n takes n - 1 tees.
    const tees = [...met]
      .filter(([place]) => /tee/.test(place) && !made.flat().includes(place as Place))
      .reduce((sum, [, tubesThere]) => sum + tubesThere - 2, 0);
    expect(quantity('tee') + quantity('tee-wide')).toBe(tees);
  });

  test('has a tube at every port, and no port twice', () => {
    const joints = {
      regulator: facts.regulatorBar !== null,
      leakStop: facts.leakStop,
      drain: facts.drain.way,
    };
    expect(openPorts(system, joints)).toEqual([]);
  });

  test('lays every tube after both of its ends are up', () => {
    for (const { id, from, to } of tubes) {
      const step = steps.find((one) => one.id === `tube:${id}`)!;
      for (const place of [from, to]) {
        const own = stepsOfPlace(place).filter((up) => steps.some((one) => one.id === up));
        expect(own.length).toBeGreaterThan(0);
        for (const up of own) expect(step.after).toContain(up);
      }
    }
  });

  test('shows every tube on one stretch of the waterline', () => {
    const pairs = stretches(system);
    const found = tubesOnLine(tubes, pairs).flat();
    expect(found.map(({ id }) => id).sort()).toEqual(tubes.map(({ id }) => id).sort());
  });

  test('cuts as much tube as its runs are long', () => {
    const cut = tubes.reduce((sum, { cutM }) => sum + cutM, 0);
    const listed = quantity('tube-quarter') + quantity('tube-three-eighths');
    expect(listed).toBeGreaterThanOrEqual(cut - 1e-9);
    expect(listed).toBeLessThan(cut + 0.2);
  });
});

/** What a kind of system asks for beside the common, and what it must not ask for. */
const particular: [name: string, asked: WorkCode[], not: WorkCode[]][] = [
  ['a tank unit without power', ['check-precharge', 'fit-restrictor'], ['power', 'mount-pump']],
  ['a tank unit with a booster pump', ['mount-pump', 'power'], ['mount-lamp']],
  ['seven stages with minerals and a lamp', ['mount-lamp', 'power'], []],
  ['a tankless unit', ['stand-unit', 'power'], ['place-tank', 'fit-restrictor', 'mount-pump']],
  ['a tankless unit with a powered tap and a lamp', ['pass-cables', 'mount-lamp', 'power'], []],
  ['a bank of three in series behind a pump, feeding a machine', ['join-bank', 'fit-branch'], []],
  ['a bank of two in parallel without a tank', ['join-bank', 'mount-pump'], ['place-tank']],
  ['a compact unit with a tank inside', ['stand-unit'], ['check-precharge', 'place-tank']],
  [
    'a dispenser with hot and cold tanks',
    ['place-dispenser', 'power'],
    ['drill-tap-hole', 'mount-tap'],
  ],
  ['a unit with a permeate pump', ['mount-permeate-pump'], ['power']],
  ['an ultraviolet line', ['mount-lamp', 'power'], ['drill-drain', 'fit-restrictor']],
  [
    'a lamp added to a system with a tank',
    ['prove-existing', 'isolate-existing', 'mount-lamp', 'cut-product-line', 'power'],
    ['close-supply', 'prove-spout', 'mount-tap', 'drill-drain', 'hang-unit', 'fit-leak-stop'],
  ],
  ['a lamp added to a tankless system with a wide line', ['ask-permission', 'mount-lamp'], []],
  ['a remote unit below the floor', ['drill-through'], ['drill-panel']],
  [
    'a remote unit that drains into a floor drain',
    ['drill-through', 'fit-standpipe'],
    ['drill-drain'],
  ],
  ['a tank in the next cupboard', ['drill-panel'], ['drill-through']],
  ['an air-gap tap', ['mount-air-gap-tap', 'drill-drain'], ['mount-tap']],
  ['a refrigerator, an ice maker and a second tap', ['fit-branch'], []],
];

test.each(particular)('%s has its own steps', (name, asked, not) => {
  const [, system, change] = archetypes.find(([one]) => one === name)!;
  const codes = workOrder(factsOf(system, change)).map(({ code }) => code);
  expect(codes).toEqual(expect.arrayContaining(asked));
  for (const code of not) expect(codes).not.toContain(code);
});

const sheetOf = (name: string) => {
  const [, system, change] = archetypes.find(([one]) => one === name)!;
  const facts = factsOf(system, change);
  const steps = workOrder(facts);
  return { facts, steps, parts: partsList(system, steps, facts.tubes, sampleParts) };
};

describe('what is particular', () => {
  test('a permeate pump is driven by the drain water behind the restrictor, and the valve feels the tank behind it', () => {
    const ids = sheetOf('a unit with a permeate pump').facts.tubes.map(({ id }) => id);
    expect(ids).toEqual(
      expect.arrayContaining([
        'membrane>restrictor',
        'restrictor>permeate-pump',
        'permeate-pump>drain',
        'membrane>permeate-pump',
        'permeate-pump>shutoff',
        'shutoff>tank-tee',
      ]),
    );
  });

  test('an air-gap tap takes the thin hose up and the wide one down, beside the product hose', () => {
    const { facts, parts } = sheetOf('an air-gap tap');
    const at = (id: string) => facts.tubes.find((tube) => tube.id === id);
    expect(at('restrictor>air-gap')).toMatchObject({ size: '1/4"', ends: ['push-fit', 'barb'] });
    expect(at('air-gap>drain')).toMatchObject({ size: '3/8"', ends: ['barb', 'saddle'] });
    expect(at('post-filter>tap')).toBeDefined();
    expect(parts.map(({ key }) => key)).toContain('drain-saddle-wide');
  });

  test('a tap without a gap is warned of where the code asks for one', () => {
    const steps = workOrder(factsOf(tankDesign, { site: { ...seen, airGap: true } }));
    expect(steps.find(({ id }) => id === 'tap')?.cautions).toContain('tap-without-gap');
  });

  test('elements in series hand their drain on, elements in parallel share the feed', () => {
    const series = sheetOf('a bank of three in series behind a pump, feeding a machine').facts
      .tubes;
    expect(series.map(({ id }) => id)).toEqual(
      expect.arrayContaining([
        'membrane>membrane-2',
        'membrane-2>membrane-3',
        'membrane-3>restrictor',
      ]),
    );
    const parallel = sheetOf('a bank of two in parallel without a tank').facts.tubes;
    expect(parallel.map(({ id }) => id)).toEqual(
      expect.arrayContaining(['feed-tee>membrane', 'feed-tee>membrane-2', 'brine-tee>restrictor']),
    );
  });

  test('a lamp that is added opens a line only after it was proved, shut off and run dry', () => {
    const { steps, parts, facts } = sheetOf('a lamp added to a system with a tank');
    const before = (id: string): string[] =>
      steps.find((step) => step.id === id)!.after.flatMap((other) => [other, ...before(other)]);
    expect(before('cut-product-line')).toEqual(
      expect.arrayContaining([
        'prove-existing',
        'isolate-existing',
        'relieve-pressure',
        'mount-lamp',
      ]),
    );
    expect(facts.tubes.map(({ id }) => id)).toEqual(['unit-union>lamp', 'lamp>tap-union']);
    const listed = Object.fromEntries(parts.map(({ key, quantity }) => [key, quantity]));
    // The reactor, a union and two clips at each end of the cut, and a clip at each port of the reactor.
    expect(listed).toMatchObject({ [facts.system.lamp!.id]: 1, union: 2, 'lock-clip': 6 });
    expect(Object.keys(listed)).not.toContain(facts.system.tap.id);
    const shutOff = (name: string) =>
      sheetOf(name).steps.find(({ id }) => id === 'isolate-existing')?.data;
    expect(shutOff('a lamp added to a system with a tank')).toEqual({ tank: 1 });
    expect(shutOff('a lamp added to a tankless system with a wide line')).toEqual({ tank: 0 });
  });

  test('a remote unit passes three lines, or two where it drains beside itself', () => {
    const lines = (name: string) =>
      sheetOf(name).steps.find(({ code }) => code === 'drill-through')?.data;
    expect(lines('a remote unit below the floor')).toMatchObject({ lines: 3 });
    expect(lines('a remote unit that drains into a floor drain')).toMatchObject({ lines: 2 });
  });

  test('where nothing may be drilled the tap stands on a bracket and the drain ends over a stand-pipe', () => {
    const codes = workOrder(factsOf(tankDesign, { site: { ...seen, drilling: 'no' } })).map(
      ({ code }) => code,
    );
    expect(codes).toEqual(expect.arrayContaining(['mount-on-bracket', 'fit-standpipe']));
    for (const code of ['drill-tap-hole', 'drill-drain'] as const)
      expect(codes).not.toContain(code);
  });

  test('a fitting that the catalogue lacks is listed without a price, the system’s own parts with theirs', () => {
    const { parts } = sheetOf('two pre-filters and a four-port valve');
    expect(parts.find(({ key }) => key === 'lock-clip')).toMatchObject({ price: null });
    expect(parts.find(({ key }) => key === 'm-mid')).toMatchObject({ price: 50, quantity: 1 });
    expect(parts.find(({ key }) => key === 'drain-saddle')).toMatchObject({
      id: 'f-drain',
      price: 5,
    });
  });

  test('a number on a label that moves does not ask for the tube again, another length does', () => {
    const marks = (change: Parameters<typeof factsOf>[1]) =>
      Object.fromEntries(workOrder(factsOf(tankDesign, change)).map(({ id, mark }) => [id, mark]));
    const [plain, regulated] = [marks({ regulatorBar: null }), marks({ regulatorBar: 4 })];
    expect(regulated['tube:restrictor>drain']).toBe(plain['tube:restrictor>drain']);
    expect(regulated['label-tubes']).not.toBe(plain['label-tubes']);
  });
});

describe('what the site asks for stands in the step it belongs to', () => {
  const stepsAt = (site: Partial<typeof seen>, change: Parameters<typeof factsOf>[1] = {}) =>
    workOrder(factsOf(tankDesign, { ...change, site: { ...seen, ...site } }));
  const remarksOf = (steps: ReturnType<typeof stepsAt>, code: string) =>
    steps.find((step) => step.code === code)?.remarks ?? [];

  test('the distance to disposal and dishwasher in the drilling, and none where there is neither', () => {
    const drilled = stepsAt({ disposal: true, dishwasher: true });
    expect(remarksOf(drilled, 'drill-drain')).toEqual(
      expect.arrayContaining(['away-from-disposal', 'away-from-dishwasher']),
    );
    const calm = stepsAt({ disposal: false, dishwasher: false });
    expect(remarksOf(calm, 'drill-drain')).not.toContain('away-from-disposal');
  });

  test('a level pipe is drilled as a level pipe', () => {
    const level = stepsAt({ drainRun: 'horizontal' }).find(({ code }) => code === 'drill-drain')!;
    expect(level.data).toMatchObject({ level: 1 });
    const upright = stepsAt({ drainRun: 'vertical' }).find(({ code }) => code === 'drill-drain')!;
    expect(upright.data).not.toHaveProperty('level');
  });

  test('stone is drilled wet and without a hammer', () => {
    expect(remarksOf(stepsAt({ counter: 'granite', holeThere: false }), 'drill-tap-hole')).toEqual(
      expect.arrayContaining(['wet-and-slow', 'no-hammer']),
    );
  });

  test.each(archetypes)(
    'where nothing may be drilled no step drills: %s',
    (_name, system, change) => {
      const site = { ...seen, ...change.site, drilling: 'no' as const, airGap: true };
      const codes = workOrder(factsOf(system, { ...change, site })).map(({ code }) => code);
      expect(codes.filter((code) => code.startsWith('drill'))).toEqual([]);
      expect(codes).not.toContain('feed-saddle');
    },
  );

  test('a remark is no part of what was done: it asks nobody to do it again', () => {
    const [calm, pushed] = [stepsAt({ disposal: false }), stepsAt({ disposal: true })];
    const mark = (steps: typeof calm) => steps.find(({ code }) => code === 'fit-saddle')!.mark;
    expect(mark(calm)).toBe(mark(pushed));
  });
});
