import { type Part, partsOf } from '../catalogue/parts.ts';
import type { Recommendation } from './recommend.ts';
import type { SystemDesign } from '../system/design.ts';

/**
 * The few designs that stand for a whole recommendation when a question is asked of it hundreds of times: the given one, the best of
 * every family, and those with the catalogue's largest tank, so that a large draw alone does not seem to ask for another family.
 */
export function representatives(
  current: SystemDesign,
  recommendation: Recommendation | undefined,
  catalogue: readonly Part[],
): SystemDesign[] {
  const largest = partsOf(catalogue, 'tank').reduce<SystemDesign['tank']>(
    (found, tank) => (found && found.volumeL >= tank.volumeL ? found : tank),
    null,
  );
  const best = recommendation?.families.map((family) => family.best.design) ?? [];
  const roomy = [current, ...best]
    .filter((design) => design.tank && largest && design.tank.id !== largest.id)
    .map((design) => ({ ...design, tank: largest }));
  const seen = new Set<string>();
  return [current, ...best, ...roomy].filter((design) => {
    const key = JSON.stringify(design);
    return !seen.has(key) && seen.add(key);
  });
}
