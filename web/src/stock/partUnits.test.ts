import { describe, expect, test } from '@jest/globals';
import { starterCatalogue } from '@katharos/job';
import fc from 'fast-check';
import { measureOf, partOfCode, unitOf } from './partUnits.ts';

const parts = starterCatalogue;
const some = parts.find(({ id }) => id === 'silt-5')!;

describe('a code that is scanned or typed', () => {
  test.each([
    ['an id', 'silt-5'],
    ['an id as a scanner in capitals sends it', 'SILT-5'],
    ['blanks around it', '  silt-5\t'],
    ['a whole name', some.name],
    ['a name in small letters', some.name.toLowerCase()],
    ['a shelf label of this installation', 'https://any.example/catalogue/part/silt-5'],
    ['a shelf label with something behind it', 'https://any.example/catalogue/part/silt-5?x#y'],
    ['a path alone', '/catalogue/part/silt-5'],
  ])('means a part: %s', (_what, text) => {
    expect(partOfCode(text, parts)?.id).toBe('silt-5');
  });

  test.each([
    ['nothing', ''],
    ['half a name', some.name.slice(0, 4)],
    ['a number off a supplier’s box', '4006381333931'],
    ['a label of a part that is gone', 'https://any.example/catalogue/part/gone'],
    ['half a label', 'https://any.example/catalogue/part/%E0%A4%A'],
    ['a share', '50 %'],
  ])('means none: %s', (_what, text) => {
    expect(partOfCode(text, parts)).toBeUndefined();
  });

  test('of every part is its label’s, whatever its id is made of', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', minLength: 1, maxLength: 20 }), (id) => {
        fc.pre(id.trim() === id);
        const odd = [{ ...some, id }];
        const label = `https://any.example/catalogue/part/${encodeURIComponent(id)}`;
        expect(partOfCode(label, odd)?.id).toBe(id);
      }),
    );
  });

  test('never stops the counting, whatever it is', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.string({ unit: 'binary' }), fc.webUrl()), (text) => {
        const found = partOfCode(text, parts);
        expect(found === undefined || parts.includes(found)).toBe(true);
      }),
    );
  });
});

test('tube is counted in metres, and a cartridge is never counted in halves', () => {
  const tube = parts.find(({ id }) => id === 'tube-14')!;
  expect([unitOf(tube), unitOf(some), unitOf(undefined)]).toEqual(['m', 'piece', 'piece']);
  expect(measureOf(tube)).toMatchObject({ dimension: 'length' });
  expect(measureOf(some)).toMatchObject({ dimension: 'count', whole: true });
});
