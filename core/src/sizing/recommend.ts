import type { Part } from '../catalogue/parts.ts';
import { candidates, type SiteChoices } from './candidates.ts';
import { judge, type JudgedDesign, trialDays } from './judge.ts';
import {
  practiceLimits,
  type Requirements,
  type Shortfall,
  type SizingWaters,
} from './requirements.ts';
import { agedMembrane } from './systemDesign.ts';

/** A group of designs of one make-up, with its best member. */
export interface DesignFamily {
  key: 'tank' | 'pumped-tank' | 'direct-flow';
  best: JudgedDesign;
  considered: number;
  meeting: number;
  /** How many of the family fall short for each reason. */
  shortfalls: Partial<Record<Shortfall, number>>;
}

export interface Recommendation {
  /** The best design; it may fall short, and then says where. */
  best: JudgedDesign;
  families: DesignFamily[];
  considered: number;
  meeting: number;
}

export interface SizingTask {
  catalogue: readonly Part[];
  site: SiteChoices;
  waters: SizingWaters;
  requirements: Requirements;
}

const familyOf = ({ design }: JudgedDesign): DesignFamily['key'] =>
  design.tank === null ? 'direct-flow' : design.pump ? 'pumped-tank' : 'tank';

/**
 * Judges every candidate and ranks them: what meets everything comes before what does not, then what custom says of
 * the pump, then the lower five-year cost (parts, water, drain water, power). Returns nothing if the catalogue cannot make up a system.
 * @param onProgress called with the share done, for the person waiting
 */
export function recommend(
  { catalogue, site, waters, requirements }: SizingTask,
  onProgress: (share: number) => void = () => undefined,
): Recommendation | undefined {
  const designs = candidates(catalogue, site);
  const days = trialDays(requirements);
  const lowSupply = waters.worst.pressureBar < practiceLimits.lowSupplyBar;
  const families = new Map<DesignFamily['key'], DesignFamily>();
  designs.forEach((design, i) => {
    if (i % 50 === 0) onProgress(i / designs.length);
    const judged = judge(design, waters, requirements, agedMembrane, days);
    const key = familyOf(judged);
    const family = families.get(key);
    if (!family) {
      families.set(key, { key, best: judged, ...tally(judged) });
      return;
    }
    if (isBetter(judged, family.best, lowSupply)) family.best = judged;
    family.considered += 1;
    if (judged.shortfalls.length === 0) family.meeting += 1;
    for (const shortfall of judged.shortfalls) {
      family.shortfalls[shortfall] = (family.shortfalls[shortfall] ?? 0) + 1;
    }
  });
  const ranked = [...families.values()].sort((a, b) =>
    isBetter(a.best, b.best, lowSupply) ? -1 : 1,
  );
  const first = ranked[0];
  if (!first) return undefined;
  return {
    best: first.best,
    families: ranked,
    considered: designs.length,
    meeting: ranked.reduce((sum, family) => sum + family.meeting, 0),
  };
}

const tally = (
  judged: JudgedDesign,
): Pick<DesignFamily, 'considered' | 'meeting' | 'shortfalls'> => ({
  considered: 1,
  meeting: judged.shortfalls.length === 0 ? 1 : 0,
  shortfalls: Object.fromEntries(judged.shortfalls.map((shortfall) => [shortfall, 1])),
});

/** What speaks against a design besides letting people wait. */
const faults = ({ shortfalls }: JudgedDesign): number =>
  shortfalls.filter((shortfall) => shortfall !== 'keeps-waiting').length;

const waits = ({ shortfalls }: JudgedDesign): boolean => shortfalls.includes('keeps-waiting');

/**
 * Fewer shortfalls first; among designs with as many, more water in the worst case. Waiting counts after all others: a design that
 * only lets people wait is sound, and of two such the one with fewer waiting days is better. Among those that meet everything,
 * custom decides on the pump: below the customary supply one is wanted, above it one that does without comes first, since a pump
 * hums, wears and needs an outlet. Then the lower cost over five years.
 */
export function isBetter(a: JudgedDesign, b: JudgedDesign, lowSupply: boolean): boolean {
  if (faults(a) !== faults(b)) return faults(a) < faults(b);
  if (faults(a) > 0) {
    return (a.worst?.productionLPerDay ?? 0) > (b.worst?.productionLPerDay ?? 0);
  }
  if (waits(a) !== waits(b)) return waits(b);
  if (waits(a) && a.waitingDays !== b.waitingDays) {
    return (a.waitingDays ?? 1) < (b.waitingDays ?? 1);
  }
  const [aPumped, bPumped] = [a.design.pump !== null, b.design.pump !== null];
  if (aPumped !== bPumped) return aPumped === lowSupply;
  return a.fiveYearCost < b.fiveYearCost;
}
