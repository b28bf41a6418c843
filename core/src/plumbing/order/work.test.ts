import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { archetypes, factsOf, seen } from '../../test/plumbingSamples.ts';
import { samplePart, tankDesign } from '../../test/samples.ts';
import type { InstalledSystem } from '../../system/ultravioletLine.ts';
import { drainHole } from '../connections/drainHole.ts';
import type { PlumbingSite } from '../connections/siteFacts.ts';
import { mayMove, orderedWork } from './orderedWork.ts';
import { workOrder } from './workOrder.ts';
import { toolsOf } from './workStep.ts';

describe.each(archetypes)('the order of work of %s', (_name, system, change) => {
  const facts = factsOf(system, change);
  const steps = workOrder(facts);

  test('puts nothing before what it stands on, and runs every tube once', () => {
    steps.forEach((step, i) => {
      for (const before of step.after) {
        expect(steps.findIndex(({ id }) => id === before)).toBeLessThan(i);
        expect(steps.findIndex(({ id }) => id === before)).toBeGreaterThanOrEqual(0);
      }
    });
    expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
    expect(steps.filter(({ code }) => code === 'run-tube')).toHaveLength(facts.tubes.length);
    expect(steps[steps.length - 1]!.code).toBe('clear-up');
    expect(toolsOf(steps)).toContain('tube-cutter');
  });

  test('however it is wanted stays physical, and what may move moves', () => {
    fc.assert(
      fc.property(
        fc.shuffledSubarray(
          steps.map(({ id }) => id),
          { minLength: steps.length },
        ),
        (wanted) => {
          const ordered = orderedWork(steps, wanted);
          expect(ordered.map(({ id }) => id).sort()).toEqual(steps.map(({ id }) => id).sort());
          ordered.forEach((step, i) => {
            for (const before of step.after)
              expect(ordered.findIndex(({ id }) => id === before)).toBeLessThan(i);
          });
        },
      ),
      { numRuns: 40 },
    );
    expect(orderedWork(steps, [])).toEqual(steps);
    expect(mayMove(steps, 'clear-up', 0)).toBe(false);
    // What stands on nothing may come first.
    for (const { id } of steps.filter(({ after }) => after.length === 0))
      expect(mayMove(steps, id, 0)).toBe(true);
  });
});

describe('the order of work', () => {
  test('changes its marks only where the system did', () => {
    const marks = (system: InstalledSystem) =>
      Object.fromEntries(workOrder(factsOf(system)).map(({ id, mark }) => [id, mark]));
    const before = marks(tankDesign);
    const after = marks({ ...tankDesign, tank: { ...tankDesign.tank!, volumeL: 20 } });
    expect(after.tank).not.toBe(before.tank);
    expect(after.feed).toBe(before.feed);
    expect(after['check-precharge']).toBe(before['check-precharge']);
  });

  test('shows cautions at their step: stone, switch, deviation, saddle', () => {
    const cautionsAt = (site: PlumbingSite, id: string) =>
      workOrder(
        factsOf(
          {
            ...tankDesign,
            pump: samplePart('pump'),
            solenoid: samplePart('solenoid'),
            shutoff: null,
          },
          { site },
        ),
      ).find((step) => step.id === id)?.cautions;
    expect(cautionsAt({ ...seen, counter: 'quartz' }, 'tap-hole')).toContain('stone-dust');
    expect(cautionsAt({ ...seen, outlet: 'switched' }, 'power')).toContain('switched-outlet');
    expect(cautionsAt({ ...seen, outlet: 'none' }, 'power')).toContain('electrician');
    expect(cautionsAt(seen, 'drill-drain')).toContain('one-wall');
    const deviated = workOrder({
      ...factsOf(tankDesign),
      drain: drainHole(seen, { place: 'after-trap' }),
    });
    expect(deviated.find(({ id }) => id === 'drill-drain')?.cautions).toContain('sewer-gas');
  });
});
