import { describe, expect, test } from '@jest/globals';
import { balanceSentence, readerOf, solidsSentences, troubleSentence } from '@katharos/words';
import { recogniseAnalyte, unitInName } from './analyteNames.ts';
import { numberIn, readReport } from './readReport.ts';
import { reportFindings } from './reportFindings.ts';
import { laboratorySchema, type LaboratoryReport } from './report.ts';

const reader = readerOf();

const reportOf = (text: string, change: Partial<LaboratoryReport> = {}) => ({
  text,
  choices: {},
  ...change,
});
const whole = `Parameter;Result;Unit
Calcium;62,4;mg/L
Magnesium;12;mg/L
Sodium;18;mg/L
Bicarbonate;210;mg/L
Chloride;24;mg/L
Sulphate;30;mg/L
Nitrate;12;mg/L
pH;7,5;
Conductivity;480;µS/cm
TDS;290;mg/L
Iron;<20;µg/L
Lead;<1;µg/L
Manganese;0,03;furlong
E. coli;0;/100 mL
;4;mg/L
Chloride;25;mg/L
Turbidity;clear;NTU`;

describe('names of a report', () => {
  test.each([
    ['Total Hardness (as CaCO3)', 'hardness'],
    ['HARDNESS, TOTAL', 'hardness'],
    ['Ca2+', 'calcium'],
    ['Sulphate', 'sulfate'],
    ['Leitfähigkeit', 'conductivity'],
    ['E. coli', 'coliforms'],
    ['Iron, total', 'iron'],
    ['pH value', 'pH'],
  ])('%s is %s', (name, analyte) => {
    expect(recogniseAnalyte(name)).toBe(analyte);
  });

  test('that are not known are nothing, and a unit in brackets is found', () => {
    expect(recogniseAnalyte('Colour of the lid')).toBeUndefined();
    expect(unitInName('Calcium (mmol/L)')).toBe('mmol/L');
    expect(unitInName('Calcium')).toBe('');
  });
});

describe('figures', () => {
  test.each<[string, boolean, number | undefined]>([
    ['62,4', true, 62.4],
    ['1,250', false, 1250],
    ['1,25', false, 1.25],
    ['1.250,5', true, 1250.5],
    ['< 0.02', false, 0.02],
    ['not detected', false, 0],
    ['n.n.', true, 0],
    ['n. n.', true, 0],
    ['nicht nachweisbar', true, 0],
    ['< LOQ', false, 0],
    ['<BG', true, 0],
    ['0,025', false, 0.025],
    ['0,025', true, 0.025],
    ['1.250', true, 1250],
    ['1’250', true, 1250],
    ['12 mg', false, undefined],
    ['1 480', false, 1480],
    ['clear', false, undefined],
    ['', false, undefined],
  ])('"%s" with a decimal comma: %s', (text, comma, value) => {
    expect(numberIn(text, comma)).toBe(value);
  });
});

describe('a report with lines above its table', () => {
  const letter = `Prüfbericht 4711;;
Entnahme: 3.2.2026, 9:40;;
Kunde: Haus am Hang, Kreis 4;;

Parameter;Ergebnis;Einheit
Calcium;62,4;mg/L
Eisen;n.n.;mg/L
Blei;<LOQ;µg/L
Mangan;<0,005;mg/L
Gesamthärte;1,9;mmol/L`;

  test('is read from its head on, with the numbers of its lines', () => {
    const { rows, layout } = readReport(reportOf(letter));
    expect(layout).toBe('lines');
    expect(rows.map(({ line, amount, below }) => [line, amount, below]).slice(0, 2)).toEqual([
      [5, 62.4, false],
      [6, 0, true],
    ]);
    const manganese = reportFindings(rows).readings.find(({ from }) => from[0] === 'manganese');
    expect(manganese).toMatchObject({ value: 0.005, below: true });
  });

  test('and without a head from the first line that tells a quantity', () => {
    const text = letter
      .split('\n')
      .filter((line) => !line.startsWith('Parameter'))
      .join('\n');
    expect(readReport(reportOf(text)).rows.map(({ amount }) => amount)).toContain(62.4);
  });

  test('keeps no more columns than choices by hand say', () => {
    const columns = { name: 0, value: 1, unit: 2 };
    expect(readReport(reportOf(letter, { columns })).rows.length).toBeGreaterThan(4);
  });
});

