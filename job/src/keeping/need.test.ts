import { describe, expect, test } from '@jest/globals';
import type { TrendState } from '@katharos/core';
import fc from 'fast-check';
import { needOf, needs, type SystemState } from './need.ts';

const today = '2026-03-10';
const membrane = (saltPassage: TrendState, flow: TrendState = 'steady') => ({
  saltPassage: { state: saltPassage },
  flow: { state: flow },
});
const well: SystemState = {
  membrane: membrane('steady'),
  dueOn: '2026-09-01',
  readOn: '2025-12-01',
};

describe('what a system needs', () => {
  test.each<[Partial<SystemState>, string]>([
    [{}, 'nothing'],
    [{ dueOn: null }, 'nothing'],
    [{ readOn: '2025-02-01' }, 'unread'],
    [{ readOn: null, membrane: null }, 'unread'],
    [{ dueOn: '2026-04-10' }, 'soon'],
    [{ dueOn: '2026-04-11' }, 'nothing'],
    [{ dueOn: today }, 'soon'],
    [{ membrane: membrane('steady', 'drifting') }, 'drifts'],
    [{ membrane: membrane('drifting'), dueOn: '2026-03-12' }, 'drifts'],
    [{ membrane: membrane('drifting'), dueOn: '2026-03-09' }, 'overdue'],
    [{ membrane: membrane('steady', 'limit-reached'), dueOn: '2026-03-09' }, 'limit'],
  ])('%j is %s', (change, need) => {
    expect(needOf({ ...well, ...change }, today)).toBe(need);
  });

  test('never falls as a due day comes nearer', () => {
    const day = fc.date({
      min: new Date('2020-01-01'),
      max: new Date('2035-01-01'),
      noInvalidDate: true,
    });
    const state = fc.constantFrom<TrendState>('steady', 'drifting', 'limit-reached', 'not-enough');
    fc.assert(
      fc.property(day, day, state, state, (a, b, salt, flow) => {
        const [near, far] = [a, b].map((at) => at.toISOString().slice(0, 10)).sort() as [
          string,
          string,
        ];
        const of = (dueOn: string) =>
          needs.indexOf(needOf({ ...well, membrane: membrane(salt, flow), dueOn }, today));
        expect(of(near)).toBeLessThanOrEqual(of(far));
      }),
    );
  });
});
