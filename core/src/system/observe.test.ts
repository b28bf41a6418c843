import { describe, expect, test } from '@jest/globals';
import { directDesign, sampleWater, tankDesign } from '../test/samples.ts';
import { assess } from './assess.ts';
import { type Condition, sound } from './condition.ts';
import type { SystemDesign } from './design.ts';
import { observe, type Scene } from './observe.ts';
import { waterline } from './waterline.ts';

const running: Scene = { tank: 'closed', tap: 'open' };

function seen(
  condition: Partial<Condition> = {},
  design: SystemDesign = tankDesign,
  scene: Scene = running,
) {
  const observed = observe(design, { ...sound, ...condition }, scene, sampleWater);
  if (!observed.ok) throw new Error(observed.failure.code);
  return observed.value;
}
const point = (condition: Partial<Condition> = {}, design?: SystemDesign) =>
  seen(condition, design).point;

describe('what is observed', () => {
  test('of a sound system is what it is assessed to do', () => {
    const direct = assess(directDesign, sampleWater);
    if (!direct.ok) throw new Error(direct.failure.code);
    const { marches: _own, ...observed } = point({}, directDesign);
    for (const [key, value] of Object.entries(observed))
      expect(value).toBeCloseTo(direct.value.running[key as keyof typeof observed], 6);
    const tank = assess(tankDesign, sampleWater);
    if (!tank.ok) throw new Error(tank.failure.code);
    const scene: Scene = { tank: 'open', tankBar: tankDesign.tank!.prechargeBar, tap: 'closed' };
    expect(seen({}, tankDesign, scene).point.permeateFlowLPerH).toBeCloseTo(
      tank.value.running.permeateFlowLPerH,
      6,
    );
  });

  test('stands on the waterline', () => {
    const line = waterline(tankDesign, sampleWater, { tap: 'open', tankShare: 0.5 });
    if (!line.ok) throw new Error(line.failure.code);
    const tankBar = line.value.nodes.find(({ kind }) => kind === 'tank')!.pressureBar;
    const { point: now, drawnLPerH } = seen({}, tankDesign, {
      tank: 'open',
      tankBar,
      tap: 'open',
    });
    const node = (kind: string) => line.value.nodes.find((one) => one.kind === kind)!;
    expect(node('membrane').flowLPerH).toBeCloseTo(now.permeateFlowLPerH, 9);
    expect(node('drain').flowLPerH).toBeCloseTo(now.concentrateFlowLPerH, 9);
    expect(node('tap').flowLPerH).toBeCloseTo(drawnLPerH, 9);
  });

  test.each<[string, Partial<Condition>]>([
    ['sound', {}],
    ['leaking past the membrane', { leakMlMin: 60 }],
    ['behind a valve half shut', { feedValveKv: 0.03 }],
    ['without its restrictor', { restrictorFactor: 8 }],
  ])('%s, loses neither water nor salt', (_name, condition) => {
    const now = point(condition);
    const { feedFlowLPerH: feed, permeateFlowLPerH, concentrateFlowLPerH } = now;
    expect(permeateFlowLPerH + concentrateFlowLPerH).toBeCloseTo(feed, 6);
    const salt =
      permeateFlowLPerH * now.permeateTdsMgL + concentrateFlowLPerH * now.concentrateTdsMgL;
    expect(salt / (feed * sampleWater.tdsMgL)).toBeCloseTo(1, 9);
  });
});

describe('a fault', () => {
  const fine = point();

  test('of the seal lets concentrate into the product, the more the wider it is', () => {
    const tds = [0, 10, 30, 90].map((leakMlMin) => point({ leakMlMin }).permeateTdsMgL);
    expect(tds[0]).toBeCloseTo(fine.permeateTdsMgL, 6);
    expect([...tds].sort((a, b) => a - b)).toEqual(tds);
    // A leak as large as what the membrane makes brings about half of the concentrate's strength.
    expect(point({ leakMlMin: 300 }).permeateTdsMgL).toBeGreaterThan(0.5 * sampleWater.tdsMgL);
  });

  test('of the feed valve takes the square of the flow over its coefficient', () => {
    const kv = 0.03;
    const now = point({ feedValveKv: kv });
    const lostBar = (now.feedFlowLPerH / 1000 / kv) ** 2;
    const behind = observe(tankDesign, sound, running, {
      ...sampleWater,
      pressureBar: sampleWater.pressureBar - lostBar,
    });
    if (!behind.ok) throw new Error(behind.failure.code);
    expect(now.permeateFlowLPerH).toBeCloseTo(behind.value.point.permeateFlowLPerH, 6);
    expect(now.membranePressureBar).toBeLessThan(fine.membranePressureBar);
  });

  test('of the restrictor: missing, the drain runs and the pressure falls; blocked, recovery and salt rise', () => {
    const missing = point({ restrictorFactor: 6 });
    expect(missing.concentrateFlowLPerH).toBeGreaterThan(2.5 * fine.concentrateFlowLPerH);
    expect(missing.membranePressureBar).toBeLessThan(fine.membranePressureBar);
    const blocked = point({ restrictorFactor: 0.25 });
    expect(blocked.recovery).toBeGreaterThan(1.5 * fine.recovery);
    expect(blocked.permeateTdsMgL).toBeGreaterThan(fine.permeateTdsMgL);
  });

  test('of a pre-filter or the membrane makes less', () => {
    for (const condition of [
      { prefilterFactor: 20 },
      { ageing: { flowFactor: 0.5, saltPassageFactor: 1 } },
    ])
      expect(point(condition).permeateFlowLPerH).toBeLessThan(0.95 * fine.permeateFlowLPerH);
  });

  test('that is none of this world is refused at its field', () => {
    expect(observe(tankDesign, { ...sound, leakMlMin: -1 }, running, sampleWater)).toMatchObject({
      ok: false,
      failure: { code: 'out-of-range', path: 'trouble.leakMlMin' },
    });
  });
});
