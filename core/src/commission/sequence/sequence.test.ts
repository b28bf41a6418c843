import { describe, expect, test } from '@jest/globals';
import { archetypes, factsOf } from '../../test/plumbingSamples.ts';
import { sampleWater } from '../../test/samples.ts';
import { sampleFlush } from '../../test/flushSamples.ts';
import type { InstalledSystem } from '../../system/ultravioletLine.ts';
import { workOrder } from '../../plumbing/order/workOrder.ts';
import { usualFlushWays } from '../flush/flushPlan.ts';
import type { FlushStep } from '../flush/flushStep.ts';
import { canBeDisinfected } from '../washout/disinfection.ts';
import { flushFactsOf } from './flushFacts.ts';
import { flushStates, workDone } from './flushStates.ts';
import { sequence } from './sequence.ts';

const circumstances = {
  regulatorBar: null,
  disinfectant: 'chlorine' as const,
  sanitise: false,
  ways: usualFlushWays,
};
const flushed = (system: InstalledSystem, facts: ReturnType<typeof factsOf>): FlushStep[] =>
  sampleFlush(
    system,
    sampleWater,
    flushFactsOf(system, facts, { ...circumstances, regulatorBar: facts.regulatorBar }),
  );

describe.each(archetypes)('from the closed valve to the last look: %s', (_name, system, change) => {
  const facts = factsOf(system, change);
  const work = workOrder(facts);
  const flush = flushed(system, facts);

  test('every step has what it needs, and nothing is left closed, unplugged, taken off or unproven', () => {
    expect(sequence(system, work, flush).faults).toEqual([]);
  });

  test('nor is anything where everything is disinfected first', () => {
    const told = flushFactsOf(system, facts, {
      ...circumstances,
      regulatorBar: facts.regulatorBar,
      sanitise: true,
    });
    const steps = sampleFlush(system, sampleWater, told);
    expect(sequence(system, work, steps).faults).toEqual([]);
    // The line to the tap behind a lamp has had unsafe water in it: it is disinfected with the lamp lit.
    if (canBeDisinfected(system)) {
      const fill = steps.findIndex(({ code }) => code === 'sanitise-fill');
      expect(fill).toBeGreaterThan(0);
      if (system.lamp) expect(flushStates(system, steps, told)[fill]!.lamp).toBe('plugged');
    } else expect(steps.map(({ code }) => code)).not.toContain('sanitise-dose');
  });

  test('no step of the flush can be left out, and none comes earlier', () => {
    const free = new Set([
      'mesh-check',
      'dispenser-rinse',
      'heater-on',
      'auto-flush',
      'leak-check-filling',
      'rest-and-recheck',
    ]);
    for (const [i, step] of flush.entries()) {
      if (free.has(step.id) || step.code === 'set-regulator') continue;
      // A second tank is thrown away for what is in it, which valves do not know.
      if (step.code === 'tank-fill' || step.code === 'tank-drain') continue;
      const rest = flush.filter((_, k) => k !== i);
      expect([step.id, sequence(system, work, rest).faults.length > 0]).toEqual([step.id, true]);
    }
  });
});

describe.each(archetypes)('how it stands while it is flushed: %s', (_name, system, change) => {
  const facts = factsOf(system, change);
  const told = flushFactsOf(system, facts, { ...circumstances, regulatorBar: facts.regulatorBar });
  const flush = sampleFlush(system, sampleWater, told);
  const states = flushStates(system, flush, told);

  test('begins as the work leaves it', () => {
    const work = workOrder(facts);
    const { tubes: _tubes, proven: _proven, ...left } = sequence(system, work, []).states.at(-1)!;
    expect(workDone(system, told)).toMatchObject(left);
  });

  test('every step has what it needs while it is done, and water only ever comes further', () => {
    const reaches = ['house', 'feed-side', 'product', 'tank'];
    const reached = states.map(({ reach }) => reaches.indexOf(reach));
    expect([...reached].sort()).toEqual(reached);
    expect(states.at(-1)!.reach).toMatch(/product|tank/);
    for (const [i, { code }] of flush.entries()) {
      const now = states[i]!;
      if (code === 'fit-membrane' || code === 'put-tube-on') expect(now.feed).toBe('closed');
      if (/rinse|open-tap|drain$/.test(code) && code !== 'sanitise-rinse')
        expect([code, now.tap]).toEqual([code, 'open']);
      if (code === 'tank-fill') expect(now).toMatchObject({ tap: 'closed', tank: 'open' });
      if (now.lamp === 'plugged' && system.lamp) expect(now.reach).not.toBe('house');
    }
  });
});

