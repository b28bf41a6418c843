import { describe, expect, test } from '@jest/globals';
import { type CabinetPlan, plannedHoles } from '@katharos/core';
import { cabinetSvg } from './cabinetSvg.ts';
import { readerOf } from '@katharos/words';
import { holePlanMm, holePlanSvg, rulerOf } from './holePlanSvg.ts';

const body = {
  id: 'tank',
  width: 0.28,
  height: 0.4,
  depth: 0.28,
  below: 0,
  gap: 0,
  frontFree: true,
  hangs: false,
  mayLie: true,
};
const unit = { ...body, id: 'unit', below: 0.06, hangs: true, mayLie: false };
const plan: CabinetPlan = {
  cabinet: { width: 0.8, height: 0.7, depth: 0.5 },
  door: { width: 0.6, height: 0.6 },
  bodies: [unit, body],
  obstacles: [{ id: 'trap', x: 0.3, y: 0.3, z: 0, width: 0.2, height: 0.4, depth: 0.2 }],
  placed: [
    { id: 'unit', x: 0, y: 0.1, z: 0, width: 0.28, height: 0.4, depth: 0.28, lies: false },
    { id: 'tank', x: 0.5, y: 0, z: 0.1, width: 0.28, height: 0.4, depth: 0.28, lies: false },
  ],
  left: [],
  clashes: [],
  reach: [],
  next: null,
};

const number = (svg: string, pattern: RegExp): number => Number(pattern.exec(svg)?.[1]);

/** Every rectangle of a drawing, in millimetres of the real thing. */
const rectangles = (svg: string) =>
  [...svg.matchAll(/<rect x="([\d.-]+)" y="([\d.-]+)" width="([\d.]+)" height="([\d.]+)"/g)].map(
    ([, ...sides]) => sides.map(Number) as [number, number, number, number],
  );

describe('the cabinet’s drawing', () => {
  test('is one to ten: its size on paper is a tenth of the numbers it is drawn in', () => {
    const svg = cabinetSvg(plan)!;
    const paper = number(svg, /width="([\d.]+)mm"/);
    const drawn = number(svg, /viewBox="-40 0 ([\d.]+) /);
    expect(drawn / paper).toBeCloseTo(10, 2);
    expect(drawn).toBeCloseTo(800 + 80, 6);
  });

  test('shows every thing twice, in its own size, inside the walls', () => {
    const all = rectangles(cabinetSvg(plan)!);
    const [wall] = all;
    expect(wall!.slice(2)).toEqual([800, 700]);
    const tank = all.filter(([, , w, h]) => w === 280 && (h === 400 || h === 280));
    expect(tank).toHaveLength(4);
    for (const [x, , w] of all) {
      expect(x).toBeGreaterThanOrEqual(0);
      expect(x + w).toBeLessThanOrEqual(800);
    }
  });

  test('puts the next cupboard beside, on the same floor, with the tank in it', () => {
    const cupboard = { width: 0.4, height: 0.5, depth: 0.45 };
    const tank = { ...plan.placed[1]!, x: 0.05, z: 0 };
    const svg = cabinetSvg({ ...plan, next: { cupboard, body, tank } })!;
    const all = rectangles(svg);
    const beside = all.filter(([x, , w]) => x === 820 && w === 400);
    expect(beside.map(([, , , h]) => h)).toEqual([500, 450]);
    const [wall] = all;
    expect(beside[0]![1] + 500).toBeCloseTo(wall![1] + 700, 6);
    expect(number(svg, /viewBox="-40 0 ([\d.]+) /)).toBeCloseTo(1220 + 80, 6);
  });

  test('does not exist while nothing was measured', () => {
    expect(cabinetSvg({ ...plan, cabinet: null })).toBeNull();
  });
});

describe('the hole plan', () => {
  const tap = {
    mount: 'drilled' as const,
    holeMm: 28,
    counter: 'steel' as const,
    tool: 'step-drill' as const,
    pilotMm: 4,
    rpm: 140,
    minutes: 6,
    remarks: [],
  };
  const drain = {
    tube: '1/4"' as const,
    way: 'saddle' as const,
    place: 'before-trap' as const,
    deviation: false,
    holeMm: 6,
    insertMm: 14,
    centreMm: 90,
    angleDeg: null,
    pipeMm: 40,
    remarks: [],
  };

  test('is drawn in millimetres, one to one, with a ruler', () => {
    const svg = holePlanSvg(plannedHoles(tap, drain), readerOf());
    expect(number(svg, /width="(\d+)mm"/)).toBe(number(svg, /viewBox="0 0 (\d+) /));
    expect([...svg.matchAll(/ r="([\d.]+)"/g)].map(([, r]) => 2 * Number(r))).toEqual([28, 4, 6]);
    expect(number(svg, /M10 10h(\d+)/)).toBe(rulerOf(readerOf()).mm);
  });

  test('keeps its holes apart and on the sheet', () => {
    const wide = (['tap', 'pilot', 'drain'] as const).map((what) => ({ what, mm: 35 }));
    const at = [...holePlanSvg(wide, readerOf()).matchAll(/cx="([\d.]+)"/g)].map(([, x]) =>
      Number(x),
    );
    expect(at[0]! - 17.5 - 6).toBeGreaterThanOrEqual(10);
    expect(at[2]! + 17.5 + 6).toBeLessThanOrEqual(holePlanMm.width - 6);
    expect(at[1]! - at[0]!).toBeGreaterThan(35);
  });

  test('leaves out what is there already or is not drilled', () => {
    expect(plannedHoles({ ...tap, mount: 'existing', holeMm: 0 }, null)).toEqual([]);
    expect(plannedHoles({ ...tap, mount: 'bracket' }, { ...drain, holeMm: 0 })).toEqual([]);
  });
});