describe('a report', () => {
  test('is read line by line; every line that is not taken says why, and none is lost', () => {
    const { rows, layout, columns } = readReport(reportOf(whole));
    expect(layout).toBe('lines');
    expect(columns).toEqual({ name: 0, value: 1, unit: 2 });
    expect(rows).toHaveLength(17);
    const troubles = Object.fromEntries(rows.map(({ line, trouble }) => [line, trouble]));
    expect(troubles).toMatchObject({
      2: null,
      13: 'not-used',
      14: 'unknown-unit',
      16: 'no-name',
      17: 'listed-before',
      18: 'no-number',
    });
    for (const row of rows) {
      expect(row.amount === null).toBe(row.trouble !== null);
      if (row.trouble) expect(troubleSentence(row, reader)).toMatch(/\.$/);
    }
    expect(rows.find(({ analyte }) => analyte === 'iron')).toMatchObject({
      amount: 0.02,
      below: true,
    });
  });

  test('takes what a person chose instead: quantity, unit, or leaving out', () => {
    const choices = {
      13: { analyte: 'manganese' as const, unit: 'µg/L' },
      14: { unit: 'mg/L' },
      2: { analyte: null },
    };
    const { rows } = readReport(reportOf(whole, { choices }));
    expect(rows.find(({ line }) => line === 13)).toMatchObject({
      analyte: 'manganese',
      amount: 0.001,
    });
    expect(rows.find(({ line }) => line === 14)).toMatchObject({ trouble: 'listed-before' });
    expect(rows.find(({ line }) => line === 2)).toMatchObject({
      trouble: 'left-out',
      amount: null,
    });
  });

  test('with a quantity a column, with tabs and without heads is understood, too', () => {
    const wide = readReport(reportOf('Sample,Calcium (mg/L),pH,Iron (µg/L)\nKitchen,48,7.2,35'));
    expect(wide.layout).toBe('columns');
    expect(wide.rows.map(({ amount }) => amount)).toEqual([null, 48, 7.2, 0.035]);
    const tabs = readReport(
      reportOf('Calcium\t48\tmg/L\npH\t7.2\t\nHardness\t9\t°dH\nIron\t35\tµg/L'),
    );
    expect(tabs.rows.map(({ amount }) => amount && Number(amount.toPrecision(4)))).toEqual([
      48, 7.2, 160.6, 0.035,
    ]);
    expect(readReport(reportOf('nothing of all this')).layout).toBeNull();
  });

  test('whose columns cannot be told is read by the ones a person names', () => {
    const odd = 'a;b;c\n1;48;calcium\n2;7.2;pH';
    expect(
      readReport(reportOf(odd, { columns: { name: 2, value: 1, unit: null } })).rows,
    ).toMatchObject([
      { analyte: 'calcium', amount: 48 },
      { analyte: 'pH', amount: 7.2 },
    ]);
  });

  test('gives the survey its readings, hardness out of calcium and magnesium where it is not listed', () => {
    const { readings, germs } = reportFindings(readReport(reportOf(whole)).rows);
    const value = (key: string) => readings.find(({ target }) => target.key === key)?.value;
    // 62.4 / 20.039 + 12 / 12.1525 milliequivalents, 50.04 mg each.
    expect(value('hardness')).toBeCloseTo(205.2, 0);
    expect(value('alkalinity')).toBeCloseTo(172.2, 0);
    expect(value('feedTds')).toBe(290);
    expect(value('iron')).toBe(0.02);
    expect(germs).toBe(false);
    const germy = whole.replace('E. coli;0', 'E. coli;3');
    expect(reportFindings(readReport(reportOf(germy)).rows).germs).toBe(true);
  });

  test('is checked against itself: balance, and solids against conductivity', () => {
    const findings = (text: string) => reportFindings(readReport(reportOf(text)).rows);
    expect(balanceSentence(findings(whole), reader)).toMatchObject({ tone: 'good' });
    const slipped = whole.replace('Sodium;18', 'Sodium;180');
    expect(balanceSentence(findings(slipped), reader)?.text).toMatch(/apart, where 5 % is usual/);
    const short = whole.replace('Chloride;24;mg/L\n', '').replace('\nChloride;25;mg/L', '');
    expect(balanceSentence(findings(short), reader)?.text).toMatch(/does not list chloride/);
    expect(solidsSentences(findings(whole), reader).map(({ tone }) => tone)).toEqual([
      'good',
      'good',
    ]);
    const strange = whole.replace('TDS;290', 'TDS;40');
    expect(solidsSentences(findings(strange), reader).map(({ tone }) => tone)).toEqual([
      'warn',
      'warn',
    ]);
    expect(balanceSentence(findings('Parameter;Result\npH;7'), reader)).toBeNull();
  });

  test('is stored as it came, within bounds', () => {
    const stored = {
      name: 'pasted',
      text: whole,
      choices: { 13: { analyte: null } },
      readAt: '2026-03-01T09:00:00.000Z',
      by: 'Odo',
    };
    expect(laboratorySchema.parse(stored)).toEqual(stored);
    expect(laboratorySchema.safeParse({ ...stored, text: 'x'.repeat(60001) }).success).toBe(false);
  });
});

