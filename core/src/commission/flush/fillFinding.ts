import type { FeedWater, SystemDesign } from '../../system/design.ts';
import { type Altered, asBuilt, signsOf } from '../fault.ts';

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
  isThere: (design: SystemDesign) => boolean;
  alter: (as: Altered, share: number, design: SystemDesign) => Altered;
  /** How it is told. */
  tell: (as: Altered, design: SystemDesign) => FillExplanation;
}

const between = (from: number, to: number, share: number) => from * (to / from) ** share;
const withPrecharge = (end: number): Change => ({
  isThere: ({ tank }) => tank !== null,
  alter: (as, share) => ({
    ...as,
    condition: { ...as.condition, prechargeFactor: 1 + (end - 1) * share },
  }),
  tell: ({ condition }, { tank }) => ({
    cause: 'precharge',
    bar: (tank?.prechargeBar ?? 0) * condition.prechargeFactor,
  }),
});
const withPressure = (end: number): Change => ({
  isThere: () => true,
  alter: (as, share) => ({
    ...as,
    water: { ...as.water, pressureBar: as.water.pressureBar * between(1, end, share) },
  }),
  tell: ({ water }) => ({ cause: 'pressure', bar: water.pressureBar }),
});
const withTemperature = (endC: number): Change => ({
  isThere: () => true,
  alter: (as, share) => {
    const { temperatureC } = as.water;
    return {
      ...as,
      water: { ...as.water, temperatureC: temperatureC + (endC - temperatureC) * share },
    };
  },
  tell: ({ water }) => ({ cause: 'temperature', celsius: water.temperatureC }),
});

/** What makes a fill slow, in the order of how often it is. */
const slowing: readonly Change[] = [
  withPressure(0.3),
  {
    isThere: ({ prefilters }) => prefilters.length > 0,
    alter: (as, share) => ({
      ...as,
      condition: { ...as.condition, prefilterFactor: between(1, 200, share) },
    }),
    tell: ({ condition }) => ({ cause: 'prefilter', factor: condition.prefilterFactor }),
  },
  withTemperature(1),
  {
    isThere: () => true,
    alter: (as, share) => ({
      ...as,
      condition: { ...as.condition, feedValveKv: between(0.5, 0.002, share) },
    }),
    tell: () => ({ cause: 'feed-valve' }),
  },
  withPrecharge(0),
  {
    isThere: ({ pump }) => pump !== null,
    alter: (as, share) => ({ ...as, condition: { ...as.condition, pumpFactor: 1 - share } }),
    tell: ({ condition }) => ({ cause: 'pump', share: condition.pumpFactor }),
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
  const usualMin = signsOf(design, asBuilt(water)).fillMin();
  if (!kind || usualMin === null || !Number.isFinite(usualMin)) return null;
  const wanted = usualMin * ratio;
  const explanations = (kind === 'slow' ? slowing : hastening).flatMap((change) => {
    if (!change.isThere(design)) return [];
    const at = (share: number) => change.alter(asBuilt(water), share, design);
    const minutes = (share: number) => signsOf(design, at(share)).fillMin()!;
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
    return [change.tell(at((low + high) / 2), design)];
  });
  return { kind, ratio, explanations };
}

const halvings = 18;
const nearEnough = 0.1;
