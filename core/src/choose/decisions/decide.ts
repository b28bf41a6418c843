import type { JudgedDesign } from '../judge.ts';
import type { Recommendation } from '../recommend.ts';
import type { SizingWaters } from '../../system/design.ts';
import type { Requirements } from '../requirements.ts';
import { type Decision, decisionTopics, type SiteFacts } from './decision.ts';
import { decideBooster, decideRegulator, decideShutOff } from './driveDecisions.ts';
import type { Part } from '../../catalogue/parts.ts';
import type { Branch } from '../../hydraulics/branchPressure.ts';
import {
  decideLeakStop,
  decideMinerals,
  decidePostFilter,
  decideRefrigerator,
  decideRestrictor,
} from './finishDecisions.ts';
import {
  decideCarbon,
  decideMembrane,
  decideDisinfection,
  decidePretreatment,
  decideScaling,
} from './waterDecisions.ts';

/** What else is known when decisions are made. */
export interface DecisionContext {
  waters: SizingWaters;
  requirements: Requirements;
  facts: SiteFacts;
  /** Whether a leak stop is to be fitted; it is unless somebody decided otherwise. */
  leakStop?: boolean;
  /** What the firm has against scale. */
  catalogue?: readonly Part[];
  /** Branches that were asked for; those of the design where nobody says. */
  branches?: readonly Branch[];
  recommendation?: Recommendation | undefined;
}

/** All explicit decisions about a judged design, in the order of the water. */
export function decide(
  judged: JudgedDesign,
  {
    waters,
    requirements,
    facts,
    leakStop = true,
    catalogue = [],
    branches,
    recommendation,
  }: DecisionContext,
): Decision[] {
  const { design, today, worst, warm, cost } = judged;
  const list = [
    decideMembrane(waters.today, facts),
    decideRegulator(facts.highestSupplyBar, facts.highestAssumed),
    decideLeakStop(leakStop),
    decidePretreatment(facts),
    decideCarbon(design, facts, requirements, today),
    decideBooster(design, waters, requirements, facts, recommendation),
    decideRestrictor(design, judged, requirements),
    warm && cost && today
      ? decideScaling(warm.scaling, waters.warm, cost, design, requirements, today, catalogue)
      : undefined,
    today && worst ? decideShutOff(design, today, worst, waters) : undefined,
    decideMinerals(design, today, requirements, facts.mineralWish),
    decidePostFilter(design),
    decideDisinfection(facts, design, judged),
    decideRefrigerator({ ...design, branches: [...(branches ?? design.branches)] }, worst),
  ].filter((decision) => decision !== undefined);
  return list.sort((a, b) => decisionTopics.indexOf(a.topic) - decisionTopics.indexOf(b.topic));
}
