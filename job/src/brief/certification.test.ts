import { describe, expect, test } from '@jest/globals';
import { plumbed, reading, surveyed } from '../test/plumbedJobs.ts';
import type { JobDocument } from '../document/job.ts';
import { certificateGaps } from './gaps.ts';
import { certificationOf } from './certification.ts';

const at = (hour: number) => `2026-03-02T${String(hour).padStart(2, '0')}:00:00Z`;
const tick = (hour: number) => ({ at: at(hour), by: 'Wren' });

/** A well's tank system, all of it flushed by nine o'clock. */
function flushed(): JobDocument {
  const document = surveyed();
  const { design } = plumbed(document);
  document.system = { design, chosenAt: at(7), chosenBy: 'Wren', agreed: null };
  document.survey.source = 'well';
  document.survey.disinfectant = 'none';
  const step = (id: string, code: string) => ({
    id,
    code,
    minutes: null,
    attended: true,
    by: 'installer' as const,
  });
  const plan = [
    step('leak-check-filling', 'leak-check'),
    step('membrane-rinse', 'membrane-rinse'),
    step('leak-check-pressurised', 'leak-check'),
    step('tank-drain-1', 'tank-drain'),
  ];
  document.flush.plan = plan;
  for (const { id } of plan) {
    document.flush.steps[id] = { startedAt: at(8), done: tick(9), seen: ['dry'] };
  }
  return document;
}
const owedOf = (document: JobDocument) => certificationOf(document, null)!.owed;

describe('a look for leaks', () => {
  test('is that of the flush, until somebody notes another; nobody looked where nobody ticked', () => {
    const document = flushed();
    expect(owedOf(document)).toContain('leak-tank-full');
    expect(owedOf(document)).not.toContain('leak-filled');
    document.verify.leaks = { filled: 'leak' };
    expect(certificationOf(document, null)!.faults).toContain('leak');
  });

  test('that was ended without the tissue seen dry is none', () => {
    const document = flushed();
    document.flush.steps['leak-check-filling']!.seen = [];
    expect(owedOf(document)).toContain('leak-filled');
  });

  test('counts no more once something was opened to be mended', () => {
    const document = flushed();
    document.verify.earlier = { a: { readings: {}, mended: 'Reseated', ...tick(10) } };
    expect(owedOf(document)).toContain('leak-filled');
    document.verify.earlier = { a: { readings: {}, mended: 'Reseated', ...tick(8) } };
    expect(owedOf(document)).not.toContain('leak-filled');
  });

  test('that found a drip stays a leak until it is mended', () => {
    const document = flushed();
    const trouble = { step: 'leak-check-filling', sign: 'drips' as const, cause: null, ...tick(8) };
    document.flush.troubles = { a: { ...trouble, mended: null } };
    expect(certificationOf(document, null)!.faults).toEqual(['leak']);
    document.flush.troubles = { a: { ...trouble, mended: tick(9) } };
    expect(certificationOf(document, null)!.faults).toEqual([]);
  });
});

describe('a sample for germs', () => {
  test('counts from the last flush on, and no more once a cartridge was changed after it', () => {
    const document = flushed();
    const sampledAt = (hour: number) => {
      document.verify.germTest = { sampled: tick(hour), result: { found: false, ...tick(hour) } };
      return owedOf(document).includes('germs');
    };
    expect(sampledAt(8)).toBe(true);
    expect(sampledAt(10)).toBe(false);
    document.service = {
      visits: {
        v: {
          kind: 'change-out',
          at: at(11),
          by: 'Wren',
          readings: {},
          note: '',
          changed: { 'prefilter-1': { part: 'x', batch: '', ...tick(11) } },
        },
      },
    };
    expect(sampledAt(10)).toBe(true);
    expect(sampledAt(12)).toBe(false);
  });

  test('that found some is a fault whenever it was taken', () => {
    const document = flushed();
    document.verify.germTest = { sampled: tick(7), result: { found: true, ...tick(7) } };
    expect(certificationOf(document, null)!.faults).toContain('germs');
  });
});

test('an ion that a system was bought against is owed until a laboratory has measured it', () => {
  const document = flushed();
  document.survey.purposes = ['nitrate', 'taste', 'machine'];
  expect(owedOf(document)).toContain('ion:nitrate');
  document.verify.ions = { nitrate: reading(51, 'mg/L') };
  expect(certificationOf(document, null)!.faults).toContain('ion:nitrate');
  // A local limit comes first.
  expect(certificationOf(document, null, { nitrate: 60 })!.faults).not.toContain('ion:nitrate');
  document.verify.ions = { nitrate: { ...reading(40_000, 'ug/L') } };
  expect(certificationOf(document, null)!.faults).not.toContain('ion:nitrate');
});

test('what a simulated meter shows settles nothing', () => {
  const document = flushed();
  document.survey.disinfectant = 'chlorine';
  document.verify.noted = { totalChlorine: { ...reading(0, 'mg/L'), simulated: true } };
  expect(owedOf(document)).toContain('total-chlorine');
});

test('what is open when a certificate is issued is what is owed', () => {
  const document = flushed();
  const gaps = certificateGaps(document);
  expect(gaps).toEqual(
    expect.arrayContaining(['leaks-unchecked', 'shutoff-untested', 'germs-untested', 'tds-unread']),
  );
  expect(gaps).not.toContain('chlorine-unread');
  expect(
    certificateGaps({
      ...document,
      survey: { ...document.survey, source: 'mains', disinfectant: 'unknown' },
    }),
  ).toContain('chlorine-unread');
});
