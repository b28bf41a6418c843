import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seen } from '../../test/plumbingSamples.ts';
import { drainHole } from './drainHole.ts';
import { chooseFeed } from './feedConnection.ts';
import { type Counter, unseenSite } from './siteFacts.ts';
import { tapHole } from './tapHole.ts';

describe('the feed', () => {
  test('is taken by a tee where there is one to take, and a saddle is never the first choice', () => {
    for (const supply of [
      'valve-half',
      'valve-three-eighths',
      'hose',
      'copper',
      'plastic',
    ] as const) {
      const { way, possible } = chooseFeed({ supply });
      expect(way).not.toBe('saddle');
      expect(possible[0]).toBe(way);
    }
    expect(chooseFeed({ supply: 'valve-half' }).thread).toBe('1/2"');
    expect(chooseFeed({ supply: 'hose' }).remarks).toContain('mixer-hot-side');
  });

  test('by a saddle is warned of, and plastic is drilled before it is pierced', () => {
    expect(chooseFeed({ supply: 'copper' }, 'saddle').remarks).toEqual([
      'barred-by-many-codes',
      'permanent-hole',
    ]);
    expect(chooseFeed({ supply: 'plastic' }, 'saddle').remarks).toContain('drill-plastic-first');
    // What does not fit the supply is not taken.
    expect(chooseFeed({ supply: 'valve-half' }, 'saddle').way).toBe('valve-adapter');
  });
});

describe('the drain hole', () => {
  test('sits on the sink side of the trap; another place is a deviation that smells', () => {
    expect(drainHole(seen)).toMatchObject({ place: 'before-trap', deviation: false, holeMm: 7 });
    // A hole passes its tube: 9.53 mm outside.
    expect(drainHole(seen, { tube: '3/8"' }).holeMm).toBe(10);
    expect(drainHole(seen, { way: 'standpipe', tube: '3/8"' }).holeMm).toBe(0);
    const bent = drainHole(seen, { place: 'after-bend' });
    expect(bent.deviation).toBe(true);
    expect(bent.remarks).toContain('sewer-gas');
  });

  test('leaves more than half of the pipe clear, whatever its size', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.02, max: 0.12, noNaN: true }), (drainPipeM) => {
        const { insertMm, pipeMm } = drainHole({ ...seen, drainPipeM });
        expect(insertMm).toBeGreaterThanOrEqual(4);
        expect(insertMm).toBeLessThanOrEqual(Math.max(0.5 * (pipeMm - 6), 4));
      }),
    );
  });

  test('is low on a tailpiece and near the top of a horizontal run', () => {
    expect(drainHole(seen, { lengthMm: 200 }).centreMm).toBeGreaterThan(150);
    const lying = drainHole({ ...seen, drainRun: 'horizontal' });
    expect(lying.angleDeg).toBeGreaterThan(45);
    expect(lying.remarks).toEqual(expect.arrayContaining(['near-the-top', 'angled-up']));
    expect(drainHole(seen, { lengthMm: 40 }).remarks).toContain('saddle-too-small');
  });

  test('keeps away from what is pumped in, and says where the pipe is too short for that', () => {
    const pumped = { ...seen, disposal: true };
    expect(drainHole(pumped, { lengthMm: 180 }).remarks).not.toContain('too-near-discharge');
    expect(drainHole(pumped, { lengthMm: 110 }).remarks).toContain('too-near-discharge');
    expect(drainHole(seen, { lengthMm: 110 }).remarks).not.toContain('too-near-discharge');
    const level = { ...seen, drainRun: 'horizontal' as const };
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 600 }), (lengthMm) => {
        const alone = drainHole(level, { lengthMm });
        const beside = drainHole({ ...level, dishwasher: true }, { lengthMm });
        // Never nearer to the discharge, and the saddle still sits on the straight part.
        expect(beside.centreMm).toBeGreaterThanOrEqual(alone.centreMm);
        expect(beside.centreMm + 27).toBeLessThanOrEqual(lengthMm);
        expect(beside.remarks.includes('too-near-discharge')).toBe(beside.centreMm < 100);
      }),
    );
  });

  test('follows the code to an air gap, and keeps clear of disposal and dishwasher unless they are known not to be there', () => {
    expect(drainHole({ ...seen, airGap: true })).toMatchObject({ way: 'air-gap-tap', holeMm: 10 });
    expect(drainHole(seen).remarks).not.toContain('away-from-disposal');
    expect(drainHole(unseenSite).remarks).toEqual(
      expect.arrayContaining(['away-from-disposal', 'away-from-dishwasher', 'pipe-not-measured']),
    );
  });
});

describe('the tap’s hole', () => {
  test('turns slower the larger it is: the rim’s speed stays', () => {
    const [small, large] = [tapHole(seen, 12), tapHole(seen, 28)];
    expect(small.rpm! / large.rpm!).toBeCloseTo(28 / 12, 0);
    // 12 m/min at the rim of 12 mm: 318 turns.
    expect(small.rpm).toBe(320);
    expect(small.pilotMm).toBe(4);
  });

  test.each<[Counter, string]>([
    ['steel', 'step-drill'],
    ['laminate', 'wood-bit'],
    ['granite', 'diamond-core'],
    ['composite', 'knock-out'],
  ])('in %s takes a %s', (counter, tool) => {
    const { tool: taken, remarks, minutes } = tapHole({ ...seen, counter }, 12);
    expect(taken).toBe(tool);
    expect(minutes).toBeGreaterThan(5);
    expect(remarks.includes('wet-and-slow')).toBe(tool === 'diamond-core');
  });

  test('in porcelain, or a wide one in stone, is a mason’s', () => {
    expect(tapHole({ ...seen, counter: 'porcelain' }, 12).remarks).toContain('stop-for-a-mason');
    expect(tapHole({ ...seen, counter: 'granite' }, 36).remarks).toContain('stop-for-a-mason');
    expect(tapHole({ ...seen, counter: 'granite' }, 12).remarks).not.toContain('stop-for-a-mason');
  });

  test('that is there is not drilled, and what nobody looked at is said', () => {
    expect(tapHole({ ...seen, holeThere: true }, 12)).toMatchObject({ holeMm: 0, tool: 'none' });
    expect(tapHole(unseenSite, 12).remarks).toEqual(['counter-not-seen', 'ask-first']);
  });
});
