import { divalentPassage } from '../../membrane/divalentPassage.ts';
import { feedLimits, lifeMonths, practiceLimits, ultravioletLimits } from '../../base/practice.ts';
import { carbonLifeMonths } from '../../water/carbonLife.ts';
import type { Assessment } from '../../system/assessment.ts';
import type { Requirements } from '../requirements.ts';
import { scalesSoon } from '../scalesSoon.ts';
import type { SystemDesign } from '../../system/design.ts';
import { productTransmittance, ultravioletDose } from '../../ultraviolet/ultravioletDose.ts';
import { type DecisionOn, pretreatmentKeys, type SiteFacts } from './decision.ts';

/** Whether iron, manganese, hydrogen sulfide or turbidity ask for treatment ahead of the unit. */
export function decidePretreatment(facts: SiteFacts): DecisionOn<'pretreatment'> {
  const { ironMgL, manganeseMgL, sulfideMgL, turbidityNtu } = facts;
  const over = pretreatmentKeys.filter((key) => (facts[key] ?? 0) > feedLimits[key]);
  const read = pretreatmentKeys.filter((key) => facts[key] !== null);
  const decision = (
    choice: DecisionOn<'pretreatment'>['choice'],
    code: DecisionOn<'pretreatment'>['code'],
  ): DecisionOn<'pretreatment'> => ({
    topic: 'pretreatment',
    choice,
    code,
    data: {
      ironMgL: ironMgL ?? NaN,
      manganeseMgL: manganeseMgL ?? NaN,
      sulfideMgL: sulfideMgL ?? NaN,
      turbidityNtu: turbidityNtu ?? NaN,
      over,
    },
  });
  if (over.length > 0) return decision('yes', 'pretreatment-needed');
  return read.length > 0
    ? decision('no', 'pretreatment-not-needed')
    : decision('no', 'pretreatment-not-read');
}

/** Which carbon, and how long it lasts: what comes first, its capacity or the calendar. */
export function decideCarbon(
  { prefilters }: SystemDesign,
  { disinfectant }: SiteFacts,
  { demandLPerDay }: Requirements,
  today: Assessment | null,
): DecisionOn<'carbon'> {
  const feedLPerDay = demandLPerDay * (1 + (today?.drainLPerProductL ?? NaN));
  const capacities = prefilters.map((part) => part.disinfectantG);
  const catalytic = prefilters.some((part) => part.media === 'catalytic-carbon');
  const months = disinfectant ? carbonLifeMonths(capacities, disinfectant, feedLPerDay) : Infinity;
  const decision = (
    choice: DecisionOn<'carbon'>['choice'],
    code: DecisionOn<'carbon'>['code'],
  ): DecisionOn<'carbon'> => ({
    topic: 'carbon',
    choice,
    code,
    data: {
      residualMgL: disinfectant?.residualMgL ?? 0,
      assumed: disinfectant?.assumed ?? false,
      feedLPerDay,
      months,
      calendarMonths: lifeMonths.carbon,
    },
  });
  if (!disinfectant) return decision('no', 'carbon-for-taste');
  if (disinfectant.kind === 'chloramine') {
    return catalytic
      ? decision('yes', 'carbon-catalytic')
      : decision('consider', 'carbon-too-weak-for-chloramine');
  }
  return months < lifeMonths.carbon
    ? decision('yes', 'carbon-by-litres')
    : decision('yes', 'carbon-by-calendar');
}

/** Whether the concentrate scales. */
export function decideScaling(today: Assessment): DecisionOn<'scaling'> {
  const data = {
    hardnessMgL: today.water.hardnessMgL,
    lsi: today.concentrateLsi,
    recovery: today.running.recovery,
    hardMgL: practiceLimits.hardMgL,
  };
  if (scalesSoon(today)) {
    return { topic: 'scaling', choice: 'consider', code: 'scaling-soften-or-accept', data };
  }
  const code = today.concentrateLsi > 0 ? 'scaling-slow' : 'scaling-none';
  return { topic: 'scaling', choice: 'no', code, data };
}

/** Whether a lamp is needed, whether it can treat this product, and its dose at the tap's flow. */
export function decideDisinfection(
  facts: SiteFacts,
  { lamp }: SystemDesign,
  today: Assessment | null,
): DecisionOn<'disinfection'> {
  const flowLPerH = (today?.tapFullLPerMin ?? NaN) * 60;
  // What shades the light is held back like other ions of two charges.
  const passage = divalentPassage(today ? 1 - today.rejection : NaN);
  const product = {
    iron: (facts.ironMgL ?? 0) * passage,
    manganese: (facts.manganeseMgL ?? 0) * passage,
    hardness: today?.productHardnessMgL ?? NaN,
  };
  const transmittance = Math.max(facts.transmittance ?? 0, productTransmittance);
  const doseMjCm2 = lamp ? ultravioletDose(lamp, flowLPerH, transmittance) : NaN;
  const decision = (
    choice: DecisionOn<'disinfection'>['choice'],
    code: DecisionOn<'disinfection'>['code'],
  ): DecisionOn<'disinfection'> => ({
    topic: 'disinfection',
    choice,
    code,
    data: {
      doseMjCm2,
      neededMjCm2: ultravioletLimits.doseMjCm2,
      flowLPerH,
      hardnessMgL: product.hardness,
      transmittance,
    },
  });
  if (!facts.unsafe) return decision('no', lamp ? 'lamp-by-choice' : 'lamp-not-asked');
  if (!lamp) return decision('yes', facts.power ? 'lamp-left-out' : 'lamp-needs-outlet');
  const clear =
    product.iron < ultravioletLimits.ironMgL &&
    product.manganese < ultravioletLimits.manganeseMgL &&
    product.hardness < ultravioletLimits.hardnessMgL;
  if (!clear) return decision('consider', 'lamp-feed-not-clear');
  return doseMjCm2 >= ultravioletLimits.doseMjCm2
    ? decision('yes', 'lamp-needed')
    : decision('consider', 'lamp-dose-too-low');
}
