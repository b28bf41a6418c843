import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { sampleSystem } from '../../test/samples.ts';
import { type WashoutPlan, washoutPlan, type WashoutTask } from './washoutPlan.ts';
import { releasedBetween } from './release.ts';

const withTank: WashoutTask = {
  ...sampleSystem,
  tank: { volumeL: 12, prechargeBar: 0.5 },
  shutoff: { kind: 'hydraulic' },
  tapLine: { tubes: [{ innerDiameterMm: 4.3, lengthM: 2 }], tapKv: 0.3, riseM: 0.5 },
  preservative: { firstPermeateMgL: 2000 },
};

function planned(change: Partial<WashoutTask> = {}, of: WashoutTask = withTank): WashoutPlan {
  const plan = washoutPlan({ ...of, ...change });
  if (!plan.ok) throw new Error(`${plan.failure.code} at ${plan.failure.path}`);
  return plan.value;
}

const share = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('washing a tank out', () => {
  test('no preservative is made or lost: what went to the tap, stands in the tank and is still in the element is what was there', () => {
    fc.assert(
      fc.property(
        fc.record({
          heelShare: share(0, 0.3),
          tailShare: share(0, 0.3),
          holdUpL: share(0.1, 1.5),
          trickleLPerMin: share(0.05, 0.6),
          fills: fc.integer({ min: 1, max: 5 }),
        }),
        ({ heelShare, tailShare, holdUpL, trickleLPerMin, fills }) => {
          const preservative = { firstMgL: 1, holdUpL, tailShare, tailVolumeL: 6 };
          const after = (cycles: number) =>
            planned({
              heelShare,
              trickleLPerMin,
              leastCycles: cycles,
              mostCycles: cycles,
              preservative: { firstPermeateMgL: 1, holdUpL, tailShare, tailVolumeL: 6 },
            });
          const plan = after(fills);
          const left = plan.leftInTankL!;
          const emptied = plan.usableVolumeL! - left;
          const whole = heelShare * 12 + plan.usableVolumeL!;
          const madeDraining = plan.emptyProductVolumeL! - emptied;
          let made = plan.rinse.productVolumeL;
          let toTap = releasedBetween(preservative, 0, made);
          made += whole;
          for (let cycle = 0; cycle < fills; cycle += 1) {
            toTap += after(cycle).shareKept! * emptied;
            toTap += releasedBetween(preservative, made, made + madeDraining);
            made += madeDraining + emptied;
          }
          const inElement = releasedBetween(preservative, made, 1e9);
          const start = (1 - tailShare) * holdUpL + tailShare * 6;
          expect((toTap + plan.shareKept! * whole + inElement) / start).toBeCloseTo(1, 9);
        },
      ),
      { numRuns: 20 },
    );
  });

  const cyclesOf = (change: Partial<WashoutTask>) =>
    planned({ leastCycles: 0, mostCycles: 50, ...change }).cycles!;

  test('more that is allowed takes no more fills', () => {
    fc.assert(
      fc.property(share(0.001, 0.2), share(0.001, 0.2), share(0.01, 0.4), (a, b, heelShare) => {
        const [strict, loose] = [Math.min(a, b), Math.max(a, b)];
        expect(cyclesOf({ targetShare: loose, heelShare })).toBeLessThanOrEqual(
          cyclesOf({ targetShare: strict, heelShare }),
        );
      }),
      { numRuns: 20 },
    );
  });

  // A larger heel thins the first fill and draws more through the element, so this holds of what is
  // left behind alone: a membrane without a tail, and a tank drained once at least.
  test('a smaller heel never takes more fills where nothing comes after from the membrane', () => {
    const preservative = { firstPermeateMgL: 2000, tailShare: 0 };
    fc.assert(
      fc.property(share(0.001, 0.2), share(0.01, 0.4), share(0.01, 0.4), (targetShare, a, b) => {
        const of = (heelShare: number) =>
          cyclesOf({ targetShare, heelShare, leastCycles: 1, preservative });
        expect(of(Math.min(a, b))).toBeLessThanOrEqual(of(Math.max(a, b)));
      }),
      { numRuns: 20 },
    );
  });

  test('is quicker drained with the feed closed, and no drop runs off then', () => {
    const open = planned();
    const closed = planned({ drain: { feed: 'closed' } });
    expect(closed.emptyTimeMin).toBeLessThan(open.emptyTimeMin!);
    expect(closed.emptyDrainVolumeL).toBe(0);
    expect(open.emptyProductVolumeL).toBeGreaterThan(closed.emptyProductVolumeL!);
  });

  test('a tank twice as large takes twice as long to fill and to drain', () => {
    const one = planned();
    const two = planned({ tank: { volumeL: 24, prechargeBar: 0.5 } });
    for (const key of [
      'firstFillTimeMin',
      'fillTimeMin',
      'emptyTimeMin',
      'fillDrainVolumeL',
    ] as const) {
      expect(two[key]! / one[key]!).toBeCloseTo(2, 5);
    }
  });

  test('is drained as small steps of pressure drain it, with a dead band between', () => {
    const drain = { feed: 'open', reopensBar: 1.2 } as const;
    const fine = planned({ drain });
    const whole = planned({ drain: { feed: 'closed' } });
    const all = planned();
    // It makes water below the band alone: between never and always.
    expect(fine.emptyDrainVolumeL).toBeGreaterThan(0);
    expect(fine.emptyDrainVolumeL).toBeLessThan(all.emptyDrainVolumeL!);
    expect(fine.emptyTimeMin).toBeGreaterThan(whole.emptyTimeMin!);
    expect(fine.emptyTimeMin).toBeLessThan(all.emptyTimeMin!);
  });

  test('that cannot be emptied is refused, at the tap', () => {
    expect(
      washoutPlan({ ...withTank, tapLine: { ...withTank.tapLine!, riseM: 28 } }),
    ).toMatchObject({ ok: false, failure: { code: 'tank-not-emptied', path: 'tapLine' } });
  });
});

describe('washing out without a tank', () => {
  const { tank: _tank, shutoff: _shutoff, ...tankless } = withTank;

  test('takes the kit’s minutes or what is in the membrane, whichever is more', () => {
    const short = planned({ leastMinutes: 1 }, tankless);
    expect(short.rinse.timeMin).toBeCloseTo(
      (60 * short.rinse.washoutVolumeL!) / short.rinse.permeateFlowLPerH,
      9,
    );
    expect(short.rinse.shareAtEnd).toBeCloseTo(0.02, 6);
    expect(planned({ leastMinutes: 500 }, tankless).rinse.timeMin).toBe(500);
  });

  test('takes longer behind stirred stages', () => {
    const bare = planned({}, tankless).rinse.washoutVolumeL!;
    const behind = planned({ postStagesL: [0.4, 0.4] }, tankless).rinse.washoutVolumeL!;
    expect(behind).toBeGreaterThan(bare);
  });
});
