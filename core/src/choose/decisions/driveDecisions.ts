import { pumpBoost } from '../../hydraulics/pumpPressure.ts';
import { osmoticPressure } from '../../water/osmoticPressure.ts';
import type { Assessment } from '../../system/assessment.ts';
import { assess } from '../../system/assess.ts';
import { judge } from '../judge.ts';
import type { Recommendation } from '../recommend.ts';
import { practiceLimits, usualStrength } from '../../base/practice.ts';
import { feedCloser, idleDrainLPerDay } from '../../system/closing.ts';
import { type SizingWaters, agedMembrane, type SystemDesign } from '../../system/design.ts';
import type { Requirements } from '../requirements.ts';
import type { DecisionOn, SiteFacts } from './decision.ts';

/** The same design without its pump, or with a pump; null if the catalogue holds none. */
function counterpart(design: SystemDesign, recommendation?: Recommendation): SystemDesign | null {
  if (design.pump) return { ...design, pump: null, solenoid: null };
  const pumped = recommendation?.families.find((f) => f.key === 'pumped-tank')?.best.design;
  if (!pumped) return null;
  const { pump, solenoid, shutoff } = pumped;
  return { ...design, pump, solenoid, shutoff, permeatePump: null };
}

/** Whether a pump is wanted, with what the design makes with and without one. */
export function decideBooster(
  design: SystemDesign,
  waters: SizingWaters,
  requirements: Requirements,
  facts: SiteFacts,
  recommendation?: Recommendation,
): DecisionOn<'booster'> {
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
  const decision = (
    choice: DecisionOn<'booster'>['choice'],
    code: DecisionOn<'booster'>['code'],
  ): DecisionOn<'booster'> => ({
    topic: 'booster',
    choice,
    code,
    data,
  });
  if (!design.tank) return decision('yes', 'booster-built-in');
  if (!design.pump) {
    const boosted = data.supplyBar < practiceLimits.lowSupplyBar;
    if (boosted && !facts.power) return decision('consider', 'booster-needs-outlet');
    if (without?.ok && data.withoutLPerDay >= data.neededLPerDay) {
      if (design.permeatePump) return decision('no', 'booster-permeate-pump');
      return boosted
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

type BoosterData = DecisionOn<'booster'>['data'];

/** Where a pump works on its curve in the worst case: flow through it, what it adds there, and its cut-out. */
function pumpPoint(
  design: SystemDesign,
  worst: Assessment | null,
): Pick<BoosterData, 'pumpFlowLPerH' | 'pumpBoostBar' | 'membraneBar' | 'cutoutBar' | 'tankless'> {
  const tankless = design.tank === null;
  if (!design.pump || !worst)
    return { pumpFlowLPerH: NaN, pumpBoostBar: NaN, membraneBar: NaN, cutoutBar: NaN, tankless };
  const { feedFlowLPerH, membranePressureBar } = worst.running;
  return {
    pumpFlowLPerH: feedFlowLPerH,
    pumpBoostBar: pumpBoost(design.pump.pump.curve, feedFlowLPerH),
    membraneBar: membranePressureBar,
    cutoutBar: design.pump.cutoutBar,
    tankless,
  };
}

/** Drain water with and without the design's permeate pump, L per L of product today. */
function permeatePumpGain(
  design: SystemDesign,
  { today }: SizingWaters,
): Pick<BoosterData, 'drainPerProduct' | 'plainDrainPerProduct'> {
  if (!design.permeatePump) return { drainPerProduct: NaN, plainDrainPerProduct: NaN };
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
): DecisionOn<'shut-off'> {
  const { fill } = worst;
  const data = {
    supplyBar: waters.worst.pressureBar,
    closesBar: fill?.shutoffPressureBar ?? NaN,
    stallBar: fill && !fill.shutsOff ? fill.stallPressureBar : NaN,
    worstHours: fill?.shutsOff ? fill.fillTimeMin / 60 : NaN,
    idleDrainLPerDay: Math.max(
      ...[waters.today, waters.worst, waters.warm].map((water) => idleDrainLPerDay(design, water)),
    ),
  };
  const decision = (
    choice: DecisionOn<'shut-off'>['choice'],
    code: DecisionOn<'shut-off'>['code'],
  ): DecisionOn<'shut-off'> => ({ topic: 'shut-off', choice, code, data });
  if (!today.fill || !fill) return decision('yes', 'shut-off-by-the-tap');
  if (!fill.shutsOff) return decision('no', 'shut-off-never-closes');
  if (data.idleDrainLPerDay > 0) return decision('no', 'shut-off-nothing-closes');
  if (!design.pump) return decision('yes', 'shut-off-closes');
  return decision(
    'yes',
    feedCloser(design) === 'valve' ? 'shut-off-by-valve' : 'shut-off-by-switch',
  );
}

/** Whether the supply has to be held down: two schools draw the line at different pressures. */
export function decideRegulator(
  highestSupplyBar: number,
  assumed = false,
): DecisionOn<'regulator'> {
  const { highSupplyBar, strictSupplyBar } = practiceLimits;
  const data = {
    highestSupplyBar,
    assumed,
    highSupplyBar,
    strictSupplyBar,
    housingMostBar: usualStrength.housingBar,
  };
  if (highestSupplyBar > highSupplyBar) {
    return { topic: 'regulator', choice: 'yes', code: 'regulator-needed', data };
  }
  if (highestSupplyBar > strictSupplyBar) {
    return { topic: 'regulator', choice: 'consider', code: 'regulator-two-schools', data };
  }
  return { topic: 'regulator', choice: 'no', code: 'regulator-not-needed', data };
}
