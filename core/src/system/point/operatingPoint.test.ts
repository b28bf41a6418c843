import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { pumpBoost } from '../../hydraulics/pumpPressure.ts';
import { tapLineLoss } from '../../hydraulics/tapLine.ts';
import { viscosityRatio } from '../../water/waterViscosity.ts';
import { samplePump, sampleSystem } from '../../test/samples.ts';
import { directFlow } from './directFlow.ts';
import { operatingPoint, OperatingPointSolver } from './operatingPoint.ts';
import { resolveSystem, type RoSystem } from './roSystem.ts';

function solved(system: RoSystem & { permeateBackPressureBar?: number }) {
  const point = operatingPoint(system);
  if (!point.ok) throw new Error(`${point.failure.code} at ${point.failure.path}`);
  return point.value;
}

/**
 * Systems as they are met under sinks, with the pressure that their strength asks for, so that the whole of every channel makes
 * product. Near the osmotic limit the rules below do not hold: there colder water, whose osmotic pressure is lower, may give more.
 */
const systems = fc
  .record({
    tdsMgL: fc.double({ min: 50, max: 1500, noNaN: true }),
    temperatureC: fc.double({ min: 4, max: 34, noNaN: true }),
    pressureBar: fc.double({ min: 2.5, max: 7, noNaN: true }),
    flowMlMin: fc.integer({ min: 200, max: 900 }),
    count: fc.integer({ min: 1, max: 3 }),
    series: fc.boolean(),
    pumped: fc.boolean(),
    permeateBackPressureBar: fc.double({ min: 0, max: 0.9, noNaN: true }),
  })
  .map((s) => ({
    ...sampleSystem,
    feed: {
      tdsMgL: s.tdsMgL,
      temperatureC: s.temperatureC,
      pressureBar: s.pressureBar + s.tdsMgL / 500,
    },
    membrane: {
      ...sampleSystem.membrane,
      count: s.count,
      arrangement: s.series ? ('series' as const) : ('parallel' as const),
    },
    restrictor: { flowMlMin: s.flowMlMin, atPressureBar: 4.1 },
    pump: s.pumped ? samplePump : undefined,
    permeateBackPressureBar: s.permeateBackPressureBar,
  }));

