import { expect, test } from '@jest/globals';
import { sampleWater, tankDesign } from '../../test/samples.ts';
import { expectedReadings } from '../../system/expectedReadings.ts';
import { verdict } from '../verdict.ts';
import { judgedBy, limitsFound } from './limitsFound.ts';

const point = expectedReadings(tankDesign, sampleWater);
if (!point.ok) throw new Error(point.failure.code);

const measured = (productTdsMgL: number) => {
  const compared = verdict(tankDesign, {
    feedTdsMgL: sampleWater.tdsMgL,
    productTdsMgL,
    temperatureC: sampleWater.temperatureC,
    pressureBar: sampleWater.pressureBar,
  });
  if (!compared.ok) throw new Error(compared.failure.code);
  return compared.value;
};
const limits = { productShareOfFeed: 0.1, productTdsMgL: 60 };
const keptOf = (productTdsMgL: number) => limitsFound(measured(productTdsMgL), limits);

test('a limit that is read just as it stands is kept by chance; farther off it is sure', () => {
  expect(keptOf(60).find(({ of }) => of === 'product-tds')!.kept).toBeCloseTo(0.5, 6);
  expect(keptOf(0.1 * sampleWater.tdsMgL)[0]!.kept).toBeCloseTo(0.5, 6);
  expect(keptOf(50)[1]!.kept).toBeGreaterThan(0.999);
  expect(keptOf(70)[1]!.kept).toBeLessThan(0.001);
});

test('without causes weighed nothing is judged, and with them both limits go along', () => {
  const found = measured(60);
  expect(judgedBy(found, null, limits)).toBeNull();
  const judged = judgedBy(found, { sound: 0.7, leading: null, told: [], untold: [] }, limits)!;
  expect(judged.sound).toBe(0.7);
  expect(judged.limits.productTds).toBeCloseTo(0.5, 6);
});
