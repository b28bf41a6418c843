import { describe, expect, test } from '@jest/globals';
import { flushOf, usualFirmSettings } from '@katharos/job';
import { plumbed, surveyed } from '../../job/src/test/plumbedJobs.ts';
import { householdCardOf } from './householdCard.ts';

const document = surveyed();
const { brief, design, plumbing } = plumbed(document);
const steps = flushOf(document, design, brief, plumbing);
if (!steps.ok) throw new Error(steps.failure.code);

const now = Date.parse('2026-03-01T12:00:00Z');
const cardAt = (at: number, timeZone: string, settings = usualFirmSettings) =>
  householdCardOf({
    number: 7,
    document,
    firm: { name: 'Beck Water', settings },
    steps: steps.value,
    now: at,
    timeZone,
  });

/** Minutes of the day that a clock time says. */
const minutesOf = (when: string): number => {
  const [, hours, minutes] = /(\d\d):(\d\d)/.exec(when)!;
  return Number(hours) * 60 + Number(minutes);
};

describe('the household’s card', () => {
  test('holds the household’s own steps alone, one after the other, and what is not drunk before when', () => {
    const card = cardAt(now, 'UTC');
    const own = steps.value.filter(({ by }) => by === 'household');
    expect(own.length).toBeGreaterThan(2);
    expect(card.steps).toHaveLength(own.length);
    const times = card.steps.map(({ when }) => minutesOf(when));
    expect([...times].sort((a, b) => a - b)).toEqual(times);
    expect(card.rules[0]).toMatch(/Do not drink, cook with or make ice .* before .*\d\d:\d\d/);
    expect(card.call).toContain('Beck Water');
  });

  test('goes by the clock on the kitchen’s wall, wherever it is made', () => {
    const [here, there] = [cardAt(now, 'UTC'), cardAt(now, 'Asia/Kolkata')];
    for (const [i, { when }] of here.steps.entries())
      expect(minutesOf(there.steps[i]!.when) - minutesOf(when)).toBe(330);
  });

  test('moves with what runs late, by as much', () => {
    const [early, late] = [cardAt(now, 'UTC'), cardAt(now + 45 * 60_000, 'UTC')];
    for (const [i, { when }] of early.steps.entries())
      expect(minutesOf(late.steps[i]!.when) - minutesOf(when)).toBe(45);
  });

  test('says all that has to happen first, and that nobody knows a well to be safe', () => {
    const at = '2026-03-01T09:00:00Z';
    const chosen = {
      ...document,
      system: { design, chosenAt: at, chosenBy: 'Wren', agreed: null },
      survey: { ...document.survey, source: 'well' as const },
    };
    const rules = householdCardOf({
      number: 7,
      document: chosen,
      firm: { name: 'Beck Water', settings: usualFirmSettings },
      steps: steps.value,
      now,
      timeZone: 'UTC',
    }).rules.join(' ');
    expect(rules).toMatch(/Nobody has tested your supply for germs/);
    expect(rules).toMatch(/Do not drink this water until .*a laboratory has found no germs/);
    expect(rules).toMatch(/leaks tonight and tomorrow morning/);
  });

  test('says whom to call, and where nobody entered it, that it is to be written there', () => {
    const settings = { ...usualFirmSettings, phone: '0123 456' };
    expect(cardAt(now, 'UTC', settings).call).toBe('Beck Water, 0123 456');
    expect(cardAt(now, 'UTC').call).toContain('note it here');
  });
});
