import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { parseQuantity } from './parseQuantity.ts';
import { type Dimension, toCore, type Unit, units, unitSystems } from './units.ts';

describe('units', () => {
  const everyUnit = Object.entries(units).flatMap(([dimension, table]) =>
    Object.entries(table as Record<string, Unit>).map(
      ([name, unit]) => [dimension, name, unit] as const,
    ),
  );

  test.each(everyUnit)(
    '%s in %s goes to the core and back unchanged',
    (_dimension, _name, unit) => {
      fc.assert(
        fc.property(fc.double({ min: -1e5, max: 1e5, noNaN: true }), (value) => {
          expect(unit.fromCore(unit.toCore(value))).toBeCloseTo(value, 8);
        }),
      );
    },
  );

  test('agree with tabulated conversions', () => {
    // 60 psi = 4.1369 bar; 50 F = 10 C; 75 gpd = 283.906 L/day; 1 gpg = 17.118 mg/L (NIST SP 811 and the definitions).
    expect(toCore('pressure', { value: 60, unit: 'psi' })).toBeCloseTo(4.13685, 4);
    expect(toCore('temperature', { value: 50, unit: 'F' })).toBeCloseTo(10, 12);
    expect(toCore('dailyVolume', { value: 75, unit: 'gpd' })).toBeCloseTo(283.906, 2);
    expect(toCore('hardness', { value: 10, unit: 'gpg' })).toBeCloseTo(171.18, 6);
    expect(toCore('tds', { value: 900, unit: 'uS/cm 442' })).toBeCloseTo(630, 9);
  });

  test('each system names a unit of every dimension', () => {
    for (const system of Object.values(unitSystems)) {
      for (const [dimension, name] of Object.entries(system)) {
        expect(Object.keys(units[dimension as Dimension])).toContain(name);
      }
    }
  });
});

