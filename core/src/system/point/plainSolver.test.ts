import { describe, expect, test } from '@jest/globals';
import { plainSystem } from '../../test/plainSolver.ts';
import { samplePump, sampleSystem } from '../../test/samples.ts';
import { operatingPoint } from './operatingPoint.ts';
import type { RoSystem } from './roSystem.ts';

describe('the fast solver and general packages', () => {
  const { feed } = sampleSystem;
  test.each<[string, RoSystem]>([
    ['a usual water', sampleSystem],
    ['cold water', { ...sampleSystem, feed: { ...feed, temperatureC: 5 } }],
    ['warm salty water', { ...sampleSystem, feed: { ...feed, tdsMgL: 1400, temperatureC: 28 } }],
    ['a pump', { ...sampleSystem, feed: { ...feed, pressureBar: 2 }, pump: samplePump }],
    [
      'an aged element',
      {
        ...sampleSystem,
        membrane: { ...sampleSystem.membrane, flowFactor: 0.8, saltPassageFactor: 1.6 },
      },
    ],
    ['high recovery', { ...sampleSystem, restrictor: { flowMlMin: 110, atPressureBar: 4.1 } }],
  ])('agree on %s to a part in 10^5, at three product pressures', (_name, system) => {
    const plain = plainSystem(system);
    for (const permeateBackPressureBar of [0, 0.6, 1.1]) {
      const slow = plain.solveAt(permeateBackPressureBar);
      const fast = operatingPoint({ ...system, permeateBackPressureBar });
      if (!fast.ok) throw new Error(fast.failure.code);
      expect(fast.value.permeateFlowLPerH / slow.permeateLPerH).toBeCloseTo(1, 5);
      expect(fast.value.feedFlowLPerH / slow.feedFlowLPerH).toBeCloseTo(1, 5);
      expect(fast.value.permeateTdsMgL / slow.permeateMgL).toBeCloseTo(1, 4);
    }
  });
});
