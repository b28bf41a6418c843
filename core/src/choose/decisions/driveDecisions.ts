import { pumpBoost } from '../../hydraulics/pumpPressure.ts';
import { osmoticPressure } from '../../water/osmoticPressure.ts';
import type { Assessment } from '../../system/assessment.ts';
import { assess } from '../../system/assess.ts';
import { judge } from '../judge.ts';
import type { Recommendation } from '../recommend.ts';
import { practiceLimits } from '../../base/practice.ts';
import { type SizingWaters, agedMembrane, type SystemDesign } from '../../system/design.ts';
import type { Requirements } from '../requirements.ts';
import type { Decision, SiteFacts } from './decision.ts';

/** The same design without its pump, or with a pump; null if the catalogue holds none. */
function counterpart(design: SystemDesign, recommendation?: Recommendation): SystemDesign | null {
  if (design.pump) return { ...design, pump: null };
  const pump = recommendation?.families.find((f) => f.key === 'pumped-tank')?.best.design.pump;
  return pump ? { ...design, pump, shutoff: null, permeatePump: null } : null;
}

/** Whether a pump is wanted, with what the design makes with and without one. */
export function decideBooster(
  design: SystemDesign,
  waters: SizingWaters,
  requirements: Requirements,
  facts: SiteFacts,
  recommendation?: Recommendation,
): Decision {
  const other = counterpart(design, recommendation);
  const otherWorst = other ? assess(other, waters.worst, agedMembrane) : null;
  const ownWorst = assess(design, waters.worst, agedMembrane);
  const production = (given: typeof ownWorst | null) =>
    given?.ok ? given.value.productionLPerDay : 0;
  const [withPump, without] = design.pump ? [ownWorst, otherWorst] : [otherWorst, ownWorst];
  const data = {
    supplyBar: waters.worst.pressureBar,
    lowSupplyBar: practiceLimits.lowSupplyBar,
    osmoticBar: osmoticPressure(waters.worst.tdsMgL, waters.worst.temperatureC),
    withLPerDay: production(withPump),
    withoutLPerDay: production(without),
    neededLPerDay: requirements.demandLPerDay * requirements.productionMargin,
    powerW: design.pump?.powerW ?? 0,
    ...permeatePumpGain(design, waters),
    ...pumpPoint(design, ownWorst.ok ? ownWorst.value : null),
  };
  const cost = (any: SystemDesign) =>
    judge(any, waters, requirements, { trial: null }).fiveYearCost;
  const decision = (choice: Decision['choice'], code: string): Decision => ({
    topic: 'booster',
    choice,
    code,
    data,
  });
  if (!design.tank) return decision('yes', 'booster-built-in');
  if (!design.pump) {
    if (without?.ok && data.withoutLPerDay >= data.neededLPerDay) {
      if (design.permeatePump) return decision('no', 'booster-permeate-pump');
      return data.supplyBar < practiceLimits.lowSupplyBar
        ? decision('consider', 'booster-customary')
        : decision('no', 'booster-not-needed');
    }
    return decision('consider', facts.power ? 'booster-would-help' : 'booster-needs-outlet');
  }
  if (!without?.ok) return decision('yes', 'booster-nothing-without');
  if (without.value.fill?.shutsOff === false) return decision('yes', 'booster-shuts-off-only-with');
  if (data.withoutLPerDay < data.neededLPerDay)
    return decision('yes', 'booster-too-little-without');
  if (data.supplyBar < practiceLimits.lowSupplyBar) return decision('yes', 'booster-low-supply');
  const saves = other && cost(other) > cost(design);
  return decision('yes', saves ? 'booster-saves-water' : 'booster-by-choice');
}

/** Where a pump works on its curve in the worst case: flow through it, what it adds there, and its cut-out. */
function pumpPoint(design: SystemDesign, worst: Assessment | null): Record<string, number> {
  if (!design.pump || !worst) return {};
  const { feedFlowLPerH } = worst.running;
  return {
    pumpFlowLPerH: feedFlowLPerH,
    pumpBoostBar: pumpBoost(design.pump.pump.curve, feedFlowLPerH),
    membraneBar: worst.running.membranePressureBar,
    cutoutBar: design.pump.cutoutBar,
    ...(design.tank ? {} : { tankless: 1 }),
  };
}

/** Drain water with and without the design's permeate pump, L per L of product today; nothing where it has none. */
function permeatePumpGain(design: SystemDesign, { today }: SizingWaters): Record<string, number> {
  if (!design.permeatePump) return {};
  const drain = (any: SystemDesign) => {
    const assessed = assess(any, today);
    return assessed.ok ? assessed.value.drainLPerProductL : NaN;
  };
  return {
    drainPerProduct: drain(design),
    plainDrainPerProduct: drain({ ...design, permeatePump: null }),
  };
}

/** Whether, when and how production stops. */
export function decideShutOff(
  design: SystemDesign,
  today: Assessment,
  worst: Assessment,
  waters: SizingWaters,
): Decision {
  const data: Record<string, number> = { supplyBar: waters.worst.pressureBar };
  if (!today.fill || !worst.fill) {
    return { topic: 'shut-off', choice: 'yes', code: 'shut-off-by-the-tap', data };
  }
  data.closesBar = worst.fill.shutoffPressureBar;
  if (!worst.fill.shutsOff) {
    data.stallBar = worst.fill.stallPressureBar;
    return { topic: 'shut-off', choice: 'no', code: 'shut-off-never-closes', data };
  }
  data.worstHours = worst.fill.fillTimeMin / 60;
  return {
    topic: 'shut-off',
    choice: 'yes',
    code: design.pump ? 'shut-off-by-switch' : 'shut-off-closes',
    data,
  };
}

/** Whether the supply has to be held down: two schools draw the line at different pressures. */
export function decideRegulator(highestSupplyBar: number): Decision {
  const { highSupplyBar, strictSupplyBar } = practiceLimits;
  const data = { highestSupplyBar, highSupplyBar, strictSupplyBar };
  if (highestSupplyBar > highSupplyBar) {
    return { topic: 'regulator', choice: 'yes', code: 'regulator-needed', data };
  }
  if (highestSupplyBar > strictSupplyBar) {
    return { topic: 'regulator', choice: 'consider', code: 'regulator-two-schools', data };
  }
  return { topic: 'regulator', choice: 'no', code: 'regulator-not-needed', data };
}
