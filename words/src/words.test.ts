import { describe, expect, test } from '@jest/globals';
import {
  type Judgement,
  failureCodes,
  type FlushStep,
  type InstalledSystem,
  shortfalls,
  type Verdict,
} from '@katharos/core';
import { jobDocumentSchema, newJobDocument } from '@katharos/job';
import { sampleFlush } from '../../core/src/test/flushSamples.ts';
import { archetypes } from '../../core/src/test/plumbingSamples.ts';
import { readerOf } from './reader.ts';
import { shortfallWords } from './decisions.ts';
import { failureSentence } from './failures.ts';
import { flushWords } from './flush.ts';
import { fieldWords } from './fields.ts';
import { checkInput } from './issues.ts';
import { placeName } from './parts.ts';
import {
  householdJudgement,
  judgementSentences,
  limitSentence,
  verdictSentences,
} from './verdict.ts';
import { isOpen, openDecisionSentence, productionBandSentence } from './worth.ts';
import { z } from 'zod';

const feed = {
  tdsMgL: 400,
  temperatureC: 13,
  pressureBar: 4.2,
  hardnessMgL: 150,
  alkalinityMgL: 120,
  pH: 7.4,
};

const flushPlanOf = (system: InstalledSystem): FlushStep[] => sampleFlush(system, feed);

const metric = readerOf({ units: 'metric' });
const us = readerOf({ units: 'us' });