describe('a firm’s own ways', () => {
  const [, system, change] = archetypes.find(([name]) => name.includes('booster'))!;
  const facts = factsOf(system, change);
  const work = workOrder(facts);
  const planned = (ways: Partial<typeof usualFlushWays>, sanitise = false) =>
    sampleFlush(
      system,
      sampleWater,
      flushFactsOf(system, facts, {
        ...circumstances,
        regulatorBar: facts.regulatorBar,
        sanitise,
        ways: { ...usualFlushWays, ...ways },
      }),
    );
  const count = (steps: FlushStep[], code: FlushStep['code']) =>
    steps.filter((step) => step.code === code).length;

  test.each([
    ['cartridge by cartridge', planned({ prefilters: 'one-by-one' })],
    ['three tanks and a night', planned({ tanks: 3, nightsRest: true })],
    ['sanitised first', planned({}, true)],
  ])('keep the order: %s', (_name, steps) => {
    expect(sequence(system, work, steps).faults).toEqual([]);
    expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
  });

  test('throw away as many tanks as they say, never fewer than the water needs', () => {
    const least = count(planned({ tanks: 1 }), 'tank-drain');
    expect(least).toBeGreaterThanOrEqual(1);
    expect(count(planned({ tanks: 3 }), 'tank-drain')).toBe(Math.max(3, least));
  });

  test('let the last tank alone stand overnight', () => {
    const steps = planned({ tanks: 3, nightsRest: true });
    expect(count(steps, 'night-rest')).toBe(1);
    const at = steps.findIndex(({ code }) => code === 'night-rest');
    expect(steps[at + 1]).toMatchObject({ code: 'tank-drain', data: { cycle: 3 } });
  });

  test('bleach is in with neither cartridges nor membrane, and out before either comes in', () => {
    const steps = planned({}, true);
    const at = (code: FlushStep['code']) => steps.findIndex((step) => step.code === code);
    expect(at('sanitise-rinse')).toBeLessThan(at('fit-cartridges'));
    const early = steps.filter(
      ({ code }) => code !== 'sanitise-rinse' && code !== 'fit-cartridges',
    );
    expect(sequence(system, work, early).faults.map(({ needs }) => needs)).toContain(
      'cartridges in',
    );
    const states = flushStates(system, steps, { hotSide: false });
    expect(states[at('sanitise-dose')]).toMatchObject({ feed: 'closed', reach: 'house' });
    expect(states[at('sanitise-contact')]).toMatchObject({ feed: 'closed', reach: 'feed-side' });
    const dose = steps[at('sanitise-dose')]!;
    const fill = steps[at('sanitise-fill')]!;
    if (dose.code !== 'sanitise-dose' || fill.code !== 'sanitise-fill') throw new Error('no dose');
    // 100 mg/L out of 50 g/L is a five-hundredth of the volume.
    expect(dose.data.bleachMl / fill.data.wettedL).toBeCloseTo(2, 9);
  });
});

describe('what goes wrong is found', () => {
  const [, system, change] = archetypes.find(([name]) => name.includes('booster'))!;
  const facts = factsOf(system, change);
  const work = workOrder(facts);
  const flush = flushed(system, facts);
  const faults = (steps: FlushStep[]) =>
    sequence(system, work, steps).faults.map(({ needs }) => needs);
  const swapped = (a: string, b: string) => {
    const steps = [...flush];
    const [i, k] = [a, b].map((code) => steps.findIndex((step) => step.code === code)) as [
      number,
      number,
    ];
    [steps[i], steps[k]] = [steps[k]!, steps[i]!];
    return steps;
  };

  test('a pump plugged in before water stands at it', () => {
    expect(faults(swapped('plug-in', 'put-tube-on'))).toContain('bucketTube on');
  });

  test('carbon dust that would pass the membrane', () => {
    expect(faults(swapped('prefilter-flush', 'fit-membrane'))).toContain('prefilters flushed');
  });

  test('a house valve that nobody opened again', () => {
    const steps = flush.filter(({ code }) => code !== 'reopen-house');
    expect(faults(steps)).toEqual(expect.arrayContaining(['house open', 'house-tee proven']));
  });

  test('work in the wrong order', () => {
    const early = [...work].sort(
      (a, b) => Number(b.code === 'run-tube') - Number(a.code === 'run-tube'),
    );
    expect(sequence(system, early, flush).faults.some(({ needs }) => / up$/.test(needs))).toBe(
      true,
    );
  });
});
