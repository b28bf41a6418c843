import { describe, expect, test } from '@jest/globals';
import { type Analyte, analyteAmount, analytes, analyteUnit } from './analytes.ts';

describe('amounts of a report', () => {
  test('in the analyte’s own unit, or in none, stay as they are', () => {
    for (const analyte of analytes) {
      expect(analyteAmount(analyte, 3, analyteUnit(analyte))).toBeCloseTo(3, 9);
      expect(analyteAmount(analyte, 3, '')).toBeCloseTo(3, 9);
    }
  });

  // By hand from molar masses: 1 mmol Ca = 40.078 mg; nitrate is 4.4267 times its nitrogen; a degree dH is 10 mg CaO per litre.
  test.each<[Analyte, number, string, number]>([
    ['calcium', 1, 'mmol/L', 40.078],
    ['calcium', 1, 'meq/l', 20.039],
    ['calcium', 100, 'mg/L as CaCO3', 40.04],
    ['nitrate', 1, 'mg/L as N', 4.4267],
    ['ammonium', 1, 'mg N/L', 1.2878],
    ['sulfate', 1, 'mg/L S', 2.9963],
    ['iron', 250, 'µg/L', 0.25],
    ['iron', 250, 'ppb', 0.25],
    ['hardness', 10, '°dH', 178.48],
    ['hardness', 7, 'gpg', 119.83],
    ['hardness', 2, 'mmol/L', 200.17],
    ['alkalinity', 2, 'mmol/l', 100.09],
    ['alkalinity', 244, 'mg/L HCO3', 200.12],
    ['conductivity', 0.48, 'mS/cm', 480],
    ['conductivity', 48, 'mS/m', 480],
    ['conductivity', 100, 'µS/cm (20 °C)', 111.6],
    ['temperature', 50, '°F', 10],
    ['turbidity', 0.4, 'FNU', 0.4],
  ])('of %s: %d %s', (analyte, value, unit, amount) => {
    expect(analyteAmount(analyte, value, unit)! / amount).toBeCloseTo(1, 3);
  });

  test('in a unit that is none of theirs are nothing', () => {
    expect(analyteAmount('calcium', 1, 'furlong')).toBeUndefined();
    expect(analyteAmount('pH', 7, 'mg/L')).toBeUndefined();
    expect(analyteAmount('iron', 1, 'NTU')).toBeUndefined();
  });
});