describe('sentences', () => {
  test('exist for every failure and end as sentences', () => {
    for (const code of failureCodes) {
      const data = { got: 9, min: 1, max: 2, membraneBar: 3, backBar: 4 };
      const sentence = failureSentence({ code, path: 'feed.pressureBar', data });
      expect(sentence).toMatch(/^[A-Za-z].*\.$/);
      expect(sentence).not.toMatch(/undefined|NaN|\[object/);
    }
  });

  test('exist for every shortfall', () => {
    expect(Object.keys(shortfallWords).sort()).toEqual([...shortfalls].sort());
  });

  test('tell every step of flushing each kind of system by its own figures', () => {
    const told = new Set<string>();
    for (const [name, system] of archetypes) {
      for (const step of flushPlanOf(system)) {
        const words = flushWords(step, metric);
        expect(`${name}: ${Object.values(words).join(' ')}`).not.toMatch(/NaN|undefined|–/);
        expect(words.proof).toMatch(/\.$/);
        told.add(step.code);
      }
    }
    expect(told.size).toBeGreaterThan(12);
  });

  test('name places on a tube run', () => {
    expect(placeName('prefilter-2')).toBe('Pre-filter 2');
    expect(placeName('tank')).toBe('Tank');
  });
});

describe('a verdict in words', () => {
  const compared = (measured: number, expected: number, sigma: number) => ({
    measured,
    expected,
    band: 2 * sigma,
    sigmas: (measured - expected) / sigma,
  });
  const verdictOf = (passage: number, change: Partial<Verdict> = {}): Verdict => ({
    asExpected: true,
    readingError: { rejection: 0.003, productTds: 1 },
    rejection: compared(1 - passage, 0.95, 0.01),
    productTds: compared(400 * passage, 20, 4),
    productFlow: null,
    drainFlow: null,
    recovery: null,
    normalised: null,
    ...change,
  });

  test('says the figure, the expectation and what to do', () => {
    const [first, second] = verdictSentences(verdictOf(0.05), metric);
    expect(first).toContain('95.0 %');
    expect(first).toContain('product TDS of 12 to 28 mg/L');
    expect(second).toContain('within');
    const poor = verdictSentences(verdictOf(0.2, { asExpected: false }), metric);
    expect(poor[1]).toBe('That is below the expected range.');
    const better = verdictSentences(verdictOf(0.01), metric);
    expect(better[1]).toContain('better than expected');
  });

  test('adds what a strange flow may come from, and is silent about a usual one', () => {
    const flows = { productFlow: compared(4, 8, 1), drainFlow: compared(20, 20.5, 1) };
    const sentences = verdictSentences(verdictOf(0.05, flows), us);
    expect(sentences).toHaveLength(3);
    expect(sentences[2]).toMatch(/product flow .* below .*gpd/);
  });
});

describe('what all that was read comes to', () => {
  const judgement: Judgement = {
    sound: 0.87,
    leading: { faults: ['membrane-old'], probability: 0.12 },
    told: [],
    untold: ['precharge-lost', 'precharge-high', 'carbon-spent'],
  };

  const at = (sound: number) => judgementSentences({ ...judgement, sound }, metric).join(' ');

  test('is said in words first, with one probability, and with what the readings do not test', () => {
    expect(judgementSentences(judgement, metric)).toEqual([
      'Healthy: 87 % likely from these readings.',
      'These readings do not test the tank’s air and the carbon.',
    ]);
    const sure = { sound: 0.999, leading: null, told: [], untold: [] };
    expect(judgementSentences(sure, metric)).toEqual([
      'Healthy: over 99 % likely from these readings.',
    ]);
  });

  test('never stands against the grade that is given by the same probability', () => {
    // What is accepted is called healthy; what is not is called a fault; between them it is not certain.
    for (const sound of [0.5, 0.53, 0.79]) expect(at(sound)).toMatch(/^Probably healthy/);
    for (const sound of [0.21, 0.49]) expect(at(sound)).toMatch(/^Not certain/);
    for (const sound of [0, 0.1, 0.2]) expect(at(sound)).toMatch(/^Likely fault/);
  });

  test('is told to a household without probabilities', () => {
    for (const sound of [0.05, 0.4, 0.6, 0.95])
      expect(householdJudgement({ ...judgement, sound }, metric).join(' ')).not.toMatch(
        /%|likely \(/,
      );
  });

  test('stands beside the firm’s limits', () => {
    const limit = (kept: number) => limitSentence({ of: 'rejection', limit: 0.9, kept }, metric);
    expect(limit(0.975)).toBe('Meets the 90 % rejection limit.');
    expect(limit(0.6)).toBe('Meets the 90 % rejection limit, within the accuracy of the meter.');
    expect(limit(0.4)).toBe(
      'Just misses the 90 % rejection limit, within the accuracy of the meter.',
    );
    expect(limitSentence({ of: 'product-tds', limit: 60, kept: 0.004 }, metric)).toBe(
      'Does not meet the 60 mg/L product TDS limit.',
    );
  });
});

describe('what is still open', () => {
  const decision = (certainty: number, share?: number) => ({
    topic: 'booster' as const,
    choice: 'no' as const,
    certainty,
    settledBy: share === undefined ? [] : [{ key: 'lowestPressure' as const, share }],
  });

  test('names the reading that settles it, and says when none would', () => {
    expect(openDecisionSentence(decision(0.8, 0.7), metric)).toBe(
      'By these readings no booster pump is needed in 80 % of what is possible. The lowest pressure would settle most of that.',
    );
    expect(openDecisionSentence(decision(0.8, 0.31), metric)).toContain('about 30 %');
    expect(openDecisionSentence(decision(0.9), metric)).toContain('no single reading');
    expect(openDecisionSentence(decision(0.9, 0.08), metric)).toContain('no single reading');
    expect([isOpen(decision(0.9)), isOpen(decision(0.99))]).toEqual([true, false]);
  });

  test('gives the band of the worst case with what spreads it', () => {
    const band = {
      low: 40.2,
      middle: 61,
      high: 90,
      narrowedBy: [{ key: 'pH' as const, share: 0.4 }],
    };
    expect(productionBandSentence(band, metric)).toBe(
      'The worst case makes 40 L/day to 90 L/day, most likely about 61 L/day. The pH accounts for 40 % of that spread.',
    );
    expect(productionBandSentence({ ...band, narrowedBy: [] }, us)).toContain('gpd');
  });
});

describe('amounts', () => {
  test('are written in the reader’s units', () => {
    expect(metric.say('pressure', 3.1)).toBe('3.10 bar');
    expect(us.say('pressure', 3.1)).toBe('45 psi');
    expect(us.say('temperature', 10)).toBe('50 °F');
    expect(metric.say('pH', 6.2)).toBe('6.2');
    expect(us.apart('dailyVolume', 283.906).text).toBe('75.0');
  });

  test('never show a minus zero or a thing that is no number', () => {
    expect(metric.number(-0.004, 1)).toBe('0.0');
    expect(metric.number(NaN, 1)).toBe('–');
    expect(metric.number(12345.6, 0)).toBe('12,346');
    expect(metric.percent(0.9556, 1)).toBe('95.6 %');
  });

  test('a cut is rounded up to what a tape shows, a hole to what a bit is sold in', () => {
    expect(metric.cut(0.7)).toBe('70 cm');
    expect(metric.cut(0.701)).toBe('71 cm');
    expect(us.cut(0.7)).toBe('27 9/16 in');
    for (const metres of [0.13, 0.5, 1.204, 7.53]) {
      expect(parseInt(metric.cut(metres), 10) / 100).toBeGreaterThanOrEqual(metres - 1e-9);
      const [whole, over = 0, under = 1] = us
        .cut(metres)
        .split(/[ /]/)
        .map(Number)
        .filter((n) => !Number.isNaN(n)) as [number, number?, number?];
      const cutM = (whole + over / under) * 0.0254;
      expect(cutM).toBeGreaterThanOrEqual(metres - 1e-8);
      expect(cutM).toBeLessThan(metres + 0.0254 / 16 + 1e-8);
    }
    expect([metric.millimetres(6.35), us.millimetres(6.35)]).toEqual(['6 mm', '1/4 in']);
    expect([us.millimetres(7), us.millimetres(35), us.millimetres(12.7)]).toEqual([
      '5/16 in',
      '1 3/8 in',
      '1/2 in',
    ]);
    expect([metric.pieces(3, 'piece'), metric.pieces(7.8, 'm')]).toEqual(['3', '7.8 m']);
  });

  test('lists, plurals, money and moments are the reader’s', () => {
    expect(metric.list(['a', 'b', 'c'])).toBe('a, b and c');
    const forms = { one: 'clip', other: 'clips' };
    expect([0, 1, 2].map((count) => metric.plural(count, forms))).toEqual([
      'clips',
      'clip',
      'clips',
    ]);
    expect(readerOf({ currency: 'CHF' }).money(1234.5, 2)).toBe('CHF\u00a01,234.50');
    expect(metric.money(NaN)).toBe('–');
    expect(metric.when('2026-03-05T10:00:00Z', 'long-date')).toBe('5 March 2026');
    expect(['Feed valve', 'TDS', 'pH'].map(metric.within)).toEqual(['feed valve', 'TDS', 'pH']);
    expect(readerOf({ units: 'metric' })).toBe(metric);
  });

  test('how long ago something was is told in whole units, and never as still to come', () => {
    const { ago } = readerOf();
    const now = Date.parse('2026-03-29T12:00:00Z');
    const before = (days: number, hours = 0, minutes = 0) =>
      ago(now - ((days * 24 + hours) * 60 + minutes) * 60e3, now);
    expect(before(0)).toBe('now');
    expect(before(0, 0, 1)).toBe('1 minute ago');
    expect(before(0, 0, 59)).toBe('59 minutes ago');
    expect(before(0, 23, 59)).toBe('23 hours ago');
    expect(before(1)).toBe('1 day ago');
    expect(before(30)).toBe('30 days ago');
    expect(before(45)).toBe('1 month ago');
    expect(before(400)).toBe('1 year ago');
    expect(before(0, 0, -3)).toBe('now');
    expect(ago('2026-03-29T11:30:00Z', now)).toBe('30 minutes ago');
    expect(readerOf({ locale: 'de' }).ago(now - 7200e3, now)).toBe('vor 2 Stunden');
  });

  test('a label in a sentence begins small, unless it is an abbreviation', () => {
    expect(['Feed TDS', 'pH', 'TDS of its product'].map(metric.within)).toEqual([
      'feed TDS',
      'pH',
      'TDS of its product',
    ]);
  });

  test('a reading is written as it was entered', () => {
    expect(metric.entered('pressure', { value: 45.5, unit: 'psi' })).toBe('45.5 psi');
    expect(metric.entered('pH', { value: 7, unit: 'pH' })).toBe('7');
  });

  test.each([
    [0.5, '30 s'],
    [5, '5 min'],
    [119, '119 min'],
    [121, '2 h'],
    [200, '3 h 20 min'],
    [Infinity, 'never'],
  ])('%d minutes are %s', (minutes, text) => {
    expect(metric.minutes(minutes)).toBe(text);
  });
});

describe('a schema’s complaints', () => {
  test.each<[z.ZodType, unknown, string]>([
    [z.number(), 'x', 'This must be a number; "x" came.'],
    [z.string(), undefined, 'This must be a text; nothing came.'],
    [z.number().min(3), 1, 'This must be 3 or more; 1 came.'],
    [z.number().max(3), 9, 'This must be 3 or less; 9 came.'],
    [z.string().min(1), '', 'This must not be empty.'],
    [z.enum(['a', 'b']), 'c', 'This must be "a" or "b"; "c" came.'],
    [z.strictObject({}), { tds: 1 }, 'There is no such field: tds.'],
    [z.number().min(3, 'Its own sentence.'), 1, 'Its own sentence.'],
  ])('are sentences (%#)', (schema, input, sentence) => {
    const checked = checkInput(schema, input);
    expect(checked.ok ? undefined : checked.faults[0].sentence).toBe(sentence);
  });

  test('say which field of a job is wrong, and what to do', () => {
    const document = newJobDocument('Aelfric Thorne', '2 Ford End');
    const reading = (value: number, unit: string) => ({ value, unit, takenAt: null, by: null });
    const faultOf = (pressure: ReturnType<typeof reading>) => {
      const checked = checkInput(jobDocumentSchema, {
        ...document,
        survey: { ...document.survey, readings: { pressure } },
      });
      return checked.ok ? undefined : checked.faults[0];
    };
    expect(faultOf(reading(4, 'bar'))).toBeUndefined();
    expect(faultOf(reading(400, 'bar'))).toMatchObject({
      path: 'survey.readings.pressure.value',
      sentence:
        'Supply pressure lies outside what is possible. Check the gauge and its unit; a dwelling’s line lies between these.',
    });
    expect(faultOf(reading(4, 'mg/L'))?.sentence).toBe(
      'Supply pressure cannot be given in this unit.',
    );
  });

  test('at a field end as sentences do', () => {
    for (const { how, outside } of Object.values(fieldWords)) {
      expect(how === '' || how.endsWith('.')).toBe(true);
      expect(outside).toMatch(/\.$/);
    }
  });
});
