import { describe, expect, test } from '@jest/globals';
import { usualOdds, agedWeights } from '@katharos/core';
import type { JobDocument } from '../document/job.ts';
import { plumbed, surveyed } from '../test/plumbedJobs.ts';
import { examinationOf } from './examination.ts';

const at = (minutes: number) => new Date(Date.UTC(2026, 2, 1, 9, minutes)).toISOString();
const reading = (value: number, unit: string) => ({ value, unit, takenAt: at(300), by: 'Wren' });

/** A job of a system with a tank, read at two cups, its first tank filled in 90 minutes. */
function verified(change: (document: JobDocument) => void = () => undefined): JobDocument {
  const document = surveyed();
  const { design } = plumbed(document);
  document.system = { design, chosenAt: at(0), chosenBy: 'Wren', agreed: null };
  document.verify = {
    ...document.verify,
    readings: { feedTds: reading(420, 'ppm'), productTds: reading(21, 'ppm') },
  };
  document.flush = {
    steps: {
      'tank-fill-1': {
        startedAt: at(0),
        done: { at: at(90), by: 'Wren' },
        minutes: 60,
        seen: ['drain-stopped'],
      },
    },
  };
  change(document);
  return document;
}
const asked = (document: JobDocument, settings = {}) => examinationOf(document, settings)!;
const fill = (document: JobDocument) =>
  asked(document).given.find(({ code }) => code === 'fillTimeMin');

describe('what a verification asks the diagnosis', () => {
  test('holds the last fill of the flush, more or less, unless one was timed or something mended since', () => {
    expect(fill(verified())).toMatchObject({ seen: 90 });
    expect(fill(verified())!.uncertainty).toBeGreaterThan(9);
    const timed = verified(({ verify }) => (verify.readings.fillTime = reading(70, 'min')));
    expect(fill(timed)).toEqual({ code: 'fillTimeMin', seen: 70 });
    const past = { readings: {}, mended: 'opened the valve', at: at(200), by: 'Wren' };
    expect(fill(verified(({ verify }) => (verify.earlier = { a: past })))).toBeUndefined();
  });

  test('leaves a fill that was cut short, or ended while nobody looked, out of it', () => {
    const cut = verified(({ flush }) => delete flush.steps['tank-fill-1']!.seen);
    expect(fill(cut)).toBeUndefined();
    const unseen = verified(({ flush }) => (flush.steps['tank-fill-1']!.endedUnseen = true));
    expect(fill(unseen)).toBeUndefined();
  });

  test('holds complaints, and what was seen while flushing until it is mended', () => {
    const trouble = {
      step: 'membrane-rinse',
      sign: 'drain-runs-hard' as const,
      cause: null,
      at: at(5),
      by: 'Wren',
      mended: null,
    };
    const told = verified(({ verify, flush }) => {
      verify.complaints = { slow: { at: at(250), by: 'Wren' } };
      flush.troubles = {
        a: trouble,
        b: { ...trouble, sign: 'weak-tap', mended: { at: at(9), by: 'Wren' } },
        c: { ...trouble, sign: 'drips' },
      };
    });
    expect(asked(told).hints).toEqual([{ complaint: 'slow' }, { sign: 'drain-runs-hard' }]);
    expect(asked(verified()).hints).toEqual([]);
  });

  test('doubts the meters where the cups were read in two units or with two pens', () => {
    expect(asked(verified()).asked).not.toContain('meters-differ');
    const units = verified(
      ({ verify }) => (verify.readings.productTds = reading(42, 'uS/cm NaCl')),
    );
    expect(asked(units).asked).toContain('meters-differ');
    const named = verified(({ verify }) => (verify.readings.productTds = reading(21, 'mg/L')));
    expect(asked(named).asked).not.toContain('meters-differ');
    const pens = verified(({ verify }) => (verify.readings.feedTds!.instrument = 'Red pen'));
    expect(asked(pens).asked).toContain('meters-differ');
  });

  test('starts from the firm’s own odds where it has any', () => {
    expect(asked(verified()).weights!['pump-off']).toBeCloseTo(0.02, 9);
    const { weights } = asked(verified(), { odds: { 'pump-off': 0.1 } });
    expect(weights!['pump-off']! / 0.02).toBeCloseTo(0.1 / usualOdds('pump-off'), 9);
  });

  test('takes no part that was fitted today for simply old', () => {
    const { weights } = asked(verified());
    for (const fault of ['membrane-old', 'carbon-spent', 'prefilter-blocked'] as const)
      expect(weights![fault]!).toBeLessThan(0.03 * 0.05);
    // From half of its customary life on it weighs what it usually does.
    const aged = agedWeights(() => 18);
    expect(aged['membrane-old']).toBeCloseTo(0.05, 9);
    expect(agedWeights(() => 9)['membrane-old']).toBeCloseTo(0.025, 9);
  });
});