describe('what a figure is counted as', () => {
  const amountOf = (line: string) =>
    readReport(reportOf(`Parameter;Result;Unit\n${line}`)).rows[0]!;

  // By molar masses: CaCO3 100.09 to Ca 40.08, N 14.007 to NO3 62.005, S 32.06 to SO4 96.06.
  test.each<[string, number]>([
    ['Calcium as CaCO3;155;mg/L', (155 * 40.078) / 100.087],
    ['Calcium (as CaCO3);155;mg/L', (155 * 40.078) / 100.087],
    ['Calcium;155;mg/L as CaCO3', (155 * 40.078) / 100.087],
    ['Magnesium as CaCO3;50;ppm', (50 * 24.305) / 100.087],
    ['Nitrate as N;2.7;mg/L', (2.7 * 62.004) / 14.007],
    ['Nitrate (as N);2.7;', (2.7 * 62.004) / 14.007],
    ['NO3-N;2.7;mg/L', (2.7 * 62.004) / 14.007],
    ['Nitrate;12;mg/L', 12],
    ['Nitrate as NO3;12;mg/L', 12],
    ['Sulfate as S;10;mg/L', (10 * 96.06) / 32.06],
    ['Sulfate;30;mg SO4/l', 30],
    ['Total hardness as CaCO3;205;mg/L', 205],
    ['Hardness;20;°f', 200],
    ['Conductivity;480;umhos/cm', 480],
    ['Nitrato como N;2.7;mg/L', (2.7 * 62.004) / 14.007],
  ])('%s', (line, amount) => {
    const row = amountOf(line);
    expect(row.trouble).toBeNull();
    expect(row.amount! / amount).toBeCloseTo(1, 3);
  });

  test('more than a figure is no figure, but of a transmittance its safe side', () => {
    expect(amountOf('Iron;>0.5;mg/L')).toMatchObject({ amount: null, trouble: 'at-least' });
    expect(amountOf('UV transmittance;>95;%')).toMatchObject({ amount: 95 });
    expect(troubleSentence(amountOf('Iron;>0.5;mg/L'), reader)).toMatch(
      /only says that it is more/,
    );
  });

  test('of least, mean and most the most is taken, and the columns show it', () => {
    const { rows, columns } = readReport(
      reportOf('Parameter;Min;Mean;Max;Unit\nNitrate;5;12;31;mg/L\nIron;0.01;0.05;0.2;mg/L'),
    );
    expect(columns).toMatchObject({ value: 3 });
    expect(rows.map(({ amount }) => amount)).toEqual([31, 0.2]);
  });
});

describe('reports that are no table', () => {
  const read = (text: string) =>
    Object.fromEntries(
      readReport(reportOf(text)).rows.flatMap(({ analyte, amount }) =>
        analyte && amount !== null ? [[analyte, amount]] : [],
      ),
    );

  test('lines of name, colon and figure', () => {
    expect(read('Calcium: 62 mg/L\nNitrate as N: 2.7 mg/L\npH: 7.4')).toMatchObject({
      calcium: 62,
      nitrate: expect.closeTo((2.7 * 62.004) / 14.007, 1),
      pH: 7.4,
    });
  });

  test('two to a line', () => {
    expect(read('Calcium: 62 mg/L    Magnesium: 12 mg/L\nChloride: 24 mg/L    pH: 7.4')).toEqual({
      calcium: 62,
      magnesium: 12,
      chloride: 24,
      pH: 7.4,
    });
  });

  test('columns spaced with blanks, in German and Spanish', () => {
    expect(
      read('Calcium       62,4   mg/L\nEisen         0,05   mg/L\nGesamthärte   11,2   °dH'),
    ).toMatchObject({
      calcium: 62.4,
      iron: 0.05,
      hardness: expect.closeTo(11.2 * 17.848, 1),
    });
    expect(
      read('Dureza total   205 mg/L\nSulfatos   30 mg/L\nSólidos disueltos totales   290 mg/L'),
    ).toMatchObject({
      hardness: 205,
      sulfate: 30,
      solids: 290,
    });
  });
});