describe('operating point', () => {
  test('closes the balances of water and salt to a part in 10^9', () => {
    fc.assert(
      fc.property(systems, (system) => {
        const p = solved(system);
        const water = p.permeateFlowLPerH + p.concentrateFlowLPerH;
        expect(Math.abs(water / p.feedFlowLPerH - 1)).toBeLessThan(1e-9);
        const salt =
          p.permeateFlowLPerH * p.permeateTdsMgL + p.concentrateFlowLPerH * p.concentrateTdsMgL;
        expect(Math.abs(salt / (p.feedFlowLPerH * system.feed.tdsMgL) - 1)).toBeLessThan(1e-9);
      }),
    );
  });

  test('stands on the restrictor’s, the filters’ and the pump’s own curves', () => {
    fc.assert(
      fc.property(systems, (system) => {
        const p = solved(system);
        const orifice = 0.06 * system.restrictor.flowMlMin * Math.sqrt(p.membranePressureBar / 4.1);
        expect(p.concentrateFlowLPerH / orifice).toBeCloseTo(1, 7);
        const { temperatureC, pressureBar } = system.feed;
        const inlet = pressureBar - (0.2 / 60) * viscosityRatio(temperatureC) * p.feedFlowLPerH;
        const behindPump = system.pump
          ? Math.max(
              inlet,
              Math.min(
                inlet + pumpBoost(system.pump.curve, p.feedFlowLPerH),
                system.pump.bypassBar,
              ),
            )
          : inlet;
        expect(p.membranePressureBar).toBeCloseTo(behindPump, 7);
      }),
    );
  });

  test('is the same from a cold start and from any earlier answer', () => {
    const resolved = resolveSystem(sampleSystem);
    if (!resolved.ok) throw new Error(resolved.failure.code);
    const solver = new OperatingPointSolver(resolved.value);
    for (const back of [0, 1.9, 0.2, 2.2, 0]) {
      const warm = solver.solve(() => back);
      const cold = solved({ ...sampleSystem, permeateBackPressureBar: back });
      if (!warm.ok) throw new Error(warm.failure.code);
      expect(warm.value.permeateFlowLPerH / cold.permeateFlowLPerH).toBeCloseTo(1, 8);
    }
  });

  test('colder water gives less water', () => {
    fc.assert(
      fc.property(systems, (system) => {
        const { feed } = system;
        const warm = solved(system);
        const cold = solved({ ...system, feed: { ...feed, temperatureC: feed.temperatureC - 3 } });
        expect(cold.permeateFlowLPerH).toBeLessThan(warm.permeateFlowLPerH);
      }),
    );
  });

  test('higher back pressure gives less water and worse rejection', () => {
    fc.assert(
      fc.property(systems, (system) => {
        const low = solved(system);
        const high = solved({
          ...system,
          permeateBackPressureBar: system.permeateBackPressureBar + 0.5,
        });
        expect(high.permeateFlowLPerH).toBeLessThan(low.permeateFlowLPerH);
        expect(high.rejection).toBeLessThan(low.rejection);
      }),
    );
  });

  test('saltier water gives less water and saltier product; more pressure the contrary', () => {
    fc.assert(
      fc.property(systems, (system) => {
        const { feed } = system;
        const base = solved(system);
        const salty = solved({ ...system, feed: { ...feed, tdsMgL: feed.tdsMgL * 1.2 } });
        expect(salty.permeateFlowLPerH).toBeLessThan(base.permeateFlowLPerH);
        expect(salty.permeateTdsMgL).toBeGreaterThan(base.permeateTdsMgL);
        const strong = solved({
          ...system,
          feed: { ...feed, pressureBar: feed.pressureBar + 0.5 },
        });
        // Where a pump's bypass holds the pressure, more supply changes nothing: equal to the solver's tolerance.
        expect(strong.permeateFlowLPerH).toBeGreaterThan(base.permeateFlowLPerH * (1 - 1e-8));
      }),
    );
  });

  test('a system twice as large passes twice as much of everything', () => {
    const { membrane, restrictor, prefilters } = sampleSystem;
    const one = solved(sampleSystem);
    const two = solved({
      ...sampleSystem,
      membrane: { ...membrane, ratedFlowLPerDay: membrane.ratedFlowLPerDay * 2 },
      restrictor: { ...restrictor, flowMlMin: restrictor.flowMlMin * 2 },
      prefilters: { dropBar: prefilters!.dropBar, atFlowLPerH: prefilters!.atFlowLPerH * 2 },
    });
    const parallel = solved({
      ...sampleSystem,
      membrane: { ...membrane, count: 2, arrangement: 'parallel' },
      restrictor: { ...restrictor, flowMlMin: restrictor.flowMlMin * 2 },
      prefilters: { dropBar: prefilters!.dropBar, atFlowLPerH: prefilters!.atFlowLPerH * 2 },
    });
    for (const double of [two, parallel]) {
      expect(double.permeateFlowLPerH / one.permeateFlowLPerH).toBeCloseTo(2, 7);
      expect(double.feedFlowLPerH / one.feedFlowLPerH).toBeCloseTo(2, 7);
      expect(double.permeateTdsMgL / one.permeateTdsMgL).toBeCloseTo(1, 7);
    }
  });

  test('an aged membrane gives less and saltier water', () => {
    const aged = solved({
      ...sampleSystem,
      membrane: { ...sampleSystem.membrane, flowFactor: 0.8, saltPassageFactor: 1.5 },
    });
    const fresh = solved(sampleSystem);
    expect(aged.permeateFlowLPerH).toBeLessThan(0.87 * fresh.permeateFlowLPerH);
    expect(aged.permeateTdsMgL).toBeGreaterThan(1.3 * fresh.permeateTdsMgL);
  });

  test('costs a handful of marches', () => {
    fc.assert(
      fc.property(systems, (system) => {
        if (system.membrane.arrangement === 'series' && system.membrane.count > 1) return;
        expect(solved(system).marches).toBeLessThanOrEqual(8);
      }),
    );
  });

  test.each<[string, string, Partial<RoSystem> & { permeateBackPressureBar?: number }]>([
    ['no-driving-pressure', 'feed.pressureBar', { permeateBackPressureBar: 4.5 }],
    [
      'pressure-below-osmotic',
      'feed.pressureBar',
      { feed: { tdsMgL: 4000, temperatureC: 10, pressureBar: 2 } },
    ],
    ['out-of-range', 'feed.temperatureC', { feed: { ...sampleSystem.feed, temperatureC: 60 } }],
    ['not-a-number', 'feed.tdsMgL', { feed: { ...sampleSystem.feed, tdsMgL: NaN } }],
    ['out-of-range', 'membrane.count', { membrane: { ...sampleSystem.membrane, count: 1.5 } }],
    ['out-of-range', 'prefilters.atFlowLPerH', { prefilters: { dropBar: 1, atFlowLPerH: 0 } }],
    ['out-of-range', 'pump.curve.length', { pump: { curve: [], bypassBar: 6 } }],
    [
      'out-of-range',
      'pump.curve.1.flowLPerH',
      {
        pump: {
          curve: [
            { flowLPerH: 9, boostBar: 1 },
            { flowLPerH: 3, boostBar: 1 },
          ],
          bypassBar: 6,
        },
      },
    ],
  ])('%s at %s', (code, path, change) => {
    expect(operatingPoint({ ...sampleSystem, ...change })).toMatchObject({
      ok: false,
      failure: { code, path },
    });
  });

  test('a concentrate beyond the equations is refused, not reported', () => {
    const nearlyShut = operatingPoint({
      ...sampleSystem,
      feed: { tdsMgL: 9000, temperatureC: 20, pressureBar: 16 },
      membrane: { ...sampleSystem.membrane, ratedFlowLPerDay: 20000 },
      restrictor: { flowMlMin: 10, atPressureBar: 30 },
      pump: { curve: [{ flowLPerH: 0, boostBar: 30 }], bypassBar: 30 },
    });
    // Either the osmotic pressure holds it below the limit, or it is named; never a number beyond.
    if (nearlyShut.ok) expect(nearlyShut.value.concentrateTdsMgL).toBeLessThanOrEqual(70000);
    else expect(nearlyShut.failure.code).toBe('concentrate-too-strong');
  });
});

