import { normalShare } from '../../base/numeric/normal.ts';
import type { Judgement } from '../judgement.ts';
import type { Verdict } from '../verdict.ts';
import type { CertifiedJudgement } from './certify.ts';

/** What a firm holds a product to, whatever a system could do. */
export interface AcceptanceLimits {
  /** Share of the feed's solids that may pass. */
  productShareOfFeed: number;
  productTdsMgL: number;
}

/** A limit of the firm beside what was measured. */
export interface LimitFound {
  of: 'rejection' | 'product-tds';
  /** Least rejection as a share; most product, mg/L. */
  limit: number;
  /** How likely it is that it is kept, by the uncertainty of the reading. */
  kept: number;
}

/** Each of a firm's limits, and how likely it is that the truth behind the reading keeps it. */
export function limitsFound(
  { rejection, productTds, readingError }: Verdict,
  { productShareOfFeed, productTdsMgL }: AcceptanceLimits,
): LimitFound[] {
  const least = 1 - productShareOfFeed;
  return [
    {
      of: 'rejection',
      limit: least,
      kept: normalShare((rejection.measured - least) / readingError.rejection),
    },
    {
      of: 'product-tds',
      limit: productTdsMgL,
      kept: normalShare((productTdsMgL - productTds.measured) / readingError.productTds),
    },
  ];
}

/**
 * What the certification goes by: how likely the readings make a sound system, and the firm's limits.
 * @param judgement null where the causes could not be weighed
 */
export function judgedBy(
  verdict: Verdict,
  judgement: Judgement | null,
  limits: AcceptanceLimits,
): CertifiedJudgement | null {
  if (!judgement) return null;
  const kept = Object.fromEntries(limitsFound(verdict, limits).map((one) => [one.of, one.kept]));
  return {
    sound: judgement.sound,
    limits: { rejection: kept.rejection ?? 0, productTds: kept['product-tds'] ?? 0 },
  };
}
