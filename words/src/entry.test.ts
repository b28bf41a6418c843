import { describe, expect, test } from '@jest/globals';
import { type Dimension, parseQuantity, toCore, type Unit, units } from '@katharos/core';
import { surveyFields, detailFields } from '@katharos/job';
import fc from 'fast-check';
import { type Measure, readEntry, sayEntry, writeEntry } from './entry.ts';
import { readerOf } from './reader.ts';

const locales = ['en-GB', 'en-US', 'de-DE', 'fr-FR', 'de-CH', 'sv-SE', 'en-IN', 'ar-EG', 'fa-IR'];
const everyUnit = Object.entries(units).flatMap(([dimension, table]) =>
  Object.keys(table as Record<string, Unit>).map((name) => [dimension as Dimension, name] as const),
);

describe('everything that is printed is read back', () => {
  const value = fc
    .tuple(fc.integer({ min: -999_999, max: 999_999 }), fc.integer({ min: 0, max: 4 }))
    .map(([digits, decimals]) => digits / 10 ** decimals);

  test.each(locales)('as it was entered, in %s', (locale) => {
    const reader = readerOf({ locale });
    fc.assert(
      fc.property(fc.constantFrom(...everyUnit), value, ([dimension, unit], number) => {
        const text = reader.entered(dimension, { value: number, unit });
        expect([text, parseQuantity(text, dimension, unit, reader.decimal)]).toMatchObject([
          text,
          { ok: true, quantity: { value: number + 0, unit } },
        ]);
      }),
    );
  });

  test.each(locales)('as it is said, grouped and rounded, in %s', (locale) => {
    for (const system of ['metric', 'us'] as const) {
      const reader = readerOf({ locale, units: system });
      fc.assert(
        fc.property(fc.constantFrom(...everyUnit), value, ([dimension], number) => {
          const text = reader.say(dimension, number);
          const parsed = parseQuantity(text, dimension, 'none', reader.decimal);
          if (!parsed.ok) throw new Error(`${text}: ${parsed.reason}`);
          // A dimension without a symbol takes the bare unit, which is not known here.
          if (parsed.quantity.unit === 'none') return;
          expect(reader.say(dimension, toCore(dimension, parsed.quantity))).toBe(text);
        }),
      );
    }
  });

  test('tapes, drill bits and durations too', () => {
    const us = readerOf({ units: 'us' });
    for (const metres of [0.013, 0.1, 0.44, 1.3, 2.71]) {
      const read = parseQuantity(us.cut(metres), 'length', 'm');
      expect(read.ok && toCore('length', read.quantity) - metres).toBeLessThan(0.0254 / 16);
    }
    for (const minutes of [0.5, 45, 150, 600]) {
      const read = parseQuantity(us.minutes(minutes), 'duration', 'min');
      expect(read.ok && toCore('duration', read.quantity)).toBeCloseTo(minutes, 9);
    }
  });
});

describe('a box', () => {
  const metric = readerOf();
  const people: Measure = {
    dimension: 'count',
    range: { min: 1, max: 40 },
    whole: true,
    symbol: '',
  };
  const price: Measure = { dimension: 'count', range: { min: 0, max: 100000 }, symbol: 'EUR' };
  const upToTen: Measure = { dimension: 'volume', range: { min: 0, max: 10 } };

  test.each<[string, Measure, string, unknown]>([
    ['takes a decimal comma', price, '12,5', { kind: 'taken', quantity: { value: 12.5 } }],
    ['takes a currency', price, '€ 12.50', { kind: 'taken', quantity: { value: 12.5 } }],
    ['takes its own symbol', price, '12,5 EUR', { kind: 'taken', quantity: { value: 12.5 } }],
    [
      'asks which of two is meant',
      price,
      '1,250',
      { kind: 'two-ways', quantities: [{ value: 1250 }, { value: 1.25 }] },
    ],
    ['does not ask where only one is possible', people, '1,200', { kind: 'refused' }],
    [
      'takes the one reading that is possible',
      upToTen,
      '1,250',
      { kind: 'taken', quantity: { value: 1.25 } },
    ],
    ['converts no unit by dropping it', upToTen, '2 gal', { quantity: { value: 2, unit: 'gal' } }],
    ['does not make 25 of 2.5', people, '2.5', { sentence: 'Only whole numbers count here.' }],
    ['does not make 3 of -3', people, '-3', { sentence: 'Between 1 and 40.' }],
    ['does not make 2 of 25', upToTen, '25', { sentence: 'Between 0 and 10 L.' }],
    ['refuses words', people, 'many', { sentence: 'Enter a number.' }],
    [
      'refuses what is no unit of it',
      upToTen,
      '2 psi',
      { sentence: '"psi" is not a unit of this. Try L.' },
    ],
    ['says that less-than is not enough', upToTen, '<2', { kind: 'refused' }],
    ['is empty', price, ' ', { kind: 'empty' }],
  ])('%s: %#', (_what, measure, text, result) => {
    expect(readEntry(measure, text, metric)).toMatchObject(result as object);
  });

  test('keeps what lies below detection as such', () => {
    const field = { ...detailFields.iron, outside: '' };
    const entry = readEntry(field, '<0,05', metric);
    expect(entry).toEqual({ kind: 'taken', quantity: { value: 0.05, unit: 'mg/L', below: true } });
    expect(entry.kind === 'taken' && sayEntry(field, entry.quantity, metric)).toBe('<0.05 mg/L');
  });

  test('reads a bare length in a unit for the thing', () => {
    const us = readerOf({ units: 'us' });
    const unitOf = (text: string, field: keyof typeof detailFields, reader = metric) => {
      const entry = readEntry(detailFields[field], text, reader);
      return entry.kind === 'taken' ? entry.quantity.unit : entry.kind;
    };
    expect(unitOf('40', 'drainPipe')).toBe('mm');
    expect(unitOf('60', 'cabinetWidth')).toBe('cm');
    expect(unitOf('1-1/2', 'drainPipe', us)).toBe('in');
    expect(unitOf('3', 'fridgeLine')).toBe('m');
    expect(unitOf('40', 'cabinetWidth', us)).toBe('in');
    expect(readEntry(surveyFields.rise, '2\' 6"', us)).toMatchObject({
      quantity: { value: 30, unit: 'in' },
    });
  });

  test('writes a core value so that it is read back as the same', () => {
    for (const reader of [metric, readerOf({ units: 'us' }), readerOf({ locale: 'de-DE' })]) {
      for (const measure of [upToTen, price, people]) {
        const text = writeEntry(measure, 7, reader);
        const entry = readEntry(measure, text, reader);
        if (entry.kind !== 'taken') throw new Error(text);
        expect(toCore(measure.dimension, entry.quantity)).toBeCloseTo(7, 1);
      }
    }
  });
});
