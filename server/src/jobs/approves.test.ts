import { describe, expect, test } from '@jest/globals';
import type { JobDocument } from '@katharos/job';
import { emptyDocument, verifiedDocument } from '../test/testApp.ts';
import { approves, decides } from './approves.ts';

const stamp = { at: '2026-03-01T09:00:00.000Z', by: 'Wren' };
const changed = (change: (document: JobDocument) => void): JobDocument => {
  const document = verifiedDocument();
  change(document);
  return document;
};

describe('a decision', () => {
  test.each<[string, (document: JobDocument) => void]>([
    ['agreeing anew', ({ system }) => (system!.agreed = stamp)],
    ['opening what was agreed', ({ system }) => (system!.agreed = null)],
    [
      'accepting all the same',
      ({ verify }) => (verify.accepted = { reason: 'So asked', ...stamp }),
    ],
    ['releasing water', ({ verify }) => (verify.germTest = { released: stamp })],
    ['handing over anew', ({ keep }) => (keep.issued = stamp)],
    ['taking the system away', (document) => (document.system = null)],
  ])('is %s', (_what, change) => {
    expect(approves(verifiedDocument(), changed(change))).toBe(true);
  });

  test.each<[string, (document: JobDocument) => void]>([
    ['a reading', ({ survey }) => (survey.readings.feedTds!.value = 1)],
    ['a note', ({ customer }) => (customer.note = 'Rings twice')],
    ['ordering a germ test', ({ verify }) => (verify.germTest = { ordered: stamp })],
    ['a visit', (document) => (document.service = { since: '2020-01-01' })],
  ])('is not %s', (_what, change) => {
    expect(approves(verifiedDocument(), changed(change))).toBe(false);
  });

  test('is the same in whatever order a database keeps its keys', () => {
    const turned = changed((document) => {
      const { at, by } = document.keep.issued!;
      document.keep.issued = { by, at };
    });
    expect(approves(verifiedDocument(), turned)).toBe(false);
  });

  test('stands in what was handed over, and in nothing that was just begun', () => {
    expect(decides(verifiedDocument())).toBe(true);
    expect(decides(emptyDocument())).toBe(false);
  });
});
