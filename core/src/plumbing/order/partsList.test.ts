import { describe, expect, test } from '@jest/globals';
import { factsOf, flows, type SiteChange } from '../../test/plumbingSamples.ts';
import { directDesign, sampleParts, tankDesign } from '../../test/samples.ts';
import { tubeSchedule } from '../tubes/tubeSchedule.ts';
import { partsList } from './partsList.ts';
import { workOrder } from './workOrder.ts';

const plain: SiteChange = { regulatorBar: null, leakStop: false };

const listed = (design = tankDesign, change = plain, routes: Record<string, number> = {}) => {
  const facts = factsOf(design, change);
  const tubes = tubeSchedule(design, { routes, colours: {}, flows, temperatureC: 15 });
  const work = change === plain ? { ...facts, tubes } : facts;
  return partsList(design, workOrder(work), work.tubes, sampleParts);
};
const lineOf = (id: string, ...given: Parameters<typeof listed>) =>
  listed(...given).find((line) => line.id === id);

describe('the parts list', () => {
  test('holds each part once, with its price; equal cartridges are one line', () => {
    expect(lineOf('m-mid')).toMatchObject({ quantity: 1, price: 50 });
    const twoBlocks = {
      ...tankDesign,
      prefilters: [...tankDesign.prefilters, tankDesign.prefilters[1]!],
    };
    expect(lineOf('cb', twoBlocks)).toMatchObject({ quantity: 2, price: 18 });
    expect(lineOf('t-12')).toBeDefined();
    expect(lineOf('t-12', directDesign)).toBeUndefined();
  });

  test('has regulator and leak stop only where they were chosen', () => {
    expect(lineOf('f-reg')).toBeUndefined();
    expect(lineOf('f-leak')).toBeUndefined();
    expect(lineOf('f-reg', tankDesign, { ...plain, regulatorBar: 4.1 })).toMatchObject({
      price: 28,
    });
    expect(lineOf('f-leak', tankDesign, { ...plain, leakStop: true })).toMatchObject({ price: 25 });
  });

  test('asks for a metre more of tube where a route is measured a metre longer', () => {
    const at = (metres: number) =>
      lineOf('f-14', tankDesign, plain, { 'feed-valve>prefilter-1': metres })!;
    expect(at(1.9).quantity - at(0.9).quantity).toBeCloseTo(1, 9);
    expect(at(0.9).price).toBeCloseTo(at(0.9).quantity, 9);
  });
});
