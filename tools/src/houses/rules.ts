import {
  agedMembrane,
  closesWhenFull,
  divalentPassage,
  type Decision,
  elementRecovery,
  highestPressures,
  idleDrainLPerDay,
  isOverloaded,
  liveSampledDays,
  mostElementRecovery,
  openPorts,
  practiceLimits,
  productDose,
  pumpInletBar,
  remineralise,
  sequence,
  standingPh,
  supplyOf,
  unitMisfit,
} from '@katharos/core';
import type { ProposedHouse } from './proposeFor.ts';

/** A kind of absurd proposal; the first that shows is told. */
export interface Rule {
  kind: string;
  /** Whether what is proposed is absurd in this way. */
  isAbsurd: (house: ProposedHouse) => boolean;
}

const decisionOn = ({ decisions }: ProposedHouse, topic: Decision['topic']) =>
  decisions.find((decision) => decision.topic === topic);

/** Rules about a system that is really proposed: where nothing fits, the nearest is only shown to say why. */
const proposed = (kind: string, isAbsurd: Rule['isAbsurd']): Rule => ({
  kind,
  isAbsurd: (house) => !house.misfit && isAbsurd(house),
});

const isSmall = ({ brief }: ProposedHouse) =>
  brief.requirements.household.people <= 2 && brief.requirements.demandLPerDay <= 12;

export const rules: readonly Rule[] = [
  proposed('an element above its class’s recovery', ({ best: { design, warm } }) =>
    warm ? elementRecovery(design, warm.running) > mostElementRecovery(design) + 1e-9 : true,
  ),
  proposed('a design that never closes', ({ best: { design, today, worst }, brief }) => {
    const { waters } = brief.task;
    const all = [waters.today, waters.worst, waters.warm];
    return (
      all.some((water) => !closesWhenFull(design, water) || idleDrainLPerDay(design, water) > 0) ||
      [today, worst].some((assessed) => assessed?.fill?.shutsOff === false)
    );
  }),
  proposed('a pump that starves behind used filters', ({ best: { design, worst }, brief }) =>
    design.pump && worst
      ? pumpInletBar(design, brief.task.waters.worst, worst.running.feedFlowLPerH) <
        design.pump.minInletBar
      : false,
  ),
  proposed('a part under more pressure than it bears', ({ best, brief }) =>
    isOverloaded(highestPressures(best.design, brief.task.waters.warm)),
  ),
  proposed('a lamp in water that it cannot treat', (house) => {
    const { best, brief } = house;
    const { lamp, mineral } = best.design;
    if (!lamp || !best.today) return false;
    // Reckoned anew: what a membrane lets by of ions of two charges, and the bed ahead of the tank behind it.
    const { ironMgL, manganeseMgL } = brief.facts;
    const passage = divalentPassage(1 - best.today.rejection);
    const bed = mineral?.place === 'before-tank' ? remineralise(best.design, best.today) : null;
    return (
      (ironMgL ?? 0) * passage >= 0.05 ||
      (manganeseMgL ?? 0) * passage >= 0.05 ||
      (bed?.hardnessMgL ?? best.today.productHardnessMgL) >= 17 ||
      productDose(lamp, best.today.tapFullLPerMin * 60) < 40
    );
  }),
  {
    kind: 'an untested source called safe',
    isAbsurd: (house) => {
      const { source, safe } = house.document.survey;
      const own = source === 'well' || source === 'lake' || source === 'rain';
      return own && safe === 'unknown' && decisionOn(house, 'disinfection')?.choice === 'no';
    },
  },
  {
    kind: 'iron and the like called harmless unread',
    isAbsurd: (house) => {
      const { source } = house.document.survey;
      const own = source === 'well' || source === 'lake' || source === 'rain';
      const { ironMgL, manganeseMgL, sulfideMgL, turbidityNtu } = house.brief.facts;
      const unread = [ironMgL, manganeseMgL, sulfideMgL, turbidityNtu].includes(null);
      return own && unread && decisionOn(house, 'pretreatment')?.choice === 'no';
    },
  },
  proposed('a mineral bed over pH 9', ({ best: { design, today } }) => {
    if (!design.mineral || !today) return false;
    const stood = standingPh({
      tdsMgL: today.productTdsMgL,
      alkalinityMgL: today.productAlkalinityMgL,
      calciumMgL: today.productHardnessMgL,
      co2MgL: today.productCo2MgL,
      temperatureC: today.water.temperatureC,
    });
    return stood !== null && stood > practiceLimits.mostAlkalinePh;
  }),
  proposed(
    'minerals that nobody asked for',
    ({ best, brief }) => best.design.mineral !== null && brief.facts.mineralWish === null,
  ),
  proposed(
    'three membranes for a couple',
    (house) => isSmall(house) && house.best.design.elements >= 3,
  ),
  proposed(
    'a pump where there is no outlet',
    ({ best, document }) =>
      document.survey.outlet === 'none' && (best.design.pump !== null || best.design.lamp !== null),
  ),
  proposed('a system called sound that keeps its household waiting', ({ best, brief }) => {
    const { task, requirements } = brief;
    if (best.shortfalls.includes('keeps-waiting')) return false;
    const supply = supplyOf(best.design, task.waters.worst, agedMembrane);
    if (!supply.ok) return true;
    const { disappointingDays, sampled } = liveSampledDays(supply.value, requirements.household);
    return disappointingDays / sampled.days > requirements.mostWaitingDays;
  }),
  proposed('a unit that does not take its parts', ({ best }) => unitMisfit(best.design) !== null),
  {
    kind: 'a port without a tube, or with two',
    isAbsurd: ({ best, plumbing, brief: { settings } }) =>
      openPorts(best.design, {
        regulator: settings.regulatorBar !== null,
        leakStop: settings.leakStop,
        drain: plumbing.drain.way,
      }).length > 0,
  },
  {
    kind: 'a part in a size that nobody looked at, or without a name',
    isAbsurd: ({ plumbing, document }) =>
      plumbing.parts.some(({ name, key }) => name === key) ||
      (document.survey.site.supplyKind === undefined &&
        plumbing.parts.some(({ key }) => key === 'feed-adapter' || key === 'feed-adapter-narrow')),
  },
  proposed(
    'a step without what it needs, or a thing left closed',
    ({ best, plumbing, flush }) =>
      flush === null || sequence(best.design, plumbing.steps, flush).faults.length > 0,
  ),
  {
    kind: 'nothing fits, and no way out is told',
    isAbsurd: ({ misfit, recommendation, brief }) =>
      misfit && recommendation.ways.length === 0 && brief.task.waters.today.tdsMgL < 1500,
  },
  {
    kind: 'a sentence without its number',
    isAbsurd: ({ sentences }) =>
      sentences.some((sentence) => /NaN|undefined|Infinity/.test(sentence)),
  },
];
