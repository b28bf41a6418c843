import type { FeedWater, SystemDesign } from '../../system/design.ts';
import { boostTimes } from '../diagnosis/fault.ts';
import { asSurveyed, type Scenario } from '../diagnosis/scenario.ts';
import { signsOf } from '../diagnosis/signs.ts';
import { type TestedSystem, testedSystemOf } from '../diagnosis/testedSystem.ts';

/** What one thing alone would have to be, for a fill to take as long as it did. */
export type FillExplanation =
  | { cause: 'pressure'; bar: number }
  | { cause: 'temperature'; celsius: number }
  | { cause: 'prefilter'; factor: number }
  | { cause: 'feed-valve' }
  | { cause: 'precharge'; bar: number }
  | { cause: 'pump'; share: number };

/** A fill that was not as computed. */
export interface FillFinding {
  kind: 'slow' | 'fast';
  /** Of the computed time. */
  ratio: number;
  /** The likelier first. */
  explanations: FillExplanation[];
}

/**
 * A fill is as computed within what elements, pressure and temperature spread by from one system to the next: about twice their standard
 * deviation together, in the logarithm.
 */
export const usualFillSpread = 1.5;

export const fillKind = (ratio: number): FillFinding['kind'] | null =>
  ratio > usualFillSpread ? 'slow' : ratio < 1 / usualFillSpread ? 'fast' : null;

/** A single change, from what is usual at 0 to its end at 1. */
interface Change {
  isThere: (system: TestedSystem) => boolean;
  alter: (as: Scenario, share: number) => Scenario;
  /** How it is told. */
  tell: (as: Scenario, usual: TestedSystem) => FillExplanation;
}

const between = (from: number, to: number, share: number) => from * (to / from) ** share;
const parts =
  (change: (system: TestedSystem, share: number) => Partial<TestedSystem>) =>
  (as: Scenario, share: number): Scenario => ({
    ...as,
    system: { ...as.system, ...change(as.system, share) },
  });

const withPrecharge = (end: number): Change => ({
  isThere: ({ tank }) => tank !== undefined,
  alter: parts(({ tank }, share) => ({
    tank: tank && { ...tank, prechargeBar: tank.prechargeBar * (1 + (end - 1) * share) },
  })),
  tell: ({ system }) => ({ cause: 'precharge', bar: system.tank?.prechargeBar ?? 0 }),
});
const withPressure = (end: number): Change => ({
  isThere: () => true,
  alter: parts(({ feed }, share) => ({
    feed: { ...feed, pressureBar: feed.pressureBar * between(1, end, share) },
  })),
  tell: ({ system }) => ({ cause: 'pressure', bar: system.feed.pressureBar }),
});
const withTemperature = (endC: number): Change => ({
  isThere: () => true,
  alter: parts(({ feed }, share) => ({
    feed: { ...feed, temperatureC: feed.temperatureC + (endC - feed.temperatureC) * share },
  })),
  tell: ({ system }) => ({ cause: 'temperature', celsius: system.feed.temperatureC }),
});

/** What makes a fill slow, in the order of how often it is. */
const slowing: readonly Change[] = [
  withPressure(0.3),
  {
    isThere: ({ prefilters }) => prefilters !== undefined,
    alter: parts(({ prefilters }, share) => ({
      prefilters: prefilters && {
        ...prefilters,
        dropBar: prefilters.dropBar * between(1, 200, share),
      },
    })),
    tell: ({ system }, usual) => ({
      cause: 'prefilter',
      factor: system.prefilters!.dropBar / usual.prefilters!.dropBar,
    }),
  },
  withTemperature(1),
  {
    isThere: () => true,
    alter: (as, share) => ({
      ...as,
      trouble: { ...as.trouble, feedValveKv: between(0.5, 0.002, share) },
    }),
    tell: () => ({ cause: 'feed-valve' }),
  },
  withPrecharge(0),
  {
    isThere: ({ pump }) => pump !== undefined,
    alter: parts(({ pump }, share) => ({ pump: boostTimes(pump, 1 - share) })),
    tell: ({ system }, usual) => ({
      cause: 'pump',
      share: system.pump!.curve[0]!.boostBar / usual.pump!.curve[0]!.boostBar,
    }),
  },
];
const hastening: readonly Change[] = [withPrecharge(4), withPressure(2.5), withTemperature(35)];

/**
 * What would explain a fill that took `ratio` times its computed time: of each cause alone, the size that gives just this time, by the
 * forward model. A cause that cannot give it is left out. Null where the fill is as computed.
 */
export function fillFinding(
  design: SystemDesign,
  water: FeedWater,
  ratio: number,
): FillFinding | null {
  const kind = fillKind(ratio);
  const system = testedSystemOf(design, water);
  const usual = asSurveyed(system);
  const usualMin = signsOf(usual).fillMin();
  if (!kind || usualMin === null || !Number.isFinite(usualMin)) return null;
  const wanted = usualMin * ratio;
  const explanations = (kind === 'slow' ? slowing : hastening).flatMap((change) => {
    if (!change.isThere(system)) return [];
    const at = (share: number) => change.alter(usual, share);
    const minutes = (share: number) => signsOf(at(share)).fillMin()!;
    const isPast = (share: number) =>
      kind === 'slow' ? minutes(share) >= wanted : minutes(share) <= wanted;
    if (!isPast(1)) return [];
    let [low, high] = [0, 1];
    for (let i = 0; i < halvings; i += 1) {
      const middle = (low + high) / 2;
      if (isPast(middle)) high = middle;
      else low = middle;
    }
    // Where the fill jumps from too short to never ending, nothing in between explains it.
    if (!Number.isFinite(minutes(high)) && Math.abs(minutes(low) / wanted - 1) > nearEnough)
      return [];
    return [change.tell(at((low + high) / 2), system)];
  });
  return { kind, ratio, explanations };
}

const halvings = 18;
const nearEnough = 0.1;
