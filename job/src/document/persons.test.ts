import { expect, test } from '@jest/globals';
import type { JobDocument } from './job.ts';
import { newJobDocument } from './newJob.ts';
import { stampPersons } from './persons.ts';

const at = '2026-03-01T09:00:00Z';
const read = (value: number, by: string | null) => ({ value, unit: 'mg/L', takenAt: at, by });
const documentWith = (change: (document: JobDocument) => void): JobDocument => {
  const document = newJobDocument('Aelfric Thorne');
  change(document);
  return document;
};

test('what is new was done by whoever sends it, whatever name it brings', () => {
  const sent = documentWith((document) => {
    document.survey.readings.feedTds = read(410, 'The owner');
    document.keep.issued = { at, by: 'The owner' };
  });
  const { survey, keep } = stampPersons(sent, newJobDocument('x'), 'Wat Helper');
  expect(survey.readings.feedTds?.by).toBe('Wat Helper');
  expect(keep.issued?.by).toBe('Wat Helper');
});

test('what stood there keeps who did it; what is changed under their name is the changer’s', () => {
  const stored = documentWith((document) => {
    document.survey.readings.feedTds = read(410, 'Edda');
    document.survey.readings.pressure = { ...read(4, 'Edda'), unit: 'bar' };
  });
  const sent = structuredClone(stored);
  sent.survey.readings.feedTds!.value = 40;
  const { feedTds, pressure } = stampPersons(sent, stored, 'Wat').survey.readings;
  expect([feedTds?.by, pressure?.by]).toEqual(['Wat', 'Edda']);
});

test('who mends what another found does not become the finder, and what no person did stays nobody’s', () => {
  const found = { step: 's', sign: 'drip', cause: null, at, by: 'Edda', mended: null } as const;
  const stored = documentWith((document) => {
    document.flush.troubles = { t: { ...found, sign: 'leak' as never } };
    document.survey.readings.feedTds = read(410, null);
  });
  const sent = structuredClone(stored);
  sent.flush.troubles!.t!.mended = { at, by: 'Somebody' };
  sent.flush.plan = [
    { id: 'a', code: 'tank', minutes: 5, attended: true, by: 'household' as const },
  ];
  const { flush, survey } = stampPersons(sent, stored, 'Wat');
  expect(flush.troubles!.t!.mended?.by).toBe('Wat');
  expect(survey.readings.feedTds?.by).toBeNull();
  // A hand that a plan names is no person.
  expect(flush.plan?.[0]?.by).toBe('household');
});
