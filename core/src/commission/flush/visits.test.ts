import { describe, expect, test } from '@jest/globals';
import { sampleFlush } from '../../test/flushSamples.ts';
import { sampleWater, tankDesign } from '../../test/samples.ts';
import { flushSchedule } from './flushSchedule.ts';
import { handedOut, proposedVisits, visitsCosts } from './visits.ts';

const steps = sampleFlush(tankDesign, sampleWater);
const hands = (visits: Parameters<typeof handedOut>[1]) =>
  new Set(handedOut(steps, visits).map(({ by }) => by));

describe('one visit or two', () => {
  test('who waits does everything, and nobody else anything', () => {
    expect([...hands('wait')]).toEqual(['installer']);
    expect(hands('household')).toContain('household');
    expect([...hands('come-back')].sort()).toEqual(['installer', 'return-visit']);
  });

  test('each choice costs somebody something: hours here, hands there, or another trip', () => {
    const [wait, household, comeBack] = visitsCosts(steps) as [
      ReturnType<typeof visitsCosts>[number],
      ReturnType<typeof visitsCosts>[number],
      ReturnType<typeof visitsCosts>[number],
    ];
    const fills = steps.filter(({ code }) => code === 'tank-fill');
    expect(wait.waitMin).toBeGreaterThanOrEqual(
      fills.reduce((sum, { minutes }) => sum + minutes!, 0) - 1e-9,
    );
    expect(wait.moreTrips).toBe(0);
    expect(household.householdMin).toBeGreaterThan(0);
    expect(comeBack.moreTrips).toBe(fills.length);
  });

  test('nobody is sent away for a short wait', () => {
    const quick = steps.map((step) => (step.code === 'tank-fill' ? { ...step, minutes: 8 } : step));
    expect(proposedVisits(quick)).toBe('wait');
    expect(proposedVisits(steps)).toBe('household');
  });
});

test('no household is asked to drain a tank at night', () => {
  const evening = Date.parse('2026-03-01T20:30:00Z');
  // By this house's clock nobody gets up between ten and seven.
  const morning = (at: number) => {
    const hour = new Date(at).getUTCHours();
    if (hour >= 7 && hour < 22) return at;
    const day = new Date(at);
    if (hour >= 22) day.setUTCDate(day.getUTCDate() + 1);
    return day.setUTCHours(7, 0, 0, 0);
  };
  const shared = handedOut(steps, 'household');
  const { steps: timed } = flushSchedule(shared, () => undefined, evening, morning);
  for (const { step, startsAt } of timed)
    if (step.by === 'household' && step.attended) {
      const hour = new Date(startsAt).getUTCHours();
      expect(hour).toBeGreaterThanOrEqual(7);
      expect(hour).toBeLessThan(22);
    }
});
