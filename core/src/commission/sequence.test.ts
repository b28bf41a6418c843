import { describe, expect, test } from '@jest/globals';
import { archetypes, factsOf } from '../test/plumbingSamples.ts';
import { sampleWater } from '../test/samples.ts';
import { sampleFlush } from '../test/flushSamples.ts';
import type { InstalledSystem } from '../system/ultravioletLine.ts';
import { workOrder } from '../plumbing/order/workOrder.ts';
import type { FlushStep } from './flushPlan.ts';
import { flushFactsOf, sequence } from './sequence.ts';

const flushed = (system: InstalledSystem, facts: ReturnType<typeof factsOf>): FlushStep[] =>
  sampleFlush(system, sampleWater, flushFactsOf(system, facts, facts.regulatorBar));

describe.each(archetypes)('from the closed valve to the last look: %s', (_name, system, change) => {
  const facts = factsOf(system, change);
  const work = workOrder(facts);
  const flush = flushed(system, facts);

  test('every step has what it needs, and nothing is left closed, unplugged, taken off or unproven', () => {
    expect(sequence(system, work, flush).faults).toEqual([]);
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
