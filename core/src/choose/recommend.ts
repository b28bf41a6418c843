import { type InSteps, withoutPause } from '../base/inSteps.ts';
import { type Part, partsOf } from '../catalogue/parts.ts';
import { practiceLimits } from '../base/practice.ts';
import { lampForProduct } from '../system/ultravioletLine.ts';
import {
  candidates,
  type Exclusion,
  exclusionOf,
  type FamilyKey,
  familyKeys,
  familyOf,
  type SiteChoices,
} from './candidates.ts';
import { type Criteria, criteriaOf, nonDominated } from './criteria.ts';
import { judge, type JudgedDesign, trialOf } from './judge.ts';
import type { SizingWaters, SystemDesign } from '../system/design.ts';
import type { Requirements, Shortfall } from './requirements.ts';
import { scalesSoon } from './scalesSoon.ts';
import { Solutions } from '../system/solutions.ts';

/** A group of designs of one make-up, with its best member. */
export interface DesignFamily {
  key: FamilyKey;
  best: JudgedDesign;
  considered: number;
  meeting: number;
  /** How many of the family fall short for each reason. */
  shortfalls: Partial<Record<Shortfall, number>>;
}

/** A design that no other beats in everything, by what it is weighed by. */
export interface TradeOff {
  design: SystemDesign;
  criteria: Criteria;
  shortfalls: Shortfall[];
}

export interface Recommendation {
  /** The best design; it may fall short, and then says where. */
  best: JudgedDesign;
  families: DesignFamily[];
  /** Make-ups that were not tried, with the reason. */
  excluded: { key: FamilyKey; because: Exclusion }[];
  considered: number;
  meeting: number;
  /** Of the designs that meet everything (where none does: of those that only let people wait, then of all that run), the undominated ones, the cheapest over five years first. */
  tradeOffs: TradeOff[];
}

export interface SizingTask {
  catalogue: readonly Part[];
  site: SiteChoices;
  waters: SizingWaters;
  requirements: Requirements;
}

/** Designs between two steps. */
const designsAStep = 40;

/**
 * Judges every candidate and ranks them: what meets everything comes before what does not, then what custom says of
 * the pump, then the lower five-year cost (parts, water, drain water, power, cartridges). Returns nothing if the catalogue cannot make up a system.
 */
export const recommend = (task: SizingTask): Recommendation | undefined =>
  withoutPause(recommending(task));

/** The same in steps, for whoever may be asked something else meanwhile. */
export function* recommending({
  catalogue,
  site,
  waters,
  requirements,
}: SizingTask): InSteps<Recommendation | undefined> {
  const designs = candidates(catalogue, site);
  const trial = trialOf(requirements);
  const solutions = new Solutions();
  const lowSupply = waters.worst.pressureBar < practiceLimits.lowSupplyBar;
  const families = new Map<FamilyKey, DesignFamily>();
  const weighed: TradeOff[] = [];
  let anySound = false;
  for (const [i, design] of designs.entries()) {
    if (i % designsAStep === 0) yield i / designs.length;
    // Once a sound design is found no other kind is proposed or weighed, and nobody asks for the days of those.
    const judged = judge(design, waters, requirements, {
      trial,
      solutions,
      soundDaysOnly: anySound,
    });
    anySound ||= judged.shortfalls.length === 0;
    enter(families, judged, lowSupply);
    const criteria = criteriaOf(judged);
    if (criteria) weighed.push({ design, criteria, shortfalls: judged.shortfalls });
  }
  const ranked = [...families.values()].sort((a, b) =>
    isBetter(a.best, b.best, lowSupply) ? -1 : 1,
  );
  const first = ranked[0];
  if (!first) return undefined;
  for (const family of ranked) {
    const { design, today, hardDay } = family.best;
    if (today && !hardDay) family.best = judge(design, waters, requirements, { trial, solutions });
    family.best = withFittingLamp(family.best, catalogue);
  }
  return {
    best: first.best,
    families: ranked,
    excluded: familyKeys
      .filter((key) => !families.has(key))
      .map((key) => ({ key, because: exclusionOf(key, catalogue, site) })),
    considered: designs.length,
    meeting: ranked.reduce((sum, family) => sum + family.meeting, 0),
    tradeOffs: undominated(weighed),
  };
}

