import { describe, expect, test } from '@jest/globals';
import { sampleFlush } from '../../test/flushSamples.ts';
import { directDesign, samplePart, sampleWater, tankDesign } from '../../test/samples.ts';
import { type FlushRecord, flushSchedule } from './flushSchedule.ts';

const noon = Date.parse('2026-03-01T12:00:00Z');
const minute = 60_000;
const steps = sampleFlush(tankDesign, sampleWater);
const scheduled = (records: Record<string, FlushRecord> = {}, now = noon) =>
  flushSchedule(steps, (id) => records[id], now);
const at = (id: string) => steps.findIndex((step) => step.id === id);

describe('a flush in clock times', () => {
  test('goes from step to step without a gap, and ends with what may be drunk', () => {
    const { steps: timed, drinkFrom, verifyFrom } = scheduled();
    expect(timed[0]!.startsAt).toBe(noon);
    for (const [i, one] of timed.entries()) {
      if (i > 0) expect(one.startsAt).toBe(timed[i - 1]!.endsAt);
      const { minutes } = one.step;
      if (minutes !== null) expect(one.endsAt - one.startsAt).toBeCloseTo(minutes * minute, 3);
    }
    const kept = timed.find(({ step }) => step.code === 'tank-fill' && step.data.kept)!;
    expect(verifyFrom).toBe(kept.startsAt);
    expect(drinkFrom).toBe(kept.endsAt);
  });

  test('has nobody drink before the lamp is lit and the dispenser is rinsed, though the tank was full before', () => {
    const lit = {
      ...tankDesign,
      lamp: samplePart('lamp'),
      tap: { ...tankDesign.tap, dispenser: { hotL: 1, coldL: 2, heaterW: 400 } },
    };
    const { steps: timed, drinkFrom } = flushSchedule(
      sampleFlush(lit, sampleWater),
      () => undefined,
      noon,
    );
    for (const code of ['lamp-on', 'dispenser-rinse'])
      expect(drinkFrom).toBeGreaterThanOrEqual(
        timed.find(({ step }) => step.code === code)!.endsAt,
      );
  });

  test('is handed to the household with the first draining, and taken up again by a visit', () => {
    const hands = scheduled().steps.map(({ step }) => step.by);
    expect(hands.slice(0, at('tank-fill-1') + 1)).not.toContain('household');
    expect(hands[at('tank-drain-1')]).toBe('household');
    expect(hands.at(-1)).toBe('return-visit');
    // A tankless unit is done within the visit.
    const direct = flushSchedule(sampleFlush(directDesign, sampleWater), () => undefined, noon);
    expect(new Set(direct.steps.map(({ step }) => step.by))).toEqual(new Set(['installer']));
  });

  test('says when to come back while a tank fills, and not while somebody has to stand by', () => {
    const before = Object.fromEntries(
      steps
        .slice(0, at('tank-fill-1'))
        .map(({ id }) => [id, { startedAt: null, doneAt: noon - minute }]),
    );
    const fill = steps[at('tank-fill-1')]!;
    const filling = scheduled({ ...before, [fill.id]: { startedAt: noon, doneAt: null } });
    expect(filling.comeBackAt! - noon).toBeCloseTo(fill.minutes! * minute, 3);
    expect(scheduled().comeBackAt).toBeNull();
  });

  test('moves all that follows when a step runs late, by as much', () => {
    const [first] = steps;
    const started = { [first!.id]: { startedAt: noon, doneAt: null } };
    const onTime = scheduled(started);
    const late = scheduled(started, noon + 60 * minute);
    const planned = onTime.steps[0]!.endsAt - noon;
    expect(late.drinkFrom - onTime.drinkFrom).toBeCloseTo(60 * minute - planned, 3);
  });

  test('holds a step under way to the time it was begun with, whatever the plan says since', () => {
    const [first] = steps;
    const record = { startedAt: noon, doneAt: null, minutes: 45 };
    expect(scheduled({ [first!.id]: record }).steps[0]!.endsAt).toBe(noon + 45 * minute);
  });

  test('keeps what was done as it was', () => {
    const [first] = steps;
    const record = { startedAt: noon - 30 * minute, doneAt: noon - 20 * minute };
    const [done, next] = scheduled({ [first!.id]: record }).steps;
    expect(done).toMatchObject({ startsAt: record.startedAt, endsAt: record.doneAt, isDone: true });
    expect(next!.startsAt).toBe(noon);
  });
});
