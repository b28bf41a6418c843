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
    ['3,1bar', 'pressure', 'psi', 3.1, 'bar'],
    ['3.1', 'pressure', 'bar', 3.1, 'bar'],
    ['62 °F', 'temperature', 'C', 62, 'F'],
    ['-2c', 'temperature', 'F', -2, 'C'],
    ['1,200 ppm', 'tds', 'mg/L', 1200, 'ppm'],
    ['900 µS/cm', 'tds', 'mg/L', 900, 'uS/cm NaCl'],
    ['900 uS/cm 442', 'tds', 'mg/L', 900, 'uS/cm 442'],
    ['1 1/2"', 'length', 'm', 1.5, 'in'],
    ['3/8 in', 'length', 'm', 0.375, 'in'],
    ['11 dH', 'hardness', 'gpg', 11, 'dH'],
    ['.5 L', 'volume', 'gal', 0.5, 'L'],
  ])('%s as %s', (text, dimension, bare, value, unit) => {
    expect(parseQuantity(text, dimension, bare)).toEqual({ ok: true, quantity: { value, unit } });
  });

  test.each<[string, Dimension, string]>([
    ['', 'pressure', 'empty'],
    ['high', 'pressure', 'no-number'],
    ['45 furlongs', 'pressure', 'unknown-unit'],
    ['12 bar', 'temperature', 'unknown-unit'],
  ])('refuses "%s" as %s: %s', (text, dimension, reason) => {
    expect(parseQuantity(text, dimension, 'bar')).toMatchObject({ ok: false, reason });
  });
});
