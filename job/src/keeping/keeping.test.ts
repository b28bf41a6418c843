import { describe, expect, test } from '@jest/globals';
import { dayOf } from '@katharos/core';
import type { JobDocument } from '../document/job.ts';
import type { VisitSign } from '../document/visits.ts';
import {
  at,
  installed as kept,
  readingsOf as readings,
  visitOn as visit,
} from '../test/installed.ts';
import { ageingBy, historyOf } from './history.ts';
import { inUseSince } from './installed.ts';
import { keptOf } from './kept.ts';
import { stageOf } from '../brief/stage.ts';

describe('an installed system', () => {
  test('counts from its hand-over, or from the day that somebody gives', () => {
    const document = kept();
    expect(inUseSince(document)).toBe('2022-03-10');
    document.keep.issued = null;
    expect(inUseSince(document)).toBeUndefined();
    expect(keptOf(document, {}, '2026-01-01')).toBeUndefined();
    document.service = { since: '2019-06-01' };
    expect(inUseSince(document)).toBe('2019-06-01');
    expect(stageOf(document)).toEqual({ stage: 'keep', finished: true });
  });

  test('has its readings in the core’s units, from the baseline on, and no practice', () => {
    const document = kept();
    document.verify.readings = readings(document, 1);
    document.service = {
      visits: {
        a: visit('2023-03-01', { readings: readings(document, 1.2) }),
        b: visit('2023-09-01', {
          readings: {
            productTds: { value: 3, unit: 'ppm', takenAt: null, by: null, simulated: true },
          },
        }),
        c: visit('2024-03-01', {
          kind: 'change-out',
          changed: {
            'prefilter-1': { part: 'x', batch: '', at: at('2024-03-01'), by: 'Wren' },
            membrane: { part: 'y', batch: 'L 12', at: at('2024-03-01'), by: 'Wren' },
          },
        }),
      },
    };
    const history = historyOf(document)!;
    expect(history.readings.map(({ date }) => date)).toEqual(['2022-03-10', '2023-03-01']);
    expect(history.readings[1]!.temperatureC).toBeCloseTo(13, 9);
    const [first, second] = history.readings.map(({ permeateFlowLPerH }) => permeateFlowLPerH!);
    expect(second! / first!).toBeCloseTo(1, 3);
    // A visit that is given another day takes what was changed with it.
    document.service.visits!.c!.at = at('2024-03-05');
    expect(historyOf(document)!.events!.map(({ date }) => date)).toEqual([
      '2024-03-05',
      '2024-03-05',
    ]);
    expect(history.events).toEqual([
      { date: '2024-03-01', kind: 'prefilter-change' },
      { date: '2024-03-01', kind: 'membrane-change' },
    ]);
  });

  test('keeps what was found of an old membrane apart from what a new one shows', () => {
    const document = kept();
    document.verify.readings = readings(document, 1);
    const changed = { membrane: { part: 'y', batch: '', at: at('2024-03-01'), by: 'Wren' } };
    document.service = {
      visits: {
        a: visit('2024-03-01', {
          readings: readings(document, 2.5),
          after: readings(document, 1),
          changed,
        }),
      },
    };
    const history = historyOf(document)!;
    expect(history.readings.map(({ date }) => date)).toEqual([
      '2022-03-10',
      '2024-02-29',
      '2024-03-01',
    ]);
    const [, old, fresh] = history.readings.map(({ permeateTdsMgL }) => permeateTdsMgL!);
    expect(old! / fresh!).toBeGreaterThan(2);
    // Without a new membrane the same readings are the old one's, once.
    delete document.service.visits!.a!.changed;
    expect(historyOf(document)!.readings).toHaveLength(2);
  });

  test('that drifts is due by it, and a new membrane begins anew', () => {
    const document = kept();
    document.verify.readings = readings(document, 1);
    const months = [4, 8, 12, 16, 20, 24];
    const visits = Object.fromEntries(
      months.map((month) => {
        const date = new Date(Date.UTC(2022, 2 + month, 10)).toISOString().slice(0, 10);
        return [`v${month}`, visit(date, { readings: readings(document, 1 + month / 24) })];
      }),
    );
    document.service = { visits };
    const found = keptOf(document, {}, '2024-04-01')!;
    expect(found.trend).toMatchObject({
      ok: true,
      value: { saltPassage: { state: expect.stringMatching(/drifting|limit-reached/) } },
    });
    const membrane = found.dues.find(({ id }) => id === 'membrane')!;
    expect(membrane.because).toBe('salt-passage');
    expect(membrane.on).toBeLessThan(dayOf('2024-12-01')!);
    visits.new = visit('2024-04-02', {
      changed: { membrane: { part: 'y', batch: '', at: at('2024-04-02'), by: 'Wren' } },
    });
    const after = keptOf({ ...document, service: { visits } }, {}, '2024-04-03')!;
    const changed = after.dues.find(({ id }) => id === 'membrane')!;
    expect(changed.since).toBe(dayOf('2024-04-02'));
    expect(changed.on).toBeGreaterThan(dayOf('2026-01-01')!);
  });
});

