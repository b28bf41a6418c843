import { describe, expect, test } from '@jest/globals';
import { directDesign, samplePart, sampleWater, tankDesign } from '../test/samples.ts';
import { requirements, watersOf } from '../test/sizingSamples.ts';
import { judge } from '../choose/judge.ts';
import { closesWhenFull, feedCloser, idleDrainLPerDay } from './closing.ts';
import { waterline } from './waterline.ts';

const pump = samplePart('pump');
const bare = { ...tankDesign, pump, shutoff: null };
const wired = { ...bare, solenoid: samplePart('solenoid') };

describe('a full tank', () => {
  test('stops the water by a valve, a solenoid, or what is inside a unit', () => {
    expect(feedCloser(tankDesign)).toBe('valve');
    expect(feedCloser(wired)).toBe('solenoid');
    expect(feedCloser(directDesign)).toBe('unit');
    expect(
      [tankDesign, wired, directDesign].map((one) => idleDrainLPerDay(one, sampleWater)),
    ).toEqual([0, 0, 0]);
  });

  test('does not where only the pump stops: the restrictor runs at the supply’s pressure', () => {
    const { flowMlMin, atPressureBar } = bare.restrictor.restrictor;
    const litres = (bar: number) => 1.44 * flowMlMin * Math.sqrt(bar / atPressureBar);
    for (const pressureBar of [2, 4])
      expect(idleDrainLPerDay(bare, { ...sampleWater, pressureBar })).toBeCloseTo(
        litres(pressureBar),
        9,
      );
    // At 2 bar some three hundred litres a day.
    expect(litres(2)).toBeGreaterThan(300);
    expect(judge(bare, watersOf(sampleWater), requirements).shortfalls).toContain(
      'never-shuts-off',
    );
    expect(judge(wired, watersOf(sampleWater), requirements).shortfalls).not.toContain(
      'never-shuts-off',
    );
  });

  test('is seen on the line: what runs to drain is what runs in', () => {
    const idle = (design: typeof bare) => {
      const line = waterline(design, sampleWater, { tap: 'closed', tankShare: 1 });
      if (!line.ok) throw new Error(line.failure.code);
      const flow = (id: string) => line.value.nodes.find((node) => node.id === id)!.flowLPerH;
      return [flow('street'), flow('drain'), flow('membrane')];
    };
    const running = idleDrainLPerDay(bare, sampleWater) / 24;
    expect(idle(bare)).toEqual([running, running, 0]);
    expect(idle(wired)).toEqual([0, 0, 0]);
  });

  test('behind a pump closes a hydraulic valve as long as it feels less than the tank holds', () => {
    const valve = { ...bare, shutoff: samplePart('shutoff') };
    const at = (pressureBar: number, tdsMgL: number) =>
      closesWhenFull(valve, { ...sampleWater, pressureBar, tdsMgL });
    // 0.67 of 4 bar lies under the cut-out of 2.8.
    expect(at(4, 10000)).toBe(true);
    // 0.67 of 6 bar lies over it: the supply pushes the rest, unless the water is too salty for that.
    expect(at(6, 400)).toBe(true);
    expect(at(6, 5000)).toBe(false);
  });
});
