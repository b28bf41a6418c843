import { describe, expect, test } from '@jest/globals';
import { auditCodes, type AuditCode, type AuditEntry } from '@katharos/contract';
import { diffDocuments, type JobDocument, newJobDocument } from '@katharos/job';
import { auditSentence, changedLines } from './audit.ts';
import { readerOf } from './reader.ts';

const reader = readerOf({ currency: 'EUR' });
const entry = (code: AuditCode, data: Record<string, unknown> = {}, name = 'Odo'): AuditEntry => ({
  seq: 1,
  at: '2026-03-01T09:00:00Z',
  code,
  subject: { kind: 'job', id: 'x' },
  content: { by: 'Wren', device: '', name, data },
});

describe('an entry of the log', () => {
  test.each(auditCodes.map((code) => [code]))('is one plain sentence: %s', (code) => {
    // Also where an older version of the program wrote less into it.
    const said = auditSentence(entry(code), reader);
    expect(said).toMatch(/^Wren [a-z].*\.$/);
    expect(said).not.toMatch(/undefined|null|NaN|\[object/);
  });

  test.each<[AuditCode, Record<string, unknown>, string]>([
    ['person-invited', { name: 'Pip', role: 'helper' }, 'Wren invited Pip as helper.'],
    [
      'role-changed',
      { before: 'helper', after: 'installer' },
      'Wren made Odo installer instead of helper.',
    ],
    ['job-shelved', { shelf: 'archived' }, 'Wren put away: Odo.'],
    [
      'paper-issued',
      { kind: 'certificate', version: 2 },
      'Wren issued certificate version 2 for Odo.',
    ],
    ['price-noted', { supplier: 'Fen', price: 12.5 }, 'Wren noted €12.50 of Fen for Odo.'],
    ['stock-counted', { quantity: 3 }, 'Wren counted 3 of Odo in the van.'],
    ['stock-counted', { quantity: 3, place: 'Van 2' }, 'Wren counted 3 of Odo in Van 2.'],
    ['stock-moved', { to: 'Van 2' }, 'Wren moved parts from Odo to Van 2.'],
  ])('says what it is about: %s', (code, data, said) => {
    expect(auditSentence(entry(code, data), reader)).toBe(said);
  });

  test('that was emptied says no more than that', () => {
    const emptied = { ...entry('job-changed'), content: null };
    expect(auditSentence(emptied, reader)).toMatch(/taken out/);
    expect(changedLines(emptied, reader)).toEqual([]);
  });
});

describe('what changed of a job', () => {
  const lines = (change: (document: JobDocument) => void, from = newJobDocument('Odo')) => {
    const after = structuredClone(from);
    change(after);
    return changedLines(entry('job-changed', { patches: diffDocuments(from, after) }), reader);
  };
  const read = (value: number, unit: string) => ({ value, unit, takenAt: null, by: null });

  test('is told by the field, as it was entered', () => {
    const before = newJobDocument('Odo');
    before.survey.readings.pressure = read(52, 'psi');
    expect(
      lines((document) => {
        document.survey.readings.pressure = read(3.8, 'bar');
      }, before),
    ).toEqual(['Supply pressure: 52 psi → 3.8 bar']);
  });

  test('is told from nothing, to nothing, and by the place where it is more than a value', () => {
    expect(
      lines((document) => {
        document.survey.readings.feedTds = read(410, 'mg/L');
        document.customer.phone = '0123';
        document.keep.issued = { at: '2026-03-01T09:00:00Z', by: 'Wren' };
      }),
    ).toEqual(
      expect.arrayContaining([
        'Feed TDS: nothing → 410 mg/L',
        'Customer, phone: nothing → 0123',
        'Keep',
      ]),
    );
  });

  test('of many values of one place is one line', () => {
    const tick = { at: '2026-03-01T09:00:00Z', by: 'Wren' };
    expect(
      lines((document) => {
        document.plumb.ticks = { a: tick, b: tick, c: tick };
      }),
    ).toEqual(['Plumb']);
  });
});
