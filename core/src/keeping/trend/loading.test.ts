import { expect, test } from '@jest/globals';
import { seededRandom } from '../../household/household.ts';
import { agedHistory } from '../../test/agedSamples.ts';
import { prefilterLoading } from './loading.ts';

function loadingOf(c: number, seed: number) {
  const found = prefilterLoading(
    agedHistory({
      months: 18,
      every: 2,
      loading: (months) => 1 + c * (months / 6) ** 1.5,
      random: seededRandom(seed),
    }),
  );
  if (!found.ok) throw new Error(found.failure.code);
  return found.value;
}

test('visits tell a pre-filter that blocks within months from one that stays open', () => {
  for (const seed of [1, 2, 3]) {
    const quick = loadingOf(8, seed);
    const open = loadingOf(0, seed);
    // 1 + 8 (m/6)^1.5 is two after a month and a half.
    expect(quick.doublesAfterMonths).toBeGreaterThan(1);
    expect(quick.doublesAfterMonths).toBeLessThan(3);
    expect(quick.told).toBeGreaterThan(0.5);
    expect(open.doublesAfterMonths ?? 60).toBeGreaterThan(6);
  }
});

test('a history that read no pressure, drain or flow tells nothing of it', () => {
  const history = agedHistory({ months: 18, every: 2 });
  const bare = history.readings.map(({ date, feedTdsMgL, permeateTdsMgL, temperatureC }) => ({
    date,
    ...(feedTdsMgL === undefined ? {} : { feedTdsMgL }),
    ...(permeateTdsMgL === undefined ? {} : { permeateTdsMgL }),
    ...(temperatureC === undefined ? {} : { temperatureC }),
  }));
  const found = prefilterLoading({ ...history, readings: bare });
  expect(found.ok && found.value.told).toBeLessThan(0.15);
});
