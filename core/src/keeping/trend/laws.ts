/** How a membrane can change; `opposite` is the way that does no harm. */
export const lawKinds = ['steady', 'linear', 'accelerating', 'step', 'opposite'] as const;
export type LawKind = (typeof lawKinds)[number];

/** How membranes of a firm change, before anything is read of one. */
export interface LawPrior {
  shares: Record<LawKind, number>;
  /** Straight in the logarithm: median slope a year, and the factor that it spreads by. */
  slope: { median: number; spread: number };
  /** Accelerating: months until the limit, and the factor that they spread by. */
  months: { median: number; spread: number };
  /** A step's size in the logarithm, evenly between; in so many pieces, and with slow ageing besides, a year. */
  step: { least: number; most: number; pieces: number; besides: readonly number[] };
  /** The other way: median slope a year. */
  opposite: { median: number; spread: number };
}

/** Of salt passage: due after three and a half years in the middle; a seal slips, or chlorine bursts through, in one of eight. */
export const saltPassagePrior: LawPrior = {
  shares: { steady: 0.4, linear: 0.24, accelerating: 0.18, step: 0.13, opposite: 0.05 },
  slope: { median: 0.2, spread: 1.9 },
  months: { median: 36, spread: 1.65 },
  step: { least: 0.12, most: 1, pieces: 6, besides: [0, 0.08] },
  opposite: { median: 0.08, spread: 2 },
};

/** Of flow: due after three years in the middle; chlorine lets it rise. */
export const flowPrior: LawPrior = {
  shares: { steady: 0.42, linear: 0.27, accelerating: 0.18, step: 0.03, opposite: 0.1 },
  slope: { median: 0.12, spread: 1.9 },
  months: { median: 36, spread: 1.65 },
  step: { least: 0.12, most: 1, pieces: 5, besides: [0] },
  opposite: { median: 0.08, spread: 2 },
};

/** A law with its figures: how far the logarithm of the factor has gone towards its limit, by months since the baseline. */
export interface Law {
  kind: LawKind;
  /** Log of how common it is. */
  logPrior: number;
  /** Share of the change, months since the baseline; positive is towards the limit. */
  at: (months: number) => number;
  slopeAt: (months: number) => number;
  /** Months since the baseline at which the limit is met, with their share of the law; Infinity where never. */
  due: readonly { months: number; share: number }[];
  /** Months between which a step happened. */
  between: readonly [number, number] | null;
}

const slopes = { count: 32, reach: 2.8 };
const accelerating = { count: 13, reach: 2.3, exponents: [1.6, 2.2, 3] };
const opposites = { count: 9, reach: 2.2 };

/** Middles of equal pieces of a lognormal distribution, with the share of each. */
function lognormal(
  { median, spread }: { median: number; spread: number },
  count: number,
  reach: number,
): { value: number; share: number }[] {
  const at = Array.from({ length: count }, (_, i) => (2 * reach * (i + 0.5)) / count - reach);
  const density = at.map((z) => Math.exp((-z * z) / 2));
  const whole = density.reduce((sum, value) => sum + value, 0);
  return at.map((z, i) => ({
    value: median * Math.exp(Math.log(spread) * z),
    share: density[i]! / whole,
  }));
}

/**
 * Every law that is weighed, over a series of visits.
 * @param limit of the change in the logarithm, positive
 * @param visits months since the baseline, in order: a step happened between two of them
 */
export function lawsOf(prior: LawPrior, limit: number, visits: readonly number[]): Law[] {
  const { shares } = prior;
  const laws: Law[] = [
    {
      kind: 'steady',
      logPrior: Math.log(shares.steady),
      at: () => 0,
      slopeAt: () => 0,
      due: never,
      between: null,
    },
  ];
  for (const { value, share } of lognormal(prior.slope, slopes.count, slopes.reach)) {
    const perMonth = value / 12;
    laws.push({
      kind: 'linear',
      logPrior: Math.log(shares.linear * share),
      at: (t) => perMonth * t,
      slopeAt: () => value,
      due: [{ months: limit / perMonth, share: 1 }],
      between: null,
    });
  }
  for (const { value: T, share } of lognormal(
    prior.months,
    accelerating.count,
    accelerating.reach,
  )) {
    for (const p of accelerating.exponents) {
      laws.push({
        kind: 'accelerating',
        logPrior: Math.log((shares.accelerating * share) / accelerating.exponents.length),
        at: (t) => limit * (Math.max(t, 0) / T) ** p,
        slopeAt: (t) => ((12 * limit * p) / T) * (Math.max(t, 0) / T) ** (p - 1),
        due: [{ months: T, share: 1 }],
        between: null,
      });
    }
  }
  for (const { value, share } of lognormal(prior.opposite, opposites.count, opposites.reach)) {
    laws.push({
      kind: 'opposite',
      logPrior: Math.log(shares.opposite * share),
      at: (t) => (-value * t) / 12,
      slopeAt: () => -value,
      due: never,
      between: null,
    });
  }
  laws.push(...stepsOf(prior, limit, visits));
  return laws;
}

const never: Law['due'] = [{ months: Infinity, share: 1 }];

/** Steps between any two visits, as likely as the gap is long, with slow ageing besides. */
function stepsOf({ shares, step }: LawPrior, limit: number, visits: readonly number[]): Law[] {
  const last = visits.at(-1);
  if (last === undefined || last <= 0) return [];
  const sizes = Array.from(
    { length: step.pieces },
    (_, i) => step.least + ((step.most - step.least) * (i + 0.5)) / step.pieces,
  );
  return visits.slice(1).flatMap((to, i) => {
    const from = visits[i]!;
    if (to <= from) return [];
    return sizes.flatMap((size) =>
      step.besides.map((ageing): Law => {
        const perMonth = ageing / 12;
        const middle = (from + to) / 2;
        return {
          kind: 'step',
          logPrior: Math.log(
            (shares.step * ((to - from) / last)) / sizes.length / step.besides.length,
          ),
          at: (t) => perMonth * t + (t >= middle ? size : 0),
          slopeAt: () => ageing,
          due: dueOfStep(limit, size, perMonth, from, to),
          between: [from, to],
        };
      }),
    );
  });
}

/** Places in the gap that stand for all of it. */
const places = [1 / 6, 1 / 2, 5 / 6];

function dueOfStep(
  limit: number,
  size: number,
  perMonth: number,
  from: number,
  to: number,
): Law['due'] {
  const alone = perMonth > 0 ? limit / perMonth : Infinity;
  const after = perMonth > 0 ? (limit - size) / perMonth : size >= limit ? 0 : Infinity;
  return places.map((place) => {
    const on = from + place * (to - from);
    return { months: Math.min(alone, Math.max(on, after)), share: 1 / places.length };
  });
}