/** A lamp changes no flow: which one gives its dose at the tap is settled when the rest is. */
function withFittingLamp(judged: JudgedDesign, catalogue: readonly Part[]): JudgedDesign {
  const { design, worst, today } = judged;
  if (!design.lamp || !today || !worst) return judged;
  const flowLPerMin = Math.max(today.tapFullLPerMin, worst.tapFullLPerMin);
  const lamp = lampForProduct(partsOf(catalogue, 'lamp'), flowLPerMin) ?? design.lamp;
  const more = lamp.price - design.lamp.price;
  return {
    ...judged,
    design: { ...design, lamp },
    price: judged.price + more,
    fiveYearCost: judged.fiveYearCost + more,
  };
}

/** Counts a judged design in its family. */
function enter(
  families: Map<FamilyKey, DesignFamily>,
  judged: JudgedDesign,
  lowSupply: boolean,
): void {
  const key = familyOf(judged.design);
  let family = families.get(key);
  if (!family) {
    family = { key, best: judged, considered: 0, meeting: 0, shortfalls: {} };
    families.set(key, family);
  }
  if (isBetter(judged, family.best, lowSupply)) family.best = judged;
  family.considered += 1;
  if (judged.shortfalls.length === 0) family.meeting += 1;
  for (const shortfall of judged.shortfalls) {
    family.shortfalls[shortfall] = (family.shortfalls[shortfall] ?? 0) + 1;
  }
}

function undominated(weighed: readonly TradeOff[]): TradeOff[] {
  const sound = weighed.filter(({ shortfalls }) => shortfalls.length === 0);
  const patient = weighed.filter(({ shortfalls }) =>
    shortfalls.every((shortfall) => shortfall === 'keeps-waiting'),
  );
  const among = sound.length > 0 ? sound : patient.length > 0 ? patient : weighed;
  const whole = ({ criteria }: TradeOff) => criteria.buy + criteria.run;
  return nonDominated(among.map(({ criteria }) => criteria))
    .map((i) => among[i]!)
    .sort((a, b) => whole(a) - whole(b));
}

/** What speaks against a design besides letting people wait. */
const faults = ({ shortfalls }: JudgedDesign): number =>
  shortfalls.filter((shortfall) => shortfall !== 'keeps-waiting').length;

const waits = ({ shortfalls }: JudgedDesign): boolean => shortfalls.includes('keeps-waiting');

const scales = ({ today }: JudgedDesign): boolean => today !== null && scalesSoon(today);

/**
 * Fewer shortfalls first; among designs with as many, more water in the worst case. Of designs that nothing speaks against, those
 * that do not scale early come first, then those that let nobody wait (of two that do, the one with fewer waiting days). Then
 * custom decides on the pump: below the customary supply one is wanted, above it one that does without comes first, since a pump
 * hums, wears and needs an outlet; and a single element comes before several. Then the lower cost over five years.
 * @param bearsScale leaves scaling out, for a choice among a few designs that another restrictor would mend
 */
export function isBetter(
  a: JudgedDesign,
  b: JudgedDesign,
  lowSupply: boolean,
  bearsScale = false,
): boolean {
  if (faults(a) !== faults(b)) return faults(a) < faults(b);
  if (faults(a) > 0) {
    return (a.worst?.productionLPerDay ?? 0) > (b.worst?.productionLPerDay ?? 0);
  }
  if (!bearsScale && scales(a) !== scales(b)) return scales(b);
  if (waits(a) !== waits(b)) return waits(b);
  if (waits(a) && a.waitingDays !== b.waitingDays) {
    return (a.waitingDays ?? 1) < (b.waitingDays ?? 1);
  }
  const [aPumped, bPumped] = [a.design.pump !== null, b.design.pump !== null];
  if (aPumped !== bPumped) return aPumped === lowSupply;
  const [aSingle, bSingle] = [a.design.elements === 1, b.design.elements === 1];
  if (aSingle !== bSingle) return aSingle;
  return a.fiveYearCost < b.fiveYearCost;
}
