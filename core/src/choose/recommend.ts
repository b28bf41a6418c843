import { type InSteps, withoutPause } from '../base/inSteps.ts';
import { type Part, partsOf } from '../catalogue/parts.ts';
import { practiceLimits } from '../base/practice.ts';
import { lampWaterOf } from '../system/lampWater.ts';
import { isBranchRefused } from '../system/branchReach.ts';
import { withKit } from '../system/kit.ts';
import { partsPrice } from '../system/slots.ts';
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
import { judge, type JudgedDesign, longestWait, plainShortfall, trialOf } from './judge.ts';
import type { SizingWaters, SystemDesign } from '../system/design.ts';
import type { Requirements, Shortfall } from './requirements.ts';
import { changed, type FittingChange, waysOpen } from './waysToFit.ts';
import { Solutions } from '../system/solutions.ts';

/** A group of designs of one make-up, with its best member. */
export interface DesignFamily {
  key: FamilyKey;
  best: JudgedDesign;
  considered: number;
  meeting: number;
  /** How many of the family fall short for each reason that was found. */
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
  /** Where nothing fits: what about the house would have to change, and what would fit then. */
  ways: WayToFit[];
}

/** Changes of the house that together make something fit. */
export interface WayToFit {
  changes: FittingChange[];
  best: JudgedDesign;
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
export function* recommending(task: SizingTask): InSteps<Recommendation | undefined> {
  const found = yield* searching(task);
  if (found && !fallsShort(found.best)) return found;
  const ways: WayToFit[] = [];
  let nearest = found;
  for (const changes of waysOpen(task)) {
    // What is had by less is not also offered by more.
    if (ways.some((way) => way.changes.every((change) => changes.includes(change)))) continue;
    const other = yield* searching({ ...task, ...changed(task, changes) });
    if (!other) continue;
    nearest ??= { ...other, best: lacking(other.best, changes) };
    if (!fallsShort(other.best)) ways.push({ changes, best: other.best });
    if (ways.length >= mostWays) break;
  }
  return nearest && { ...nearest, ways };
}

/** A design that the house cannot take as it is, with what it lacks. */
const lacking = (best: JudgedDesign, changes: readonly FittingChange[]): JudgedDesign => ({
  ...best,
  shortfalls: [
    ...(changes.includes('outlet') ? (['needs-outlet'] as const) : []),
    ...(changes.includes('tank-room') ? (['needs-tank-room'] as const) : []),
    ...best.shortfalls,
  ],
});

/** Ways that are looked for; more than two are no help. */
const mostWays = 2;

/** Whether nothing of the catalogue does what is asked, waiting aside. */
export const nothingFits = ({ best }: Recommendation): boolean => fallsShort(best);

/** Whether more speaks against a design than that somebody has to wait. */
const fallsShort = (judged: JudgedDesign): boolean => faults(judged) > 0;

function* searching({
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
    // Beside a sound one of its make-up a design that falls short is only counted, by the first reason that shows.
    const family = families.get(familyOf(design));
    const short =
      family?.best.shortfalls.length === 0
        ? plainShortfall(design, waters, requirements, solutions)
        : null;
    if (family && short) {
      count(family, [short]);
      continue;
    }
    const search = { anySound };
    const judged = judge(design, waters, requirements, { trial, solutions, search });
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
    const { design, today } = family.best;
    const whole = today ? judge(design, waters, requirements, { trial, solutions }) : family.best;
    family.best = inKit(
      withServedBranches(withFittingLamp(whole, catalogue, site, requirements)),
      catalogue,
    );
  }
  const lived = undominated(weighed).map((one): TradeOff => {
    const wait = longestWait(one.design, waters.worst, trial, solutions) ?? one.criteria.wait;
    return { ...one, criteria: { ...one.criteria, wait } };
  });
  return {
    best: first.best,
    families: ranked,
    excluded: familyKeys
      .filter((key) => !families.has(key))
      .map((key) => ({ key, because: exclusionOf(key, catalogue, site) })),
    considered: designs.length,
    meeting: ranked.reduce((sum, family) => sum + family.meeting, 0),
    tradeOffs: undominated(lived).map((one) => boxed(one, catalogue)),
    ways: [],
  };
}

/** A lamp changes no flow: which one gives its dose at the tap is settled when the rest is, and none where its sleeve would be coated. */
function withFittingLamp(
  judged: JudgedDesign,
  catalogue: readonly Part[],
  { lampIons: ions }: Pick<SiteChoices, 'lampIons'>,
  { needsLamp = false }: Pick<Requirements, 'needsLamp'>,
): JudgedDesign {
  const { design, worst, today } = judged;
  if (!design.lamp || !today || !worst) return judged;
  const flowLPerMin = Math.max(today.tapFullLPerMin, worst.tapFullLPerMin);
  const lamp = lampWaterOf(design, today, ions).fits
    ? (lampForProduct(partsOf(catalogue, 'lamp'), flowLPerMin) ?? design.lamp)
    : null;
  const more = (lamp?.price ?? 0) - design.lamp.price;
  return {
    ...judged,
    design: { ...design, lamp },
    shortfalls:
      needsLamp && !lamp && !judged.shortfalls.includes('not-made-safe')
        ? [...judged.shortfalls, 'not-made-safe']
        : judged.shortfalls,
    price: judged.price + more,
    fiveYearCost: judged.fiveYearCost + more,
  };
}

/** A branch that would never see the pressure it wants is not laid: it is refused, and said to be. */
function withServedBranches(judged: JudgedDesign): JudgedDesign {
  const { design, worst } = judged;
  const branches = design.branches.filter((branch) => !isBranchRefused(design, branch, worst));
  return branches.length === design.branches.length
    ? judged
    : { ...judged, design: { ...design, branches } };
}

/** A kit changes no flow either, only what is paid. */
function inKit(judged: JudgedDesign, catalogue: readonly Part[]): JudgedDesign {
  const design = withKit(judged.design, catalogue);
  if (!design.kit) return { ...judged, design };
  const less = partsPrice(judged.design) - partsPrice(design);
  return {
    ...judged,
    design,
    price: judged.price - less,
    fiveYearCost: judged.fiveYearCost - less,
  };
}

function boxed({ design, criteria, shortfalls }: TradeOff, catalogue: readonly Part[]): TradeOff {
  const bought = withKit(design, catalogue);
  const less = bought.kit ? partsPrice(design) - partsPrice(bought) : 0;
  return { design: bought, criteria: { ...criteria, buy: criteria.buy - less }, shortfalls };
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
  count(family, judged.shortfalls);
}

function count(family: DesignFamily, shortfalls: readonly Shortfall[]): void {
  family.considered += 1;
  if (shortfalls.length === 0) family.meeting += 1;
  for (const shortfall of shortfalls) {
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

/** Whether scale is a high risk to its elements; what is less is weighed by its cost alone. */
const scalesHighly = ({ cost }: JudgedDesign): boolean => cost?.scaleRisk === 'high';

/**
 * Fewer shortfalls first; among designs with as many, fewer elements, then more water in the worst case. Of designs that nothing speaks against, those that
 * let nobody wait come first (of two that do, the one with fewer waiting days). Then custom decides on the pump: below the customary
 * supply one is wanted, above it one that does without comes first, since a pump hums, wears and needs an outlet; and a single element
 * comes before several; of two pumps the weaker. Then what scales at less than a high risk; then the lower cost over five years.
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
    if (a.design.elements !== b.design.elements) return a.design.elements < b.design.elements;
    return (a.worst?.productionLPerDay ?? 0) > (b.worst?.productionLPerDay ?? 0);
  }
  if (waits(a) !== waits(b)) return waits(b);
  if (waits(a) && a.waitingDays !== b.waitingDays) {
    return (a.waitingDays ?? 1) < (b.waitingDays ?? 1);
  }
  const [aPumped, bPumped] = [a.design.pump !== null, b.design.pump !== null];
  if (aPumped !== bPumped) return aPumped === lowSupply;
  const [aSingle, bSingle] = [a.design.elements === 1, b.design.elements === 1];
  if (aSingle !== bSingle) return aSingle;
  // The weakest pump that is as sound: a stronger one hums, draws and strains for nothing.
  const [aWatts, bWatts] = [a.design.pump?.powerW ?? 0, b.design.pump?.powerW ?? 0];
  if (a.design.tank && b.design.tank && aWatts !== bWatts) return aWatts < bWatts;
  if (!bearsScale && scalesHighly(a) !== scalesHighly(b)) return scalesHighly(b);
  return a.fiveYearCost < b.fiveYearCost;
}
