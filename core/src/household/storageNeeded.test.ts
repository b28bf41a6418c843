import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { agedMembrane } from '../system/design.ts';
import { sampleParts, sampleWater, tankDesign } from '../test/samples.ts';
import { partsOf } from '../catalogue/parts.ts';
import { type Draw, householdOfDemand } from './household.ts';
import { sampleDraws } from './sampledDays.ts';
import { simulateDays } from './simulateDays.ts';
import { drawColumns, hardestDay, letsNobodyWait, storageNeeded } from './storageNeeded.ts';
import { supplyOf } from './supply.ts';

const draw = (minute: number, litres: number): Draw => ({ minute, litres, kind: 'pot' });

const someDays = fc
  .array(
    fc.record({
      minute: fc.integer({ min: 0, max: 1439 }),
      litres: fc.double({ min: 0.1, max: 6, noNaN: true }),
    }),
    { maxLength: 12 },
  )
  .map((draws) =>
    draws.map(({ minute, litres }) => draw(minute, litres)).sort((a, b) => a.minute - b.minute),
  );

describe('storage needed', () => {
  test('of ten litres, then five an hour later with three made meanwhile, is twelve', () => {
    const day = [draw(0, 10), draw(60, 5)];
    expect(storageNeeded(drawColumns([day]), 0.05)).toBeCloseTo(12, 12);
    // While the ten run, half a minute each, nothing is made.
    expect(storageNeeded(drawColumns([day]), 0.05, 0.5)).toBeCloseTo(12.25, 12);
    expect(storageNeeded(drawColumns([[]]), 0.05)).toBe(0);
  });

  test('is the most that any stretch of draws asks beyond what is made within it', () => {
    fc.assert(
      fc.property(
        fc.array(someDays, { minLength: 1, maxLength: 3 }),
        fc.double({ min: 0, max: 0.05, noNaN: true }),
        (days, flow) => {
          const { minutes, litres } = drawColumns(days);
          let most = 0;
          minutes.forEach((from, i) => {
            let drawn = 0;
            for (let j = i; j < minutes.length; j += 1) {
              drawn += litres[j]!;
              most = Math.max(most, drawn - flow * (minutes[j]! - from));
            }
          });
          expect(storageNeeded({ minutes, litres, largestL: 6 }, flow)).toBeCloseTo(most, 9);
        },
      ),
    );
  });

  test('is most on the day whose draws come together, not on that of most litres', () => {
    const spread = [draw(60, 3), draw(500, 3), draw(900, 3), draw(1300, 3)];
    const together = [draw(600, 4), draw(620, 4)];
    expect(hardestDay([spread, together, []], 0.01)).toBe(1);
    expect(hardestDay([spread, together, []], 0.001)).toBe(0);
  });
});

describe('that nobody waits', () => {
  const supplies = [3.2, 4, 5].flatMap((pressureBar) =>
    [8, 13, 18].flatMap((temperatureC) =>
      partsOf(sampleParts, 'tank').flatMap((tank) => {
        const water = { ...sampleWater, pressureBar, temperatureC };
        const supply = supplyOf({ ...tankDesign, tank }, water, agedMembrane);
        return supply.ok && supply.value.kind === 'tank' ? [supply.value] : [];
      }),
    ),
  );

  test('is told without living the days only where living them says so, and mostly where it does', () => {
    let [calm, told] = [0, 0];
    for (const demandL of [4, 8, 12, 16, 20, 26]) {
      for (const potL of [1, 2, 4, 6]) {
        const days = sampleDraws(householdOfDemand(demandL, potL));
        for (const supply of supplies) {
          const isCalm = simulateDays(supply, days).disappointed === 0;
          const isTold = letsNobodyWait(supply, drawColumns(days));
          if (isTold) expect(isCalm).toBe(true);
          calm += Number(isCalm);
          told += Number(isTold);
        }
      }
    }
    expect(told).toBeLessThanOrEqual(calm);
    expect(told / calm).toBeGreaterThan(0.6);
  });

  test('holds of draws of any kind, one at the other’s heels', () => {
    fc.assert(
      fc.property(
        fc.array(someDays, { minLength: 1, maxLength: 4 }),
        fc.nat({ max: supplies.length - 1 }),
        (days, i) => {
          if (!letsNobodyWait(supplies[i]!, drawColumns(days))) return;
          expect(simulateDays(supplies[i]!, days).disappointed).toBe(0);
        },
      ),
      { numRuns: 3000 },
    );
  });

  test('holds of jugs at even distances all day, the closer the less', () => {
    for (const supply of supplies) {
      const jugL = 0.35 * supply.reopenL;
      const toldAt: number[] = [];
      for (let gap = 20; gap <= 480; gap += 10) {
        const day = Array.from({ length: Math.floor(1440 / gap) }, (_, i) => draw(i * gap, jugL));
        if (!letsNobodyWait(supply, drawColumns([day]))) continue;
        toldAt.push(gap);
        expect(simulateDays(supply, [day]).disappointed).toBe(0);
      }
      expect(toldAt.length).toBeGreaterThan(0);
      // Once wide enough, always wide enough.
      expect(toldAt).toEqual(toldAt.map((_, i) => toldAt[0]! + 10 * i));
    }
  });

  test('is plain where nobody draws', () => {
    expect(letsNobodyWait(supplies[0]!, drawColumns([[], []]))).toBe(true);
  });
});
