import { describe, expect, test } from '@jest/globals';
import { type CertifyRequest, certify, isKnownSafe, owedChecks } from './certify.ts';
import { purposeIons, purposeTable, purposes } from '../../water/purpose.ts';

/** A well-kept tank system with everything checked. */
const whole: CertifyRequest = {
  train: { membrane: true, tank: true, pump: true, carbon: true, lamp: 'always-on' },
  supply: { source: 'well', safe: false, disinfectant: 'chloramine' },
  purposes: ['germs', 'nitrate', 'lead'],
  checks: {
    leaks: { filled: 'dry', pressure: 'dry', tankFull: 'dry' },
    stops: 'stops',
    germs: { result: 'none-found', sampled: 'after' },
    chlorine: { totalMgL: 0.02, freeMgL: null },
    lamp: { dose: 'held', alarm: 'quiet' },
    ions: { nitrate: { mgL: 5, limitMgL: 50 }, lead: { mgL: 0.001, limitMgL: 0.01 } },
  },
  readings: { feedTds: true, productTds: true, productFlow: true, drainFlow: true },
  judged: { sound: 0.9, limits: { rejection: 0.99, productTds: 0.99 } },
};
const checked = (change: Partial<CertifyRequest['checks']>) =>
  certify({ ...whole, checks: { ...whole.checks, ...change } });

test('good is only what owes nothing', () => {
  expect(certify(whole)).toEqual({
    title: 'certificate',
    grade: 'good',
    owed: [],
    untested: [],
    faults: [],
    remarks: [],
  });
});

/** Each way to leave something out, with what is then owed. */
const leftOut: [string, CertifyRequest][] = [
  ['feed-tds', { ...whole, readings: { ...whole.readings, feedTds: false } }],
  ['product-tds', { ...whole, readings: { ...whole.readings, productTds: false } }],
  ...(
    [
      ['leak-filled', { leaks: { ...whole.checks.leaks, filled: 'not-done' } }],
      ['leak-pressure', { leaks: { ...whole.checks.leaks, pressure: 'not-done' } }],
      ['leak-tank-full', { leaks: { ...whole.checks.leaks, tankFull: 'not-done' } }],
      ['stops', { stops: 'not-done' }],
      ['germs', { germs: { result: 'awaited', sampled: 'after' } }],
      ['germs', { germs: { result: 'none-found', sampled: 'before' } }],
      ['lamp-dose', { lamp: { dose: 'not-known', alarm: 'quiet' } }],
      ['lamp-alarm', { lamp: { dose: 'held', alarm: 'not-looked' } }],
      // Free chlorine says nothing of chloramine.
      ['total-chlorine', { chlorine: { totalMgL: null, freeMgL: 0 } }],
      ['ion:nitrate', { ions: { lead: { mgL: 0, limitMgL: 0.01 } } }],
    ] as [string, Partial<CertifyRequest['checks']>][]
  ).map(([owed, change]): [string, CertifyRequest] => [
    owed,
    { ...whole, checks: { ...whole.checks, ...change } },
  ]),
];

describe('nobody drinks and nothing is certified', () => {
  test.each(leftOut)('while %s is owed', (owed, request) => {
    expect(certify(request)).toMatchObject({ title: 'record', grade: null, owed: [owed] });
  });

  test('and every check of the table can be left out', () => {
    const left = new Set(leftOut.map(([owed]) => owed));
    for (const owed of owedChecks) expect(left).toContain(owed);
  });
});

describe('a fault', () => {
  test.each<[string, CertifyRequest]>([
    [
      'leak',
      {
        ...whole,
        checks: { ...whole.checks, leaks: { filled: 'dry', pressure: 'leak', tankFull: 'dry' } },
      },
    ],
    [
      'germs',
      { ...whole, checks: { ...whole.checks, germs: { result: 'found', sampled: 'before' } } },
    ],
    ['unsafe-without-lamp', { ...whole, train: { ...whole.train, lamp: null } }],
    ['membrane-unprotected', { ...whole, train: { ...whole.train, carbon: false } }],
    [
      'disinfectant-passes',
      { ...whole, checks: { ...whole.checks, chlorine: { totalMgL: 0.11, freeMgL: 0 } } },
    ],
    [
      'ion:lead',
      {
        ...whole,
        checks: {
          ...whole.checks,
          ions: { ...whole.checks.ions, lead: { mgL: 0.02, limitMgL: 0.01 } },
        },
      },
    ],
    ['not-sound', { ...whole, judged: { ...whole.judged!, sound: 0.2 } }],
  ])('of the kind %s is never accepted', (fault, request) => {
    const { grade, title, faults } = certify(request);
    expect([grade, title]).toEqual(['not-accepted', 'record']);
    expect(faults).toContain(fault);
  });

  test('outweighs what is owed beside it', () => {
    expect(
      checked({
        stops: 'runs-on',
        leaks: { filled: 'not-done', pressure: 'dry', tankFull: 'dry' },
      }),
    ).toMatchObject({
      grade: 'not-accepted',
      owed: ['leak-filled'],
      faults: ['runs-on'],
    });
  });
});

test('what does not belong to the train is passed over', () => {
  const filterOnly = certify({
    ...whole,
    train: { membrane: false, tank: false, pump: false, carbon: true, lamp: null },
    supply: { source: 'mains', safe: null, disinfectant: 'none' },
    purposes: ['taste'],
    checks: {
      ...whole.checks,
      leaks: { filled: 'dry', pressure: 'dry', tankFull: 'leak' },
      stops: 'not-done',
      lamp: { dose: 'too-low', alarm: 'sounds' },
      germs: { result: 'not-done', sampled: null },
      chlorine: { totalMgL: 3, freeMgL: 3 },
    },
    judged: null,
  });
  expect(filterOnly).toMatchObject({ grade: 'good', owed: [], faults: [], remarks: [] });
});

test('mains are safe until somebody says otherwise; every other source only when tested', () => {
  expect(isKnownSafe({ source: 'mains', safe: null })).toBe(true);
  expect(isKnownSafe({ source: 'mains', safe: false })).toBe(false);
  for (const source of ['well', 'lake', 'rain', 'unknown'] as const) {
    expect(isKnownSafe({ source, safe: null })).toBe(false);
    expect(isKnownSafe({ source, safe: true })).toBe(true);
  }
});

describe('what a system is bought against', () => {
  test('has a limit and a test for every ion, and neither for the rest', () => {
    for (const purpose of purposes) {
      const { limitMgL, test } = purposeTable[purpose];
      const isIon = (purposeIons as readonly string[]).includes(purpose);
      expect([purpose, limitMgL !== null, test === 'ion']).toEqual([purpose, isIon, isIon]);
    }
  });

  test('50 mg/L of nitrate are about 11 mg/L as nitrogen, the other customary limit', () => {
    expect((purposeTable.nitrate.limitMgL! * 14.007) / 62.005).toBeCloseTo(11.3, 1);
  });
});
