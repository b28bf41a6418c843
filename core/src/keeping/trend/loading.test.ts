import { expect, test } from '@jest/globals';
import { seededRandom } from '../../household/household.ts';
import { agedHistory } from '../../test/agedSamples.ts';
import { dropDoubledAfter } from './loading.ts';

/** Visits behind pre-filters that load at a rate; 1 + 8 (m/6)^1.5 is two after a month and a half. */
const loaded = (c: number, seed: number) =>
  agedHistory({
    months: 18,
    every: 2,
    loading: (months) => 1 + c * (months / 6) ** 1.5,
    random: seededRandom(seed),
  });

test('visits tell a pre-filter that blocks within months from one that stays open', () => {
  for (const seed of [1, 2, 3, 4, 5]) {
    const quick = dropDoubledAfter(loaded(8, seed));
    expect(quick.ok && quick.value).toBeGreaterThan(1);
    expect(quick.ok && quick.value).toBeLessThan(3.2);
    expect(dropDoubledAfter(loaded(0, seed))).toEqual({ ok: true, value: null });
  }
});

test('a history that read no pressure, drain or flow tells nothing of it', () => {
  const history = loaded(8, 1);
  const readings = history.readings.map(
    ({
      supplyPressureBar: _a,
      membranePressureBar: _b,
      permeateFlowLPerH: _c,
      concentrateFlowLPerH: _d,
      ...rest
    }) => rest,
  );
  expect(dropDoubledAfter({ ...history, readings })).toEqual({ ok: true, value: null });
});
