import { judge, type JudgedDesign, trialOf } from '../sizing/judge.ts';
import type { Requirements, SizingWaters } from '../sizing/requirements.ts';
import { Solutions } from '../sizing/solutions.ts';
import type { DecisionOption } from './decisionOptions.ts';
import { treatedWaters } from './supplySettings.ts';

/** What each way to decide leads to, judged like any candidate. @param waters ahead of regulator and softener */
export function optionConsequences(
  options: readonly Pick<DecisionOption, 'design' | 'settings'>[],
  waters: SizingWaters,
  requirements: Requirements,
): JudgedDesign[] {
  const trial = trialOf(requirements);
  const solutions = new Solutions();
  return options.map(({ design, settings }) =>
    judge(design, treatedWaters(waters, settings), requirements, { trial, solutions }),
  );
}
