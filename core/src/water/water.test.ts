import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import {
  concentrationAtOsmotic,
  osmoticPressure,
  osmoticScale,
  osmoticSlope,
} from './osmoticPressure.ts';
import { risePressure, waterDensity } from './waterDensity.ts';
import { waterViscosity } from './waterViscosity.ts';

describe('water', () => {
  // CRC Handbook of Chemistry and Physics, water at one atmosphere.
  test.each([
    [0, 999.84],
    [4, 999.97],
    [10, 999.7],
    [20, 998.21],
    [25, 997.05],
    [30, 995.65],
    [40, 992.22],
  ])('at %d C weighs %d kg/m3', (temperatureC, kgM3) => {
    expect(Math.abs(waterDensity(temperatureC) - kgM3)).toBeLessThan(0.01);
  });

  // IAPWS 2008, mPa s; the Vogel form is good to 2.5 %.
  test.each([
    [5, 1.5182],
    [10, 1.306],
    [20, 1.0016],
    [25, 0.89],
    [40, 0.6527],
  ])('at %d C has a viscosity of %d mPa s', (temperatureC, mPaS) => {
    expect(waterViscosity(temperatureC) * 1000).toBeGreaterThan(0.975 * mPaS);
    expect(waterViscosity(temperatureC) * 1000).toBeLessThan(1.025 * mPaS);
  });

  test('ten metres of it weigh just under a bar', () => {
    expect(risePressure(10, 4)).toBeCloseTo(0.98064, 4);
    expect(risePressure(-10, 4)).toBe(-risePressure(10, 4));
  });
});

describe('osmotic pressure', () => {
  test('is about 0.8 bar for a gram of salt in a litre at 25 C', () => {
    // van 't Hoff for dilute NaCl, 2 R T / 58.44 g/mol = 0.848 bar at full dissociation; the activity takes a few percent.
    expect(osmoticPressure(1000, 25)).toBeGreaterThan(0.76);
    expect(osmoticPressure(1000, 25)).toBeLessThan(0.848);
  });

  test('has the inverse and the slope that the march relies on', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 60000, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 1, max: 40, noNaN: true }),
        (wall, share, temperatureC) => {
          const permeate = share * wall;
          const scale = osmoticScale(temperatureC);
          const bar = osmoticPressure(wall, temperatureC);
          expect(concentrationAtOsmotic(scale, bar) / wall).toBeCloseTo(1, 10);
          const difference = bar - osmoticPressure(permeate, temperatureC);
          expect(osmoticSlope(scale, wall, permeate) * (wall - permeate)).toBeCloseTo(
            difference,
            9,
          );
        },
      ),
    );
  });
});
