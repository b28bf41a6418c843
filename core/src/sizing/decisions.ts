import { osmoticPressure } from '../water/osmoticPressure.ts';
import { assess, type Assessment } from './assess.ts';
import { judge, type JudgedDesign } from './judge.ts';
import type { Recommendation } from './recommend.ts';
import { practiceLimits, type Requirements, type SizingWaters } from './requirements.ts';
import { agedMembrane, type SystemDesign } from './systemDesign.ts';

/** One choice made for the person, with the numbers it rests on. The sentence is made by the contract's word list. */
export interface Decision {
  topic: 'booster' | 'regulator' | 'minerals' | 'shut-off' | 'scaling' | 'disinfection';
  choice: 'yes' | 'no' | 'consider';
  code: string;
  data: Readonly<Record<string, number | string>>;
}

/** What is known of the site that a decision needs. */
export interface SiteFacts {
  highestSupplyBar: number;
  unsafe: boolean;
  power: boolean;
}

/** All explicit decisions about a judged design. */
export function decide(
  judged: JudgedDesign,
  waters: SizingWaters,
  requirements: Requirements,
  facts: SiteFacts,
  recommendation?: Recommendation,
): Decision[] {
  const { design, today, worst } = judged;
  const list = [decideBooster(design, waters, requirements, facts, recommendation)];
  if (today && worst) list.push(decideShutOff(design, today, worst, waters));
  list.push(decideMinerals(design, today, requirements));
  list.push(decideRegulator(facts.highestSupplyBar));
  if (today) list.push(decideScaling(today));
  list.push(decideDisinfection(facts, design));
  return list;
}

/** The same design without its pump, or with a pump; null if the catalogue holds none. */
function counterpart(design: SystemDesign, recommendation?: Recommendation): SystemDesign | null {
  if (design.pump) return { ...design, pump: null };
  const pump = recommendation?.families.find((f) => f.key === 'pumped-tank')?.best.design.pump;
  return pump ? { ...design, pump, shutoff: null } : null;
}

function decideBooster(
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
  };
  const cost = (any: SystemDesign) => judge(any, waters, requirements).fiveYearCost;
  const decision = (choice: Decision['choice'], code: string): Decision => ({
    topic: 'booster',
    choice,
    code,
    data,
  });
  if (!design.tank) return decision('yes', 'booster-built-in');
  if (!design.pump) {
    if (without?.ok && data.withoutLPerDay >= data.neededLPerDay) {
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

function decideShutOff(
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

function decideMinerals(
  design: SystemDesign,
  today: Assessment | null,
  requirements: Requirements,
): Decision {
  const data = {
    productPh: today?.productPh ?? NaN,
    leastPh: requirements.leastProductPh,
    tdsBefore: today?.productTdsMgL ?? NaN,
    phAfter: today?.minerals?.pH ?? NaN,
    tdsAfter: today?.minerals?.tdsMgL ?? NaN,
    hardnessAfter: today?.minerals?.hardnessMgL ?? NaN,
  };
  const decision = (choice: Decision['choice'], code: string): Decision => ({
    topic: 'minerals',
    choice,
    code,
    data,
  });
  if (!today) return decision('consider', 'minerals-unknown');
  if (!design.mineral) {
    return today.productPh < requirements.leastProductPh
      ? decision('consider', 'minerals-would-lift')
      : decision('no', 'minerals-not-needed');
  }
  if (!today.minerals) return decision('no', 'minerals-add-nothing');
  if (!design.tank) return decision('yes', 'minerals-in-line');
  const before = design.mineral.place === 'before-tank';
  return decision('yes', before ? 'minerals-before-tank' : 'minerals-after-tank');
}

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

export function decideScaling(today: Assessment): Decision {
  const data = {
    hardnessMgL: today.water.hardnessMgL,
    lsi: today.concentrateLsi,
    recovery: today.running.recovery,
    hardMgL: practiceLimits.hardMgL,
  };
  if (today.concentrateLsi > 0.5 && today.water.hardnessMgL > practiceLimits.hardMgL) {
    return { topic: 'scaling', choice: 'consider', code: 'scaling-soften-or-accept', data };
  }
  const code = today.concentrateLsi > 0 ? 'scaling-slow' : 'scaling-none';
  return { topic: 'scaling', choice: 'no', code, data };
}

function decideDisinfection(facts: SiteFacts, design: SystemDesign): Decision {
  const data = {};
  if (!facts.unsafe) return { topic: 'disinfection', choice: 'no', code: 'lamp-not-asked', data };
  const code = design.lamp ? 'lamp-needed' : 'lamp-needs-outlet';
  return { topic: 'disinfection', choice: 'yes', code, data };
}
