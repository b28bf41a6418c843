import { describe, expect, test } from '@jest/globals';
import type { JobDocument } from './job.ts';
import { newJobDocument } from './newJob.ts';
import { mergeDocuments } from './merge.ts';

const base = newJobDocument('Two devices');
const flushed = (flush: Partial<JobDocument['flush']>): JobDocument => ({
  ...base,
  flush: { ...base.flush, ...flush },
});
const at = (minute: number) => new Date(Date.UTC(2026, 2, 1, 12, minute)).toISOString();
const step = (by: string, minute: number) => ({
  startedAt: at(minute),
  done: { at: at(minute), by },
});

describe('two devices on one flush', () => {
  test('the one that acted last leads, whichever of the two merges, and nobody is asked', () => {
    const early = flushed({ lead: { device: 'a', by: 'Wren', at: at(1) } });
    const late = flushed({ lead: { device: 'b', by: 'Alder', at: at(2) } });
    for (const [mine, theirs] of [
      [early, late],
      [late, early],
    ] as const) {
      const { document, conflicts } = mergeDocuments(base, mine, theirs);
      expect(conflicts).toEqual([]);
      expect(document.flush.lead?.device).toBe('b');
    }
  });

  test('steps that each did are kept; one that both did differently is asked about', () => {
    const mine = flushed({ steps: { 'open-feed': step('Wren', 1), 'plug-in': step('Wren', 2) } });
    const theirs = flushed({
      steps: { 'open-feed': step('Alder', 3), 'lamp-on': step('Alder', 4) },
    });
    const { document, conflicts } = mergeDocuments(base, mine, theirs);
    expect(Object.keys(document.flush.steps).sort()).toEqual(['lamp-on', 'open-feed', 'plug-in']);
    expect(conflicts.length).toBeGreaterThan(0);
    expect(conflicts.every((path) => path.startsWith('flush.steps.open-feed'))).toBe(true);
  });

  test('plans that differ since the readings do are no question', () => {
    const plan = (minutes: number) => [
      { id: 'tank-fill-1', code: 'tank-fill', minutes, attended: false, by: 'installer' as const },
    ];
    const { conflicts } = mergeDocuments(
      base,
      flushed({ plan: plan(40) }),
      flushed({ plan: plan(50) }),
    );
    expect(conflicts).toEqual([]);
  });
});
