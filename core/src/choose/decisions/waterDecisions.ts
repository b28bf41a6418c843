import { type Part, partsOf } from '../../catalogue/parts.ts';
import { feedLimits, lifeMonths, practiceLimits, ultravioletLimits } from '../../base/practice.ts';
import { carbonLifeMonths } from '../../water/carbonLife.ts';
import type { Assessment } from '../../system/assessment.ts';
import { lampWaterOf } from '../../system/lampWater.ts';
import type { JudgedDesign } from '../judge.ts';
import type { Requirements } from '../requirements.ts';
import type { Scaling } from '../../system/scaling.ts';
import { membraneNeed } from './membraneNeed.ts';
import type { OwnershipCost } from '../ownershipCost.ts';
import type { FeedWater, SystemDesign } from '../../system/design.ts';
import { productTransmittance, agedDose } from '../../ultraviolet/ultravioletDose.ts';
import { type DecisionOn, pretreatmentKeys, type ScaleRemedy, type SiteFacts } from './decision.ts';

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

/** What ahead of the unit would spare early membranes, and after how long it has paid for itself. */
function remediesOf(
  catalogue: readonly Part[],
  feedLPerDay: number,
  perYearSaved: number,
): ScaleRemedy[] {
  return partsOf(catalogue, 'treatment').map(({ method, name, price, lastsL, refillPrice }) => {
    const perYear = ((365 * feedLPerDay) / lastsL) * refillPrice;
    const saves = perYearSaved - perYear;
    const paybackYears = saves > 0 ? price / saves : Infinity;
    return { method, name, price, lastsL, perYear, paybackYears };
  });
}

/** How much of a risk scale is to the element, as a band, and what would lower it: in the warmest water, at the wall. */
export function decideScaling(
  { wallLsi }: Pick<Scaling, 'wallLsi'>,
  warm: FeedWater,
  cost: OwnershipCost,
  design: SystemDesign,
  { demandLPerDay, inhibited = false }: Requirements,
  today: Assessment,
  catalogue: readonly Part[],
): DecisionOn<'scaling'> {
  const membranes = design.membrane.price * design.elements;
  const early = 12 / cost.membraneMonths - 12 / lifeMonths.membrane;
  const costOfEarly = 5 * membranes * Math.max(early, 0);
  const feedLPerDay = demandLPerDay * (1 + today.drainLPerProductL);
  const data = {
    hardnessMgL: warm.hardnessMgL,
    wallLsi,
    temperatureC: warm.temperatureC,
    risk: cost.scaleRisk,
    fromMonths: cost.scaleFromMonths,
    toMonths: cost.scaleToMonths,
    calendarMonths: lifeMonths.membrane,
    costOfEarly,
    remedies: remediesOf(catalogue, feedLPerDay, costOfEarly / 5),
  };
  const decision = (
    choice: DecisionOn<'scaling'>['choice'],
    code: DecisionOn<'scaling'>['code'],
  ): DecisionOn<'scaling'> => ({ topic: 'scaling', choice, code, data });
  if (inhibited) return decision('yes', 'scaling-inhibited');
  if (cost.scaleRisk === 'raised' || cost.scaleRisk === 'high')
    return decision('consider', 'scaling-soften-or-accept');
  return decision('no', cost.scaleRisk === 'low' ? 'scaling-slow' : 'scaling-none');
}

/** Whether anything asks for a membrane at all, and what does instead where nothing does. */
export function decideMembrane(
  { tdsMgL, hardnessMgL }: FeedWater,
  facts: SiteFacts,
): DecisionOn<'membrane'> {
  const need = membraneNeed(
    { tdsMgL, hardnessMgL },
    facts,
    facts.purposes ?? [],
    facts.tdsRead ?? false,
  );
  return {
    topic: 'membrane',
    choice: need.needed ? 'yes' : 'no',
    code: need.instead ? `membrane-not-needed-${need.instead}` : 'membrane-needed',
    data: { tdsMgL, hardnessMgL, fromTdsMgL: practiceLimits.membraneFromTdsMgL },
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