describe('what visits find', () => {
  const due = (document: JobDocument, id: string, today = '2023-04-01') =>
    keptOf(document, {}, today)!.dues.find((one) => one.id === id)!;
  const seen = (sign: VisitSign) => ({ [sign]: { at: at('2022-09-01'), by: 'Wren' } });

  test('a brown sediment filter is due from that day, until it is changed, at once or later', () => {
    const brown = visit('2022-09-01', { seen: seen('sediment-brown') });
    const document = kept({ a: brown });
    const id = keptOf(document, {}, '2022-09-02')!.dues.find(({ kind }) => kind === 'sediment')!.id;
    expect(due(document, id)).toMatchObject({ because: 'found', on: dayOf('2022-09-01') });
    const put = { part: 'x', batch: '', at: at('2022-09-01'), by: 'Wren' };
    const changed = { [id]: put };
    expect(due(kept({ a: { ...brown, changed } }), id).because).not.toBe('found');
    const later = kept({ a: brown, b: visit('2022-10-01', { changed }) });
    expect(due(later, id).because).not.toBe('found');
  });

  test('chlorine behind the carbon says that it is spent, a strip that shows none and practice do not', () => {
    const strip = (value: number, more: object = {}) =>
      kept({
        a: visit('2022-09-01', {
          readings: {
            chlorineAfterCarbon: { value, unit: 'mg/L', takenAt: null, by: null, ...more },
          },
        }),
      });
    const carbons = (document: JobDocument) =>
      keptOf(document, {}, '2022-09-02')!.dues.filter(({ kind }) => kind === 'carbon');
    expect(carbons(strip(0.3)).map(({ because }) => because)).toContain('found');
    for (const document of [
      strip(0.05),
      strip(0.3, { below: true }),
      strip(0.3, { simulated: true }),
    ])
      expect(carbons(document).map(({ because }) => because)).not.toContain('found');
  });

  test('a counter says how much is drawn, also after it was set back; two readings in a week say nothing', () => {
    const counted = (...read: [string, number][]) =>
      keptOf(
        kept(
          Object.fromEntries(
            read.map(([date, value]) => [
              date,
              visit(date, {
                readings: {
                  productCounter: { value, unit: 'L', takenAt: null, by: null },
                },
              }),
            ]),
          ),
        ),
        {},
        '2024-01-01',
      )!.countedLPerDay;
    expect(counted(['2022-04-01', 100])).toBeNull();
    expect(counted(['2022-04-01', 100], ['2022-04-06', 200])).toBeNull();
    expect(counted(['2022-04-01', 100], ['2022-07-10', 1100])).toBeCloseTo(10, 9);
    expect(counted(['2022-04-01', 5000], ['2022-07-10', 20], ['2022-08-09', 260])).toBeCloseTo(
      8,
      9,
    );
  });
});

describe('how far a membrane has aged', () => {
  const aged = (factor: number) => {
    const document = kept();
    document.verify.readings = readings(document, 1);
    document.service = {
      visits: Object.fromEntries(
        [6, 12, 18, 24].map((month) => {
          const date = new Date(Date.UTC(2022, 2 + month, 10)).toISOString().slice(0, 10);
          const read = readings(document, factor ** (month / 24));
          return [`v${month}`, visit(date, { readings: read })];
        }),
      ),
    };
    return document;
  };

  test('is what its visits read, and nothing where nobody came', () => {
    expect(ageingBy(kept())).toBeUndefined();
    const ageing = ageingBy(aged(2))!;
    expect(ageing.saltPassageFactor).toBeGreaterThan(1.6);
    expect(ageing.saltPassageFactor).toBeLessThan(2.2);
    expect(ageing.flowFactor).toBeCloseTo(1, 1);
    expect(ageingBy(aged(1))!.saltPassageFactor).toBeCloseTo(1, 1);
  });

  test('counts by the firm’s own limits', () => {
    const document = aged(1.6);
    const due = (settings: Parameters<typeof keptOf>[1]) =>
      keptOf(document, settings, '2024-04-01')!.dues.find(({ id }) => id === 'membrane')!.on;
    expect(due({ keeping: { saltPassageFactor: 1.4 } })).toBeLessThan(due({}));
  });
});
