import { branchReach } from '../../system/branchReach.ts';
import { practiceLimits } from '../../base/practice.ts';
import type { Assessment } from '../../system/assessment.ts';
import { remineralise, standingProductPh } from '../../system/remineralise.ts';
import type { Requirements } from '../requirements.ts';
import type { SystemDesign } from '../../system/design.ts';
import { mostElementRecovery } from '../../system/scaling.ts';
import type { JudgedDesign } from '../judge.ts';
import type { DecisionOn, MineralWish } from './decision.ts';

/** Which minerals, where, and what they make of the product. */
export function decideMinerals(
  design: SystemDesign,
  today: Assessment | null,
  requirements: Requirements,
  wish: MineralWish | null,
): DecisionOn<'minerals'> {
  const minerals = today && remineralise(design, today);
  const standing = today && standingProductPh(today);
  const data = {
    productPh: today?.productPh ?? NaN,
    leastPh: requirements.leastProductPh,
    tdsBefore: today?.productTdsMgL ?? NaN,
    phAfter: minerals?.pH ?? NaN,
    tdsAfter: minerals?.tdsMgL ?? NaN,
    meterAfter: minerals?.meterTdsMgL ?? NaN,
    hardnessAfter: minerals?.hardnessMgL ?? NaN,
    standingPh: standing ?? NaN,
  };
  const decision = (
    choice: DecisionOn<'minerals'>['choice'],
    code: DecisionOn<'minerals'>['code'],
  ): DecisionOn<'minerals'> => ({
    topic: 'minerals',
    choice,
    code,
    data,
  });
  if (!today) return decision('consider', 'minerals-unknown');
  if (!design.mineral) {
    if (!wish) return decision('no', 'minerals-not-asked');
    if (wish === 'pH' && today.productPh >= requirements.leastProductPh)
      return decision('no', 'minerals-not-needed');
    return data.standingPh > practiceLimits.mostAlkalinePh
      ? decision('no', 'minerals-would-overshoot')
      : decision('consider', 'minerals-would-lift');
  }
  if (!minerals) return decision('no', 'minerals-add-nothing');
  if (minerals.pH > practiceLimits.mostAlkalinePh)
    return decision('consider', 'minerals-too-alkaline');
  if (!design.tank) return decision('yes', 'minerals-in-line');
  const before = design.mineral.place === 'before-tank';
  return decision('yes', before ? 'minerals-before-tank' : 'minerals-after-tank');
}

/** Recovery against scale: what the restrictor lets to drain. */
export function decideRestrictor(
  design: SystemDesign,
  { today, warm }: Pick<JudgedDesign, 'today' | 'warm'>,
  { mostRecovery, mostDrainPerProductL }: Requirements,
): DecisionOn<'restrictor'> {
  const most = mostElementRecovery(design);
  const decision = (
    choice: DecisionOn<'restrictor'>['choice'],
    code: DecisionOn<'restrictor'>['code'],
  ): DecisionOn<'restrictor'> => ({
    topic: 'restrictor',
    choice,
    code,
    data: {
      flowMlMin: design.restrictor.restrictor.flowMlMin,
      recovery: warm?.scaling.elementRecovery ?? NaN,
      mostRecovery: most,
      polarisation: warm?.scaling.polarisation ?? NaN,
      mostPolarisation: practiceLimits.mostPolarisation,
      drainPerProduct: today?.drainLPerProductL ?? NaN,
      wallLsi: warm?.scaling.wallLsi ?? NaN,
    },
  });
  if (!today || !warm) return decision('consider', 'restrictor-unknown');
  if (warm.scaling.elementRecovery > most || warm.running.recovery > mostRecovery)
    return decision('consider', 'restrictor-too-tight');
  if (today.drainLPerProductL > mostDrainPerProductL)
    return decision('consider', 'restrictor-too-wide');
  return decision('yes', 'restrictor-balanced');
}

/** A last carbon between tank and tap. */
export const decidePostFilter = ({
  postFilter,
  tank,
}: SystemDesign): DecisionOn<'post-filter'> => ({
  topic: 'post-filter',
  choice: postFilter ? 'yes' : tank ? 'consider' : 'no',
  code: postFilter
    ? tank
      ? 'post-filter-after-tank'
      : 'post-filter-in-line'
    : tank
      ? 'post-filter-missing'
      : 'post-filter-left-out',
  data: {},
});

/** A leak stop costs little beside a wet floor: fitted unless somebody decides otherwise. */
export const decideLeakStop = (fitted: boolean): DecisionOn<'leak-stop'> => ({
  topic: 'leak-stop',
  choice: fitted ? 'yes' : 'consider',
  code: fitted ? 'leak-stop-fitted' : 'leak-stop-left-out',
  data: {},
});

/** Whether every branch gets the pressure it wants: the one with the least to spare decides. Nothing where there is none. */
export function decideRefrigerator(
  design: SystemDesign,
  worst: Assessment | null,
): DecisionOn<'refrigerator'> | undefined {
  const { branches, tank } = design;
  const seen = branches.map((branch) => ({ branch, ...branchReach(design, branch, worst) }));
  const [first, ...others] = seen;
  if (!first) return undefined;
  const { branch, fullBar, drawnBar } = others.reduce(
    (least, one) =>
      one.drawnBar - one.branch.neededBar < least.drawnBar - least.branch.neededBar ? one : least,
    first,
  );
  const decision = (
    choice: DecisionOn<'refrigerator'>['choice'],
    code: DecisionOn<'refrigerator'>['code'],
  ): DecisionOn<'refrigerator'> => ({
    topic: 'refrigerator',
    choice,
    code,
    data: { kind: branch.kind, fullBar, drawnBar, neededBar: branch.neededBar },
  });
  if (!tank) return decision('consider', 'refrigerator-without-tank');
  if (drawnBar >= branch.neededBar) return decision('yes', 'refrigerator-enough');
  return fullBar >= branch.neededBar
    ? decision('consider', 'refrigerator-only-when-full')
    : decision('no', 'refrigerator-too-weak');
}