describe('direct flow', () => {
  const tapLine = { tubes: [{ innerDiameterMm: 4.3, lengthM: 2 }], tapKv: 0.3, riseM: 1 };

  test('settles where the tap’s line passes exactly the product', () => {
    const point = directFlow({ ...sampleSystem, pump: samplePump, tapLine });
    if (!point.ok) throw new Error(point.failure.code);
    const { permeateFlowLPerH, permeateBackPressureBar } = point.value;
    expect(permeateBackPressureBar).toBeCloseTo(
      tapLineLoss(tapLine, permeateFlowLPerH, sampleSystem.feed.temperatureC).totalBar,
      9,
    );
    const free = solved({ ...sampleSystem, pump: samplePump });
    expect(permeateFlowLPerH).toBeLessThan(free.permeateFlowLPerH);
  });

  test('is named as without product where the rise alone stops it', () => {
    const high = directFlow({ ...sampleSystem, tapLine: { ...tapLine, riseM: 45 } });
    expect(high).toMatchObject({ ok: false, failure: { code: 'no-product-to-the-tap' } });
  });

  test('names a wrong line', () => {
    const wrong = directFlow({ ...sampleSystem, tapLine: { ...tapLine, tapKv: -1 } });
    expect(wrong).toMatchObject({ ok: false, failure: { path: 'tapLine.tapKv' } });
  });
});
