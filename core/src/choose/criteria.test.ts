import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { directDesign, sampleWater, tankDesign } from '../test/samples.ts';
import { requirements, watersOf } from '../test/sizingSamples.ts';
import {
  cabinetSpaceL,
  type Criteria,
  criteriaOf,
  criterionKeys,
  criterionSenses,
  nonDominated,
  noPriorities,
  steer,
} from './criteria.ts';
import { judge } from './judge.ts';

const some = fc.record(
  Object.fromEntries(
    criterionKeys.map((key) => [key, fc.double({ min: 1, max: 500, noNaN: true })]),
  ) as Record<(typeof criterionKeys)[number], fc.Arbitrary<number>>,
) as fc.Arbitrary<Criteria>;

/** Better in every criterion by more than its grain. */
const clearlyBetter = (a: Criteria, b: Criteria): boolean =>
  criterionKeys.every((key) => {
    const { more, grain, relative } = criterionSenses[key];
    const gain = more ? a[key] - b[key] : b[key] - a[key];
    return gain > 2.1 * (relative ? grain * Math.max(a[key], b[key]) : grain);
  });

const one: Criteria = {
  january: 20,
  drain: 20,
  buy: 300,
  run: 400,
  space: 30,
  glass: 12,
  power: 0,
  wait: 1,
};

describe('criteria', () => {
  test('of a judged design are its own figures', () => {
    const judged = judge(tankDesign, watersOf(sampleWater), requirements);
    expect(criteriaOf(judged)).toEqual({
      january: judged.worst!.productionLPerDay,
      drain: judged.cost!.drainM3PerYear,
      buy: judged.price,
      run: judged.cost!.fiveYears,
      space: cabinetSpaceL(tankDesign),
      glass: judged.worst!.secondsPerGlass,
      power: 0,
      wait: judged.longestWaitMin,
    });
    const brine = judge(tankDesign, watersOf({ ...sampleWater, tdsMgL: 8000 }), requirements);
    expect(criteriaOf(brine)).toBeNull();
  });

  test('a tank takes the most room', () => {
    expect(cabinetSpaceL(tankDesign)).toBeGreaterThan(cabinetSpaceL(directDesign));
    const larger = { ...tankDesign, tank: { ...tankDesign.tank!, volumeL: 40 } };
    expect(cabinetSpaceL(larger)).toBeGreaterThan(cabinetSpaceL(tankDesign) + 20);
  });
});

describe('dominance', () => {
  test('keeps one of any set, nothing that another clearly beats, and a best of every criterion', () => {
    fc.assert(
      fc.property(fc.array(some, { minLength: 1, maxLength: 60 }), (all) => {
        const kept = nonDominated(all);
        expect(kept.length).toBeGreaterThan(0);
        expect(new Set(kept).size).toBe(kept.length);
        for (const i of kept) {
          expect(all.some((other) => clearlyBetter(other, all[i]!))).toBe(false);
        }
        // Whoever is dropped has somebody left who is as good to within two grains everywhere.
        all.forEach((dropped, i) => {
          if (!kept.includes(i))
            expect(
              kept.some((k) => !criterionKeys.some((key) => lags(all[k]!, dropped, key))),
            ).toBe(true);
        });
      }),
    );
  });

  test('counts designs as alike that differ by less than a person cares for', () => {
    const nearly = { ...one, glass: 12.4, buy: 301 };
    expect(nonDominated([one, nearly, { ...one, buy: 600 }])).toEqual([0]);
    expect(nonDominated([one, { ...one, january: 40, buy: 600 }])).toEqual([0, 1]);
  });
});

const lags = (a: Criteria, b: Criteria, key: (typeof criterionKeys)[number]): boolean => {
  const { more, grain, relative } = criterionSenses[key];
  const loss = more ? b[key] - a[key] : a[key] - b[key];
  return loss > 2.1 * (relative ? grain * Math.max(a[key], b[key]) : grain);
};

describe('steering', () => {
  const designs = [
    { name: 'cheap', criteria: one },
    { name: 'much water', criteria: { ...one, january: 60, buy: 500, power: 30 } },
    { name: 'quick', criteria: { ...one, glass: 6, buy: 420, space: 60 } },
  ];
  const first = (weights: object, limits: object = {}) =>
    steer(designs, { weights, limits }).map(({ name }) => name);

  test('brings what is weighed to the front, and leaves the order where nothing is', () => {
    expect(first({})).toEqual(['cheap', 'much water', 'quick']);
    expect(steer(designs, noPriorities)).toHaveLength(3);
    expect(first({ january: 3 })[0]).toBe('much water');
    expect(first({ glass: 2 })[0]).toBe('quick');
    expect(first({ glass: 1, space: 3, buy: 1 })[0]).toBe('cheap');
  });

  test('keeps to limits, at least for water and at most for the rest', () => {
    expect(first({}, { january: 30 })).toEqual(['much water']);
    expect(first({}, { power: 0 })).toEqual(['cheap', 'quick']);
    expect(first({}, { buy: 100 })).toEqual([]);
  });

  test('a heavier weight never worsens the criterion of the first', () => {
    fc.assert(
      fc.property(
        fc.array(some, { minLength: 1, maxLength: 20 }),
        fc.constantFrom(...criterionKeys),
        (all, key) => {
          const rows = all.map((criteria) => ({ criteria }));
          const sign = criterionSenses[key].more ? -1 : 1;
          const at = (weight: number) => {
            const weights = { buy: 1, glass: 1, [key]: weight };
            return sign * steer(rows, { weights, limits: {} })[0]!.criteria[key];
          };
          expect(at(4)).toBeLessThanOrEqual(at(2) + 1e-9);
        },
      ),
    );
  });
});
