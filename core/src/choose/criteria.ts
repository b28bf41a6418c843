import type { JudgedDesign } from './judge.ts';
import type { SystemDesign } from '../system/design.ts';

/** What one design is weighed against another by. */
export const criterionKeys = [
  'january',
  'drain',
  'buy',
  'run',
  'space',
  'glass',
  'power',
  'wait',
] as const;
export type CriterionKey = (typeof criterionKeys)[number];
export type Criteria = Record<CriterionKey, number>;

interface CriterionSense {
  /** Whether more of it is better. */
  more: boolean;
  /** Least difference that a person would care about; designs closer than this count as alike. */
  grain: number;
  /** The grain is a share of the value. */
  relative: boolean;
}

/** January: L/day in the worst case. Drain: m3 a year. Buy, run: currency. Space: L. Glass: s. Power: W. Wait: min, the longest of eight weeks. */
export const criterionSenses: Record<CriterionKey, CriterionSense> = {
  january: { more: true, grain: 0.08, relative: true },
  drain: { more: false, grain: 0.08, relative: true },
  buy: { more: false, grain: 0.04, relative: true },
  run: { more: false, grain: 0.04, relative: true },
  space: { more: false, grain: 3, relative: false },
  glass: { more: false, grain: 2, relative: false },
  power: { more: false, grain: 5, relative: false },
  wait: { more: false, grain: 0.5, relative: false },
};

/** Room that parts take under a sink with their service clearance, L. Defaults where a catalogue gives none. */
const roomL = { cartridge: 4, element: 5, pump: 3, lamp: 3, inline: 1, tankShell: 1.5 } as const;

/** Room that a design takes in the cabinet, L. */
export function cabinetSpaceL(design: SystemDesign): number {
  const inline = [design.postFilter, design.mineral, design.permeatePump, design.shutoff];
  return (
    design.prefilters.length * roomL.cartridge +
    design.elements * roomL.element +
    (design.pump ? roomL.pump : 0) +
    (design.lamp ? roomL.lamp : 0) +
    inline.filter((part) => part !== null).length * roomL.inline +
    (design.tank?.volumeL ?? 0) * roomL.tankShell
  );
}

/** A judged design by its criteria; nothing if it cannot run. */
export function criteriaOf(judged: JudgedDesign): Criteria | null {
  const { design, worst, cost, longestWaitMin, price } = judged;
  if (!worst || !cost) return null;
  return {
    january: worst.productionLPerDay,
    drain: cost.drainM3PerYear,
    buy: price,
    run: cost.fiveYears,
    space: cabinetSpaceL(design),
    glass: worst.secondsPerGlass,
    power: design.pump?.powerW ?? 0,
    wait: longestWaitMin ?? 0,
  };
}

/** Steps of a criterion's grain, the smaller the better: what dominance is judged on. */
function stepsOf(key: CriterionKey, value: number): number {
  const { more, grain, relative } = criterionSenses[key];
  const steps = relative ? Math.log(Math.max(value, 1e-9)) / Math.log1p(grain) : value / grain;
  return Math.round(more ? -steps : steps);
}

/**
 * Indices of the designs that no other is at least as good as in every criterion and better in one, at the grain that people care about;
 * of several alike the first. In the order given.
 */
export function nonDominated(all: readonly Criteria[]): number[] {
  const width = criterionKeys.length;
  const steps = new Float64Array(all.length * width);
  const sums = new Float64Array(all.length);
  all.forEach((one, i) => {
    criterionKeys.forEach((key, c) => {
      const step = stepsOf(key, one[key]);
      steps[i * width + c] = step;
      sums[i]! += step;
    });
  });
  /** Whether the first is at least as good as the second in everything. */
  const covers = (a: number, b: number): boolean => {
    for (let c = 0; c < width; c += 1) {
      if (steps[a * width + c]! > steps[b * width + c]!) return false;
    }
    return true;
  };
  // Whatever dominates a design has a smaller sum, so that one pass in the order of sums meets it first.
  const order = all.map((_, i) => i).sort((a, b) => sums[a]! - sums[b]! || a - b);
  const kept: number[] = [];
  for (const i of order) if (!kept.some((k) => covers(k, i))) kept.push(i);
  return kept.sort((a, b) => a - b);
}

/** How much a person cares: weight by criterion (0 not at all), and limits not to be passed. */
export interface Priorities {
  weights: Partial<Record<CriterionKey, number>>;
  limits: Partial<Record<CriterionKey, number>>;
}

export const noPriorities: Priorities = { weights: {}, limits: {} };

/** Whether a design keeps within all limits: at least for what is better in plenty, at most for the rest. */
export const keepsWithin = (criteria: Criteria, { limits }: Priorities): boolean =>
  criterionKeys.every((key) => {
    const limit = limits[key];
    if (limit === undefined) return true;
    return criterionSenses[key].more ? criteria[key] >= limit : criteria[key] <= limit;
  });

/**
 * The designs within the limits, the best first by weighted distance from the best of each criterion (0) towards the worst (1),
 * over the designs given. Alike where nothing is weighed: then in the order given.
 */
export function steer<T extends { criteria: Criteria }>(
  designs: readonly T[],
  priorities: Priorities,
): T[] {
  const ranges = criterionKeys.map((key) => {
    const values = designs.map(({ criteria }) => criteria[key]).filter(Number.isFinite);
    return { key, least: Math.min(...values), most: Math.max(...values) };
  });
  const regret = ({ criteria }: T): number =>
    ranges.reduce((sum, { key, least, most }) => {
      const weight = priorities.weights[key] ?? 0;
      if (weight === 0 || !(most > least)) return sum;
      const share = Math.min((criteria[key] - least) / (most - least), 1);
      return sum + weight * (criterionSenses[key].more ? 1 - share : share);
    }, 0);
  return designs
    .filter(({ criteria }) => keepsWithin(criteria, priorities))
    .map((design) => ({ design, regret: regret(design) }))
    .sort((a, b) => a.regret - b.regret)
    .map(({ design }) => design);
}