describe('parseQuantity', () => {
  test.each<[string, Dimension, string, number, string]>([
    ['45 psi', 'pressure', 'bar', 45, 'psi'],
    ['45 lbs', 'pressure', 'bar', 45, 'psi'],
    ['3,1bar', 'pressure', 'psi', 3.1, 'bar'],
    ['4.2 bar.', 'pressure', 'psi', 4.2, 'bar'],
    ['3.1', 'pressure', 'bar', 3.1, 'bar'],
    ['62 °F', 'temperature', 'C', 62, 'F'],
    ['17℃', 'temperature', 'F', 17, 'C'],
    ['-2c', 'temperature', 'F', -2, 'C'],
    ['−2.5', 'temperature', 'C', -2.5, 'C'],
    ['– 2', 'temperature', 'C', -2, 'C'],
    ['900 µS/cm', 'tds', 'mg/L', 900, 'uS/cm NaCl'],
    ['900 μS/cm (NaCl 0.5)', 'tds', 'mg/L', 900, 'uS/cm NaCl'],
    ['900 uS/cm 442', 'tds', 'mg/L', 900, 'uS/cm 442'],
    ['120 mg/l as CaCO3', 'hardness', 'gpg', 120, 'mg/L CaCO3'],
    ['120 mg/L (CaCO₃)', 'hardness', 'gpg', 120, 'mg/L CaCO3'],
    ['11 dH', 'hardness', 'gpg', 11, 'dH'],
    ['.5 L', 'volume', 'gal', 0.5, 'L'],
    ['5. L', 'volume', 'gal', 5, 'L'],
    ['1,5e2 L', 'volume', 'gal', 150, 'L'],
    // A group that begins with 0 is never thousands.
    ['0,025', 'concentration', 'mg/L', 0.025, 'mg/L'],
    ['0.025', 'concentration', 'mg/L', 0.025, 'mg/L'],
    // Thousands that nothing else makes sense of.
    ['1 200 ppm', 'tds', 'mg/L', 1200, 'ppm'],
    ['1\u2009200', 'tds', 'mg/L', 1200, 'mg/L'],
    ['1\u202f200', 'tds', 'mg/L', 1200, 'mg/L'],
    ["1'200", 'tds', 'mg/L', 1200, 'mg/L'],
    ['1’200', 'length', 'in', 1200, 'in'],
    ['1,200.5', 'tds', 'mg/L', 1200.5, 'mg/L'],
    ['1.200,5', 'tds', 'mg/L', 1200.5, 'mg/L'],
    ['1,234,567', 'tds', 'mg/L', 1234567, 'mg/L'],
    ['1,23,456', 'tds', 'mg/L', 123456, 'mg/L'],
    // Tapes.
    ['1 1/2"', 'length', 'm', 1.5, 'in'],
    ['3½', 'length', 'in', 3.5, 'in'],
    ['3 ½ in', 'length', 'm', 3.5, 'in'],
    ['½', 'length', 'in', 0.5, 'in'],
    ['30-1/2"', 'length', 'm', 30.5, 'in'],
    ['30–1⁄2”', 'length', 'm', 30.5, 'in'],
    ['3/8 in', 'length', 'm', 0.375, 'in'],
    [`2' 6"`, 'length', 'm', 30, 'in'],
    ['2′6″', 'length', 'm', 30, 'in'],
    ["2'6", 'length', 'm', 30, 'in'],
    [`2' 6 1/2"`, 'length', 'm', 30.5, 'in'],
    ['2 ft 6 in', 'length', 'm', 30, 'in'],
    ['-2\' 6"', 'length', 'm', -30, 'in'],
    ["6'", 'length', 'm', 6, 'ft'],
    ['1 m 20', 'length', 'ft', 120, 'cm'],
    ['2 h 30 min', 'duration', 'min', 150, 'min'],
    // Other keyboards.
    ['٤٥ psi', 'pressure', 'bar', 45, 'psi'],
    ['۳٫۵', 'pressure', 'bar', 3.5, 'bar'],
    ['４．２', 'pressure', 'bar', 4.2, 'bar'],
  ])('%s as %s', (text, dimension, bare, value, unit) => {
    const parsed = parseQuantity(text, dimension, bare);
    expect(parsed).toMatchObject({ ok: true, quantity: { unit }, otherwise: null, below: false });
    expect(parsed.ok && parsed.quantity.value).toBeCloseTo(value, 12);
  });

  test.each<[string, '.' | ',', number, number]>([
    ['1,200 ppm', '.', 1200, 1.2],
    ['1,200 ppm', ',', 1.2, 1200],
    ['1.200 ppm', '.', 1.2, 1200],
    ['1.200 ppm', ',', 1200, 1.2],
    ['-1,200', '.', -1200, -1.2],
  ])('%s can be read in two ways; with %s for decimals first as %s', (text, sign, first, other) => {
    expect(parseQuantity(text, 'tds', 'ppm', sign)).toEqual({
      ok: true,
      quantity: { value: first, unit: 'ppm' },
      otherwise: { value: other, unit: 'ppm' },
      below: false,
    });
  });

  test.each(['<0.05', '< 0,05 mg/l', '≤0.05', '<=0.05'])('%s is below detection', (text) => {
    expect(parseQuantity(text, 'concentration', 'mg/L')).toMatchObject({
      ok: true,
      quantity: { value: 0.05, unit: 'mg/L' },
      below: true,
    });
  });

  test.each<[string, Dimension, string]>([
    ['', 'pressure', 'empty'],
    ['\u00a0', 'pressure', 'empty'],
    ['high', 'pressure', 'no-number'],
    ['1.2.3', 'pressure', 'no-number'],
    ['12,5,1', 'pressure', 'no-number'],
    ['1/0', 'pressure', 'unknown-unit'],
    ['45 furlongs', 'pressure', 'unknown-unit'],
    ['12 bar', 'temperature', 'unknown-unit'],
    ['2\' 14"', 'length', 'unknown-unit'],
    ['3-4', 'pressure', 'unknown-unit'],
    ['>9', 'tds', 'no-number'],
  ])('refuses "%s" as %s: %s', (text, dimension, reason) => {
    expect(parseQuantity(text, dimension, 'bar')).toMatchObject({ ok: false, reason });
  });

  test('never reads a text without a digit, and never as anything but a number', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        const parsed = parseQuantity(text, 'length', 'm');
        if (!parsed.ok) return;
        expect(Number.isFinite(parsed.quantity.value)).toBe(true);
        expect(text.normalize('NFKC')).toMatch(/\p{Nd}/u);
      }),
    );
  });
});
