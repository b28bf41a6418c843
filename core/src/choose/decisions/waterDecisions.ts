import { feedLimits, lifeMonths, ultravioletLimits } from '../../base/practice.ts';
import { carbonLifeMonths } from '../../water/carbonLife.ts';
import type { Assessment } from '../../system/assessment.ts';
import { lampWaterOf } from '../../system/lampWater.ts';
import type { JudgedDesign } from '../judge.ts';
import type { Requirements } from '../requirements.ts';
import { type Scaling, scalesSoon } from '../../system/scaling.ts';
import type { FeedWater, SystemDesign } from '../../system/design.ts';
import { productTransmittance, agedDose } from '../../ultraviolet/ultravioletDose.ts';
import { type DecisionOn, pretreatmentKeys, type SiteFacts } from './decision.ts';

/** Whether iron, manganese, hydrogen sulfide or turbidity ask for treatment ahead of the unit. */
export function decidePretreatment(facts: SiteFacts): DecisionOn<'pretreatment'> {
  const { ironMgL, manganeseMgL, sulfideMgL, turbidityNtu } = facts;
  const over = pretreatmentKeys.filter((key) => (facts[key] ?? 0) > feedLimits[key]);
  const unread = pretreatmentKeys.filter((key) => facts[key] === null);
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
      unread,
    },
  });
  if (over.length > 0) return decision('yes', 'pretreatment-needed');
  if (facts.ownSource && unread.length > 0) return decision('consider', 'pretreatment-test-first');
  return unread.length < pretreatmentKeys.length
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

/** Whether calcite grows on the element: in the warmest water, at the wall. */
export function decideScaling(
  { wallLsi, mgPerProductL, ...rest }: Scaling,
  warm: FeedWater,
  membraneMonths: number,
): DecisionOn<'scaling'> {
  const data = {
    hardnessMgL: warm.hardnessMgL,
    wallLsi,
    mgPerProductL,
    temperatureC: warm.temperatureC,
    membraneMonths,
    calendarMonths: lifeMonths.membrane,
  };
  if (scalesSoon({ wallLsi, mgPerProductL, ...rest }, warm)) {
    return { topic: 'scaling', choice: 'consider', code: 'scaling-soften-or-accept', data };
  }
  return {
    topic: 'scaling',
    choice: 'no',
    code: wallLsi > 0 ? 'scaling-slow' : 'scaling-none',
    data,
  };
}

/**
 * Whether a lamp is needed, whether it can treat what reaches it, and its dose at the highest flow when it has aged. A bed in the line to
 * the tap stands behind the lamp; one ahead of the tank hardens what the lamp sees.
 */
export function decideDisinfection(
  facts: SiteFacts,
  design: SystemDesign,
  { today, warm }: Pick<JudgedDesign, 'today' | 'warm'>,
): DecisionOn<'disinfection'> {
  const { lamp } = design;
  const directLPerMin = design.tank || !warm ? 0 : warm.running.permeateFlowLPerH / 60;
  const flowLPerH = Math.max(today?.tapFullLPerMin ?? NaN, directLPerMin) * 60;
  const product = today && lampWaterOf(design, today, facts);
  const transmittance = Math.max(facts.transmittance ?? 0, productTransmittance);
  const doseMjCm2 = lamp ? agedDose(lamp, flowLPerH, transmittance) : NaN;
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
      hardnessMgL: product?.hardnessMgL ?? NaN,
      transmittance,
    },
  });
  const enough = doseMjCm2 >= ultravioletLimits.doseMjCm2;
  const asked = lamp !== null || facts.microbiology === 'unsafe';
  if (asked && product && !product.fits && (lamp || facts.power))
    return decision('consider', product.hardened ? 'lamp-behind-hard-bed' : 'lamp-feed-not-clear');
  if (facts.microbiology === 'untested') return decision('consider', 'lamp-test-first');
  if (facts.microbiology === 'safe')
    return decision('no', lamp ? 'lamp-by-choice' : 'lamp-not-asked');
  if (!lamp) return decision('yes', facts.power ? 'lamp-left-out' : 'lamp-needs-outlet');
  return enough ? decision('yes', 'lamp-needed') : decision('consider', 'lamp-dose-too-low');
}
