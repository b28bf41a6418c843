import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { answer, answerLine } from './answer.ts';

interface SolvedCase {
  id: string;
  request: { kind: string };
  expected: Record<string, number | boolean>;
}

const cases = readFileSync(new URL('./solvedCases.jsonl', import.meta.url), 'utf8')
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line) as SolvedCase);

/** Figures on a logarithmic scale are held to an absolute difference, all others to 0.5 %. */
const absolute = new Set([
  'permeatePh',
  'concentratePh',
  'saturationPh',
  'lsi',
  'pH',
  'saturationIndex',
]);

describe('solved cases', () => {
  test.each(cases)('$id', ({ id, request, expected }) => {
    const given = answer({ ...request, id }) as Record<string, number | boolean>;
    expect(given.id).toBe(id);
    for (const [field, value] of Object.entries(expected)) {
      if (typeof value === 'boolean') {
        expect([field, given[field]]).toEqual([field, value]);
      } else {
        const room = absolute.has(field) ? 0.01 : 0.005 * Math.abs(value);
        const miss = Math.abs(Number(given[field]) - value);
        expect({ field, given: given[field], near: miss <= room }).toEqual({
          field,
          given: given[field],
          near: true,
        });
      }
    }
  });
});

interface SimulatedFault {
  id: string;
  request: { kind: string; fault: string };
  expected: { readings: Record<string, number | boolean | null> };
}
const simulatedFaults = readFileSync(new URL('./simulatedFaults.jsonl', import.meta.url), 'utf8')
  .trim()
  .split('\n')
  .map((line) => JSON.parse(line) as SimulatedFault);

describe('simulated faults', () => {
  test.each(simulatedFaults)('$id: $request.fault', ({ request, expected }) => {
    const { readings } = answer(request) as unknown as SimulatedFault['expected'];
    expect(Object.keys(readings).sort()).toEqual(Object.keys(expected.readings).sort());
    for (const [code, wanted] of Object.entries(expected.readings)) {
      const given = readings[code];
      if (typeof wanted !== 'number') {
        expect([code, given]).toEqual([code, wanted]);
        continue;
      }
      const room = code === 'productPh' ? 0.02 : Math.max(0.005 * Math.abs(wanted), 0.003);
      expect([code, Math.abs(Number(given) - wanted) <= room]).toEqual([code, true]);
    }
  });
});

describe('a diagnosis', () => {
  const { system } = simulatedFaults[0]!.request as unknown as { system: object };
  const asked = {
    kind: 'diagnose',
    system,
    readings: { feedTdsMgL: 150, productTdsMgL: 6, temperatureC: 25, supplyPressureBar: 2.6 },
  };

  test('names causes that add up to one, and what to read next', () => {
    const { causes, next } = answer({ ...asked, id: 3 }) as unknown as {
      causes: { fault: string; probability: number }[];
      next: { reading: string; minutes: number; expectedInformationBits: number };
    };
    expect(causes[0]!.fault).toBe('healthy');
    expect(causes.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9);
    expect(next.minutes).toBeGreaterThan(0);
  });

  test('takes no water, and a reading with an uncertainty of its own', () => {
    const readings = {
      ...asked.readings,
      productTdsMgL: null,
      feedTdsMgL: { value: 150, standardUncertainty: 10 },
    };
    expect(answer({ ...asked, readings })).toHaveProperty('causes');
  });

  test.each<[string, object]>([
    ['readings.membranePressureBar', { readings: { membranePressureBar: 3 } }],
    ['readings.pumpRunning', { readings: { pumpRunning: 1 } }],
    ['readings.productTds', { readings: { productTds: 6 } }],
    ['readings.feedTdsMgL', { readings: { feedTdsMgL: -4 } }],
    ['samplePoint', { samplePoint: 'the cellar' }],
    ['instruments.watchS', { instruments: { watchS: 0 } }],
  ])('is refused at %s', (path, change) => {
    expect(answer({ ...asked, ...change })).toMatchObject({ error: { path } });
  });

  test.each<[string, object]>([
    ['fault', { fault: 'sampled-after-minerals' }],
    ['severity', { fault: 'membrane-bypass' }],
    ['fault', { fault: 'gremlins' }],
  ])('a fault that cannot be simulated is refused at %s', (path, change) => {
    expect(answer({ kind: 'simulate-fault', system, ...change })).toMatchObject({
      error: { path },
    });
  });
});

