import { describe, expect, test } from '@jest/globals';
import type { BoardRow } from '@katharos/contract';
import { outlookOf, timersOf } from './outlook.ts';

const at = (minutes: number) => new Date(Date.UTC(2026, 2, 1, 12, minutes)).toISOString();
const now = Date.parse(at(0));
const row = (steps: BoardRow['steps'], plan?: BoardRow['plan']): BoardRow => ({
  id: 'f740a62c-6e53-448e-8321-242a960dd114',
  number: 7,
  name: 'Tarn Cottage',
  address: '',
  phone: '',
  stage: 'flush',
  who: 'Wren Askeby',
  steps,
  plan:
    plan === undefined
      ? [
          { id: 'open-feed', code: 'open-feed', minutes: null, attended: true, by: 'installer' },
          { id: 'tank-fill-1', code: 'tank-fill', minutes: 60, attended: false, by: 'installer' },
          { id: 'tank-drain-1', code: 'tank-drain', minutes: 4, attended: true, by: 'household' },
        ]
      : plan,
});
const done = { at: at(-70), by: 'Wren Askeby' };

describe('what waits', () => {
  test('a fill that runs ends by the time it was begun with, and the next visit is then', () => {
    const filling = row({
      'open-feed': { startedAt: null, done },
      // It was to take 90 minutes when it was begun; the readings have changed since.
      'tank-fill-1': { startedAt: at(-60), done: null, minutes: 90 },
    });
    const { timers, next } = outlookOf(filling, now);
    expect(timers).toMatchObject([{ step: 'tank-fill-1', endsAt: Date.parse(at(30)) }]);
    expect(next?.step.id).toBe('tank-drain-1');
  });

  test('a step that is done rings no more, and one that is begun again is another timer', () => {
    const begun = (minutes: number) => ({ startedAt: at(minutes), done: null });
    const [first] = timersOf(row({ 'tank-fill-1': begun(-60) }));
    const [again] = timersOf(row({ 'tank-fill-1': begun(-5) }));
    expect(first!.key).not.toBe(again!.key);
    expect(timersOf(row({ 'tank-fill-1': { ...begun(-60), done } }))).toEqual([]);
    expect(timersOf(row({ 'open-feed': begun(-60) }))).toEqual([]);
  });

  test('a job that nobody has begun has neither timers nor a next step', () => {
    expect(outlookOf(row({}, null), now)).toMatchObject({ timers: [], next: null, isBegun: false });
  });
});
