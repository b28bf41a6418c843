import { describe, expect, test } from '@jest/globals';
import { sampleWater, tankDesign, directDesign } from '../test/samples.ts';
import {
  drawsAround,
  drawsOfDay,
  litresOf,
  meanDemand,
  seededRandom,
  usualHousehold,
} from './household.ts';
import { liveSampledDays, sampleDraws } from './sampledDays.ts';
import { supplyOf } from './supply.ts';
import { yearOfWater } from './yearOfWater.ts';

const plainDay = { weekend: false, guests: false };
const day = drawsOfDay({ ...usualHousehold, people: 3 }, plainDay, seededRandom(4));
const drawnUp = { ...usualHousehold, guestChance: 0, day };

describe('a day drawn up by hand', () => {
  test('is asked for in every sampled day, a little earlier or later', () => {
    for (const sampled of sampleDraws(drawnUp, 10)) {
      expect(litresOf(sampled)).toBeCloseTo(litresOf(day), 9);
      expect(sampled.map(({ minute }) => minute)).not.toEqual(day.map(({ minute }) => minute));
    }
    expect(meanDemand(drawnUp)).toBeCloseTo(litresOf(day), 9);
  });

  test('is asked for twice when guests are there, within the day and in order', () => {
    const guests = drawsAround(day, { weekend: false, guests: true }, seededRandom(2));
    expect(litresOf(guests)).toBeCloseTo(2 * litresOf(day), 9);
    for (const [i, { minute }] of guests.entries()) {
      expect(minute).toBeGreaterThanOrEqual(i === 0 ? 0 : guests[i - 1]!.minute);
      expect(minute).toBeLessThan(1440);
    }
  });
});

describe('the band of the tank’s level', () => {
  test('lies within the tank, in order, and as low as the lowest level', () => {
    const supply = supplyOf(tankDesign, sampleWater);
    if (!supply.ok || supply.value.kind !== 'tank') throw new Error('it has a tank');
    const { band, sampled } = liveSampledDays(supply.value, { ...usualHousehold, people: 5 });
    expect(band).toHaveLength(49);
    for (const { low, middle, high } of band) {
      expect(low).toBeGreaterThanOrEqual(sampled.leastL - 1e-9);
      expect(middle).toBeGreaterThanOrEqual(low);
      expect(high).toBeGreaterThanOrEqual(middle);
      expect(high).toBeLessThanOrEqual(supply.value.fullL + 1e-9);
    }
    // Nobody draws at four in the night: production has stopped, at or above where it would start again.
    expect(band[8]!.low).toBeGreaterThanOrEqual(supply.value.reopenL);
    expect(Math.min(...band.map(({ low }) => low))).toBeLessThan(supply.value.fullL);
  });

  test('is empty without a tank', () => {
    const supply = supplyOf(directDesign, sampleWater);
    if (!supply.ok) throw new Error(supply.failure.code);
    expect(liveSampledDays(supply.value, usualHousehold).band).toEqual([]);
  });
});

test('a year’s water goes out as it came in, by what it is drawn for', () => {
  const days = sampleDraws({ ...usualHousehold, pets: 2, plantsL: 1 }, 28);
  const year = yearOfWater(14, days, 2.5);
  expect(year.streetM3).toBeCloseTo(year.drainM3 + year.productM3, 12);
  expect(year.uses.reduce((sum, { m3 }) => sum + m3, 0)).toBeCloseTo(year.productM3, 12);
  expect(year.productM3).toBeCloseTo(14 * 0.365, 12);
  const drawnFor = (kind: string) => litresOf(days.flat().filter((draw) => draw.kind === kind));
  for (const { kind, m3 } of year.uses)
    expect(m3 / year.productM3).toBeCloseTo(drawnFor(kind) / litresOf(days.flat()), 12);
  expect(year.uses.map(({ kind }) => kind).sort()).toEqual([
    'glass',
    'hot-drink',
    'pet',
    'plants',
    'pot',
  ]);
});