describe('a trend', () => {
  const { membrane, restrictor } = cases[0]!.request as unknown as Record<string, object>;
  const visit = (date: string, permeateTdsMgL: number) => ({
    date,
    feedTdsMgL: 400,
    permeateTdsMgL,
    temperatureC: 14,
    supplyPressureBar: 4,
  });
  const asked = {
    kind: 'trend',
    feed: { tdsMgL: 400, temperatureC: 14, pressureBar: 4 },
    membrane,
    restrictor,
    readings: [
      visit('2023-01-10', 20),
      visit('2023-07-02', 24),
      visit('2024-01-20', 29),
      visit('2024-07-12', 35),
    ],
  };

  test('says how both series stand, in the order of their dates', () => {
    const { saltPassage, flow, readingsUsed } = answer(asked) as unknown as {
      saltPassage: { state: string; dueFrom: string; dueOn: string };
      flow: { state: string };
      readingsUsed: number;
    };
    expect(readingsUsed).toBe(4);
    expect(saltPassage.state).toBe('drifting');
    expect(saltPassage.dueFrom <= saltPassage.dueOn).toBe(true);
    expect(flow.state).toBe('not-enough');
  });

  test.each<[string, object]>([
    ['readings', { readings: [] }],
    ['readings', { readings: null }],
    ['readings.0.date', { readings: [visit('2023-02-29', 20)] }],
    ['readings.0', { readings: [{ date: '2023-02-28' }] }],
    ['events.0.date', { events: [{ date: '2022-02-31', kind: 'prefilter-change' }] }],
    ['asOf', { asOf: '1990-01-01' }],
    ['limits.saltPassageFactor', { limits: { saltPassageFactor: 0.9 } }],
    ['limits.flowFactor', { limits: { flowFactor: 1.2 } }],
    ['membrane.ratedFlowLPerDay', { membrane: {} }],
  ])('is refused at %s', (path, change) => {
    expect(answer({ ...asked, ...change })).toMatchObject({ error: { path } });
  });
});

describe('wrong requests', () => {
  const good = cases[0]!.request as unknown as Record<string, object>;
  test.each<[string, string, object | string]>([
    ['malformed-json', '', '{"kind": '],
    ['not-an-object', '', '[1]'],
    ['unknown-kind', 'kind', { id: 7, kind: 'alchemy' }],
    ['invalid-type', 'feed.tdsMgL', { ...good, feed: { ...good.feed, tdsMgL: '900' } }],
    ['too-big', 'feed.temperatureC', { ...good, feed: { ...good.feed, temperatureC: 90 } }],
    ['unrecognized-keys', 'feed.tds', { ...good, feed: { ...good.feed, tds: 900 } }],
    [
      'custom',
      'pump.curve',
      {
        ...good,
        pump: {
          bypassBar: 8,
          curve: [
            { flowLPerH: 9, boostBar: 1 },
            { flowLPerH: 3, boostBar: 1 },
          ],
        },
      },
    ],
    [
      'no-driving-pressure',
      'feed.pressureBar',
      { ...good, pump: undefined, permeateBackPressureBar: 9 },
    ],
    [
      'pressure-below-osmotic',
      'feed.pressureBar',
      { ...good, pump: undefined, feed: { tdsMgL: 3000, temperatureC: 10, pressureBar: 2 } },
    ],
  ])('%s at %s', (code, path, request) => {
    const given = answerLine(typeof request === 'string' ? request : JSON.stringify(request));
    expect(given).toMatchObject({ error: { code, path } });
    expect(JSON.stringify(given)).not.toMatch(/NaN|undefined|null,"message/);
  });
});

describe('a flush plan', () => {
  const plan = {
    kind: 'flush-plan',
    feed: { tdsMgL: 330, temperatureC: 13, pressureBar: 4.1 },
    membrane: {
      ratedFlowLPerDay: 280,
      ratedPressureBar: 4.1,
      ratedTdsMgL: 250,
      ratedRecovery: 0.15,
      ratedRejection: 0.96,
    },
    restrictor: { flowMlMin: 400, atPressureBar: 4.1 },
    tank: { volumeL: 11, prechargeBar: 0.5 },
    shutoff: { kind: 'hydraulic' },
    tapLine: { tubes: [{ innerDiameterMm: 4.3, lengthM: 2 }], tapKv: 0.3, riseM: 0.5 },
    preservative: { firstPermeateMgL: 1800 },
  };

  test('adds its parts up', () => {
    const given = answer({
      ...plan,
      restMin: 480,
      prefilterFlush: { school: 'together', cartridges: 3, minutesEach: 5, flowLPerMin: 3 },
    }) as unknown as {
      cycles: number;
      rinse: { timeMin: number };
      firstFillTimeMin: number;
      fillTimeMin: number;
      emptyTimeMin: number;
      totals: { timeMin: number; feedVolumeL: number };
    };
    const { cycles, rinse, firstFillTimeMin, fillTimeMin, emptyTimeMin, totals } = given;
    expect(totals.timeMin).toBeCloseTo(
      5 + rinse.timeMin + firstFillTimeMin + cycles * (fillTimeMin + emptyTimeMin) + 480,
      9,
    );
    expect(totals.feedVolumeL).toBe(15);
  });

  test.each<[string, object]>([
    ['preservative', { preservative: {} }],
    ['preservative', { preservative: { massMg: 1, firstPermeateMgL: 1 } }],
    ['shutoff', { shutoff: undefined }],
    ['tapLine', { tapLine: undefined }],
    ['openTank', { openTank: { volumeL: 3, emptyFlowLPerMin: 1 } }],
    ['targetShare', { targetShare: 1 }],
    ['heelShare', { heelShare: 1 }],
    ['sanitising.stagesL', { sanitising: { stagesL: [], rinseFlowLPerMin: 2 } }],
  ])('is refused at %s', (path, change) => {
    expect(answer({ ...plan, ...change })).toMatchObject({ error: { path } });
  });
});
