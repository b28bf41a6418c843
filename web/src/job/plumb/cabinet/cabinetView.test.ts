import { describe, expect, test } from '@jest/globals';
import type { Body } from '@katharos/core';
import { cabinetView, turnedOver, turning } from './cabinetView.ts';

const cabinet = { width: 0.8, height: 0.7, depth: 0.5 };
const tank = {
  id: 'tank',
  x: 0.3,
  y: 0,
  z: 0.1,
  width: 0.28,
  height: 0.4,
  depth: 0.28,
  lies: false,
};
const unit = { id: 'unit', x: 0, y: 0.1, z: 0, width: 0.26, height: 0.4, depth: 0.15, lies: false };

describe('a view of the cabinet', () => {
  test('counts height from the floor and depth from the back wall', () => {
    const front = cabinetView('front', cabinet).flat(tank);
    expect(front.y + front.h).toBeCloseTo(cabinet.height, 12);
    expect(cabinetView('above', cabinet).flat(tank)).toEqual({ x: 0.3, y: 0.1, w: 0.28, h: 0.28 });
  });

  test.each(['front', 'above'] as const)(
    'dropping a thing where it stands leaves it there, %s',
    (view) => {
      const { flat, dropped } = cabinetView(view, cabinet);
      const { x, y } = flat(tank);
      const place = dropped(tank, x, y, []);
      for (const side of ['x', 'y', 'z'] as const) expect(place[side]).toBeCloseTo(tank[side], 12);
    },
  );

  test('draws a dropped thing to walls and neighbours, the nearest first, and never outside', () => {
    const { dropped } = cabinetView('above', cabinet);
    expect(dropped(tank, 0.02, 0.1, []).x).toBe(0);
    expect(dropped(tank, 0.51, 0.1, []).x).toBeCloseTo(0.52, 12);
    // Its left side beside the unit's right one, and their fronts in one line.
    const beside = dropped(tank, 0.281, 0.147, [unit]);
    expect(beside.x).toBeCloseTo(0.26, 12);
    expect(beside.z).toBeCloseTo(0.15, 12);
    expect(dropped(tank, 0.4137, 0.1, []).x).toBeCloseTo(0.41, 12);
    expect(dropped(tank, 9, -3, [])).toMatchObject({ x: 0.52, z: 0 });
  });

  test('a key’s step is not drawn back to the wall it leaves', () => {
    const { nudged } = cabinetView('front', cabinet);
    expect(nudged({ ...tank, x: 0 }, 0.01, 0).x).toBeCloseTo(0.01, 12);
    expect(nudged(tank, 0, -0.05).y).toBeCloseTo(0.05, 12);
    expect(nudged(tank, 0, 0.05).y).toBeCloseTo(0, 12);
  });
});

describe('turning a thing', () => {
  const body = (change: Partial<Body>): Body => ({
    id: 'unit',
    width: unit.width,
    height: unit.height,
    depth: unit.depth,
    below: 0,
    gap: 0,
    frontFree: false,
    hangs: true,
    mayLie: false,
    ...change,
  });

  test('hangs a unit on the side wall that is nearer, and back again', () => {
    const hung = body({});
    expect(turning(hung, unit)).toBe('Hang it on the side wall');
    expect(turnedOver(hung, { ...unit, z: 0.4 }, cabinet)).toMatchObject({
      x: 0,
      z: cabinet.depth - unit.width,
      turned: true,
    });
    const right = turnedOver(hung, { ...unit, x: 0.5 }, cabinet);
    expect(right.x).toBeCloseTo(cabinet.width - unit.depth, 12);
    const aside = { ...unit, ...right, width: unit.depth, depth: unit.width };
    expect(turning(hung, aside)).toBe('Hang it on the back wall');
    const back = turnedOver(hung, aside, cabinet);
    expect(back).toEqual({ x: cabinet.width - unit.width, y: unit.y, z: 0, lies: false });
  });

  test('is for what hangs and what may lie, and not for what is as deep as it is wide', () => {
    expect(turning(body({ hangs: false, mayLie: true }), tank)).toBe('Lay it down');
    expect(turning(body({ hangs: false }), unit)).toBeNull();
    expect(turning(body({ width: 0.07, depth: 0.07 }), unit)).toBeNull();
    expect(turnedOver(body({ hangs: false, mayLie: true }), tank, cabinet).lies).toBe(true);
  });

  test('a turned thing stays turned when it is moved', () => {
    const aside = { ...unit, turned: true };
    const { dropped, nudged } = cabinetView('above', cabinet);
    expect(dropped(aside, 0, 0, []).turned).toBe(true);
    expect(nudged(aside, 0.1, 0).turned).toBe(true);
    expect('turned' in nudged(unit, 0.1, 0)).toBe(false);
  });
});
