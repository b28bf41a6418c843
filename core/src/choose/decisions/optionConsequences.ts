import { judge, type JudgedDesign, trialOf } from '../judge.ts';
import type { SizingWaters } from '../../system/design.ts';
import type { Requirements } from '../requirements.ts';
import { Solutions } from '../../system/solutions.ts';
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
    judge(
      design,
      treatedWaters(waters, settings),
      { ...requirements, inhibited: settings.inhibitor },
      { trial, solutions },
    ),
  );
}
