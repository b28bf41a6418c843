import { describe, expect, test } from '@jest/globals';
import { type JobDocument, usualFirmSettings } from '@katharos/job';
import { at, installed, readingsOf, visitOn } from '../../job/src/test/installed.ts';
import { serviceReportOf } from './serviceReport.ts';

const firm = { name: 'Fell Water', settings: usualFirmSettings };
const reportOf = (document: JobDocument, visitId: string) =>
  serviceReportOf({ number: 12, document, firm, visitId });

/** A system that was changed once, and later complained of. */
function visited(): JobDocument {
  const document = installed();
  document.customer = { ...document.customer, name: 'Odo Marsh', address: '2 Ford End' };
  document.verify.readings = readingsOf(document, 1);
  const by = { at: at('2023-03-10'), by: 'Wren' };
  document.service = {
    visits: {
      first: visitOn('2023-03-10', {
        kind: 'change-out',
        readings: {
          ...readingsOf(document, 1.3),
          productCounter: { value: 3200, unit: 'L', takenAt: null, by: null },
        },
        after: readingsOf(document, 1),
        seen: { 'sediment-brown': by },
        changed: {
          sanitising: { part: '', batch: '', ...by },
          'prefilter-1': { part: 'Silt cartridge', batch: 'L 9', ...by },
        },
        note: 'Housing greased.',
      }),
      second: visitOn('2024-05-02', {
        kind: 'complaint',
        readings: readingsOf(document, 2.4),
        complaints: { taste: { at: at('2024-05-02'), by: 'Wren' } },
        faults: ['membrane-bypass'],
      }),
    },
  };
  return document;
}

describe('the report of a visit', () => {
  test('has what was found, done with its batch, and read afterwards', () => {
    const report = reportOf(visited(), 'first')!;
    expect(report.head).toBe('Change-out on 10 March 2023, by Wren');
    expect(report.customer).toBe('Odo Marsh');
    const found = Object.fromEntries(report.found);
    expect(found['Feed TDS']).toBe('420 ppm');
    expect(found['Litre counter of the product']).toBe('3200 L');
    expect(report.remarks).toEqual([
      'Sediment filter is brown all through.',
      expect.stringMatching(/^Afterwards: Rejection is 9\d\.\d %\.$/),
      'Meets the 90 % rejection limit.',
      'Meets the 60 mg/L product TDS limit.',
    ]);
    // Parts before works.
    expect(report.done).toEqual([
      { what: 'Silt cartridge', batch: 'L 9' },
      { what: 'Disinfection', batch: '' },
    ]);
    const product = ([label]: readonly [string, string]) => label === 'Product TDS';
    const [before, after] = [report.found, report.after].map((rows) =>
      Number.parseFloat(rows.find(product)![1]),
    );
    expect(before! / after!).toBeCloseTo(1.3, 1);
    expect(report.note).toBe('Housing greased.');
  });

  test('knows what came before its visit, and nothing of what came after', () => {
    const document = visited();
    const first = reportOf(document, 'first')!;
    const alone = structuredClone(document);
    delete alone.service!.visits!.second;
    expect(reportOf(alone, 'first')).toEqual(first);
    expect(reportOf(document, 'second')!.outlook.join()).not.toEqual(first.outlook.join());
  });

  test('says what the household complained of and what was taken for the cause', () => {
    const { remarks } = reportOf(visited(), 'second')!;
    expect(remarks[0]).toBe('The household complained of: taste or smell.');
    expect(remarks[1]).toMatch(/^Taken for the cause, and mended: /);
  });

  test('marks practice as such, and there is none of a visit that is not there', () => {
    const document = visited();
    document.service!.visits!.first!.readings.feedTds!.simulated = true;
    expect(reportOf(document, 'first')!.found.map(([label]) => label)).toContain(
      'Feed TDS (practice)',
    );
    expect(reportOf(document, 'third')).toBeUndefined();
  });
});
