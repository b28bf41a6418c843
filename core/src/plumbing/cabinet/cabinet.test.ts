import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { partsOf } from '../../catalogue/parts.ts';
import {
  directDesign,
  samplePart,
  sampleParts,
  sampleWater,
  tankDesign,
} from '../../test/samples.ts';
import { requirements, watersOf } from '../../test/sizingSamples.ts';
import { bodiesOf, tankSize } from './bodies.ts';
import {
  type Body,
  clashesOf,
  collisions,
  missingRoom,
  offTheWall,
  placeBodies,
  shapeOf,
} from './placing.ts';
import { reachWarnings } from './reach.ts';
import { waysOut } from './waysOut.ts';

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
          gap: 0,
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
    const narrow = { ...cabinet, width: 0.36, depth: 0.36 };
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

  test('hangs a unit on a side wall where the back wall has no room, and never in the air', () => {
    const trap = { id: 'trap', x: 0.2, y: 0.2, z: 0, width: 0.4, height: 0.5, depth: 0.2 };
    const { placed, left } = placeBodies(bodies, cabinet, [trap]);
    expect(left).toEqual([]);
    const unit = placed.find(({ id }) => id === 'unit')!;
    const body = bodies.find(({ id }) => id === 'unit')!;
    expect(unit.turned).toBe(true);
    expect([unit.width, unit.depth]).toEqual([body.depth, body.width]);
    expect(unit.x === 0 || Math.abs(unit.x + unit.width - cabinet.width) < 1e-6).toBe(true);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        fc.double({ min: 0.05, max: 0.4, noNaN: true }),
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        (x, width, z) => {
          const fit = placeBodies(bodies, cabinet, [{ ...trap, x, width, z }]);
          for (const one of fit.placed) {
            if (bodies.find(({ id }) => id === one.id)!.hangs)
              expect(offTheWall(one, cabinet)).toBe(0);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  test('lays a tank from back to door where it does not lie across, and says so, so that moving it keeps it', () => {
    const tank = bodies.find(({ id }) => id === 'tank')!;
    const narrow = { width: tank.width + 0.02, height: tank.width + 0.02, depth: 0.6 };
    const [one] = placeBodies([tank], narrow, []).placed;
    expect(one).toMatchObject({ lies: true, turned: true, depth: tank.height });
    expect(shapeOf(tank, one!)).toEqual({
      width: one!.width,
      height: one!.height,
      depth: one!.depth,
      lies: true,
      turned: true,
    });
    // However it is put, it is the same thing: its three sides are those of the body.
    const sides = ({ width, height, depth }: Pick<Body, 'width' | 'height' | 'depth'>) =>
      [width, height, depth].sort();
    for (const body of bodies)
      for (const lies of [false, true])
        for (const turned of [undefined, true])
          expect(sides(shapeOf(body, { lies, turned }))).toEqual(sides(body));
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

describe('reach', () => {
  const bodies = bodiesOf(tankDesign, true);
  const { placed } = placeBodies(bodies, cabinet, []);
  const faults = (door: { width: number; height: number } | null, where = placed, room = cabinet) =>
    reachWarnings(bodies, where, room, door).map(({ id, fault }) => `${id} ${fault}`);

  test('has nothing to say of a cabinet that is all door', () => {
    expect(faults(null)).toEqual([]);
    expect(faults({ width: cabinet.width, height: cabinet.height })).toEqual([]);
  });

  test('says what does not go through a door, by how much, whichever way it is turned', () => {
    const { diameter } = tankSize(12);
    const tight = { width: diameter - 0.04, height: 0.65 };
    const tank = reachWarnings(bodies, placed, cabinet, tight).find(
      ({ id, fault }) => id === 'tank' && fault === 'not-through-the-door',
    );
    expect(tank?.byM).toBeCloseTo(0.04, 9);
    // A tank that is as wide as the door is high goes in lying.
    expect(faults({ width: 0.65, height: diameter + 0.001 })).not.toContain(
      'tank not-through-the-door',
    );
  });

  test('says what stands behind the frame, and farther in than an arm', () => {
    const unit = placed.find(({ id }) => id === 'unit')!;
    const aside = [{ ...unit, x: 0 }];
    expect(faults({ width: 0.3, height: 0.7 }, aside)).toContain('unit behind-the-frame');
    const deep = { ...cabinet, depth: unit.depth + 0.9 };
    expect(faults(null, [{ ...unit, z: 0 }], deep)).toEqual(['unit too-far-in']);
    expect(faults(null, [{ ...unit, z: 0.4 }], deep)).not.toContain('unit too-far-in');
  });

  test('says what hangs without a wall at its back, and how far from it', () => {
    const unit = placed.find(({ id }) => id === 'unit')!;
    const aside = { ...unit, width: unit.depth, depth: unit.width, turned: true };
    const off = (box: typeof unit) =>
      reachWarnings(bodies, [box], cabinet, null).find(({ fault }) => fault === 'off-the-wall');
    expect(off({ ...unit, z: 0 })).toBeUndefined();
    expect(off({ ...unit, z: 0.2, x: 0 })?.byM).toBeCloseTo(0.2, 9);
    expect(off({ ...aside, x: cabinet.width - aside.width })).toBeUndefined();
    expect(off({ ...aside, x: 0.1 })?.byM).toBeCloseTo(0.1, 9);
    // A tank stands; it needs no wall.
    const tank = placed.find(({ id }) => id === 'tank')!;
    expect(off({ ...tank, z: 0.1 })).toBeUndefined();
  });

  test('needs no reach to what is left alone', () => {
    const stop = [{ ...placed.find(({ id }) => id === 'leak-stop')!, x: 0 }];
    expect(faults({ width: 0.2, height: 0.7 }, stop)).toEqual([]);
  });
});

test('a part’s own size and service room come before the usual ones', () => {
  const tank = { ...tankDesign.tank!, sizeM: { width: 0.3, height: 0.5, depth: 0.31 } };
  const bodyOf = (design: typeof tankDesign, id: string) =>
    bodiesOf(design, false).find((body) => body.id === id)!;
  expect(bodyOf({ ...tankDesign, tank }, 'tank')).toMatchObject({ ...tank.sizeM, mayLie: true });
  const upright = { ...tank, service: { mayLie: false } };
  expect(bodyOf({ ...tankDesign, tank: upright }, 'tank').mayLie).toBe(false);
  const low = { width: 1, height: 0.4, depth: 0.6 };
  const placed = (part: typeof tank) =>
    placeBodies([bodyOf({ ...tankDesign, tank: part }, 'tank')], low, []).left;
  expect(placed(tank)).toEqual([]);
  expect(placed(upright)).toEqual(['tank']);
  const lamp = { ...samplePart('lamp'), service: { belowM: 0.2 } };
  expect(bodyOf({ ...tankDesign, lamp }, 'lamp').below).toBe(0.2);
  const pump = { ...samplePart('pump'), service: { gapM: 0.04 } };
  expect(bodyOf({ ...tankDesign, pump }, 'pump').gap).toBe(0.04);
});

test('a pump stands off walls and neighbours, and a unit that its maker piped is one body', () => {
  const pumped = bodiesOf(
    { ...tankDesign, pump: samplePart('pump'), solenoid: samplePart('solenoid'), shutoff: null },
    true,
  );
  const { placed, left } = placeBodies(pumped, cabinet, []);
  expect(left).toEqual([]);
  const pump = placed.find(({ id }) => id === 'pump')!;
  expect(pump.x).toBeGreaterThan(0.01);
  expect(pump.z).toBeGreaterThan(0.01);
  expect(cabinet.width - pump.x - pump.width).toBeGreaterThan(0.01);
  const body = pumped.find(({ id }) => id === 'pump')!;
  expect(collisions(body, { ...pump, x: 0 }, cabinet, [])).toEqual(['cabinet']);
  const internal = { ...tankDesign, tank: { ...tankDesign.tank!, internal: true } };
  expect(bodiesOf(internal, false).map(({ id }) => id)).toEqual(['unit']);
  expect(bodiesOf(directDesign, false).map(({ id }) => id)).toEqual(['unit']);
});

describe('any cabinet', () => {
  const side = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  const rooms = fc.record({ width: side(0.3, 1.2), height: side(0.4, 0.9), depth: side(0.3, 0.7) });
  const things = fc.array(
    fc.record({
      x: side(0, 0.8),
      y: side(0, 0.5),
      z: side(0, 0.3),
      width: side(0.05, 0.3),
      height: side(0.05, 0.4),
      depth: side(0.05, 0.3),
    }),
    { maxLength: 3 },
  );
  const inTheWay = (
    boxes: { x: number; y: number; z: number; width: number; height: number; depth: number }[],
  ) => boxes.map((box, i) => ({ id: `thing-${i}`, ...box }));
  const pumped = bodiesOf(
    { ...tankDesign, pump: samplePart('pump'), solenoid: samplePart('solenoid'), shutoff: null },
    true,
  );

  test('holds what is placed clear of walls, things and each other, and leaves out only the rest', () => {
    fc.assert(
      fc.property(rooms, things, (room, boxes) => {
        const obstacles = inTheWay(boxes);
        const { placed, left } = placeBodies(pumped, room, obstacles);
        expect(clashesOf(pumped, placed, room, obstacles)).toEqual([]);
        expect([...placed.map(({ id }) => id), ...left].sort()).toEqual(
          pumped.map(({ id }) => id).sort(),
        );
      }),
      { numRuns: 60 },
    );
  });

  test('that is said to be too small by so much is large enough with it, and hardly with less', () => {
    fc.assert(
      fc.property(rooms, (room) => {
        if (placeBodies(pumped, room, []).left.length === 0) return;
        const { width } = missingRoom(pumped, room, []);
        if (width === null) return;
        const fits = (more: number) =>
          placeBodies(pumped, { ...room, width: room.width + more }, []).left.length === 0;
        expect(fits(width)).toBe(true);
        expect(fits(width - 0.02)).toBe(false);
      }),
      { numRuns: 25 },
    );
  });
});
