import {
  agedMembrane,
  closesWhenFull,
  divalentPassage,
  type Decision,
  elementRecovery,
  highestPressures,
  idleDrainLPerDay,
  isOverloaded,
  judge,
  liveSampledDays,
  mostElementRecovery,
  openPorts,
  partsOf,
  practiceLimits,
  productDose,
  pumpInletBar,
  remineralise,
  sequence,
  standingPh,
  supplyOf,
  unitMisfit,
} from '@katharos/core';
import { starterCatalogue } from '@katharos/job';
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
  proposed('a loose vessel or housing over 8.6 bar', ({ best: { design }, brief }) => {
    // Read off the pump's own curve, at no flow, beside what its unit's sheet says; 125 psi where none does.
    const { pressureBar } = brief.task.waters.warm;
    const standing = design.pump?.pump.curve[0]?.boostBar ?? 0;
    const most = design.unit?.vesselBar ?? 8.6;
    const reached = Math.max(
      pressureBar,
      Math.min(pressureBar + standing, design.pump?.pump.bypassBar ?? Infinity),
    );
    return reached > most + 1e-9;
  }),
  proposed('a sound system over unsafe water without a lamp', ({ best, document }) => {
    const { safe } = document.survey;
    return safe === 'no' && best.design.lamp === null && best.shortfalls.length === 0;
  }),
  proposed('a strong pump where a weaker one is as sound', ({ best, brief }) => {
    const { pump, unit } = best.design;
    // What a tankless unit's maker built in is nobody's choice.
    if (!pump || unit?.holds.includes(pump.id) || best.shortfalls.length > 0) return false;
    return partsOf(starterCatalogue, 'pump')
      .filter(({ powerW }) => powerW < pump.powerW)
      .some(
        (weaker) =>
          judge({ ...best.design, pump: weaker }, brief.task.waters, brief.requirements).shortfalls
            .length === 0,
      );
  }),
  {
    kind: 'a usual water that wears an element in a year',
    isAbsurd: ({ best, brief }) =>
      // A feed that is far over saturation itself is no usual water.
      brief.task.waters.today.hardnessMgL <= 350 &&
      (best.warm?.scaling.wallLsi ?? 0) < 1.3 &&
      (best.cost?.membraneMonths ?? 36) < 18,
  },
  proposed('a sound system beyond the firm’s own limits', ({ best, brief }) => {
    if (!best.today || best.shortfalls.length > 0) return false;
    const { productTdsMgL, rejection } = best.today;
    return productTdsMgL > brief.requirements.productTdsMgL || rejection < 0.9;
  }),
  {
    kind: 'a branch that was refused and is plumbed all the same',
    isAbsurd: (house) => {
      const refused = decisionOn(house, 'refrigerator');
      if (refused?.topic !== 'refrigerator' || refused.choice !== 'no') return false;
      return house.best.design.branches.some(({ kind }) => kind === refused.data.kind);
    },
  },
  proposed('a permeate pump that never earns its price', ({ best, brief }) => {
    const { design } = best;
    if (!design.permeatePump || best.shortfalls.length > 0) return false;
    const plain = judge({ ...design, permeatePump: null }, brief.task.waters, brief.requirements);
    return plain.shortfalls.length === 0 && plain.fiveYearCost < best.fiveYearCost;
  }),
  proposed(
    'a permeate pump on less than 2 bar',
    ({ best, brief }) =>
      best.design.permeatePump !== null && brief.task.waters.worst.pressureBar < 2,
  ),
  proposed('a tank out of proportion to draw and day', ({ best: { design }, brief }) => {
    const { largestDrawL, demandLPerDay } = brief.requirements;
    return (
      design.tank !== null && design.tank.volumeL > Math.max(15, 6 * largestDrawL, demandLPerDay)
    );
  }),
  proposed('a tankless unit called sound where people wait', ({ best, brief }) => {
    if (best.design.tank !== null || best.shortfalls.length > 0) return false;
    const supply = supplyOf(best.design, brief.task.waters.worst, agedMembrane);
    if (!supply.ok) return true;
    const { disappointingDays, sampled } = liveSampledDays(
      supply.value,
      brief.requirements.household,
    );
    return disappointingDays / sampled.days > 0.05;
  }),
  {
    kind: 'a membrane called for where nothing asks for one',
    isAbsurd: ({ decisions, brief, document }) => {
      const { tdsMgL, hardnessMgL } = brief.task.waters.today;
      const asks = (document.survey.purposes ?? []).some(
        (purpose) => purpose !== 'taste' && purpose !== 'germs',
      );
      const needless = tdsMgL < 200 && hardnessMgL < 120 && !asks;
      const said = decisions.some(({ code }) => (code as string).startsWith('membrane-not-needed'));
      return needless && !said;
    },
  },
  {
    kind: 'what disinfects the mains, said of another source',
    isAbsurd: ({ document, papers }) =>
      ['well', 'lake', 'rain'].includes(document.survey.source) &&
      papers.some((paper) => /disinfects the mains/.test(paper)),
  },
  {
    kind: 'a hole of no size, or drilled where nothing may be drilled',
    isAbsurd: ({ document, sentences, plumbing }) =>
      sentences.some((sentence) => /\b0 mm\b|\b0 in\b/.test(sentence)) ||
      (document.survey.site.drilling === 'no' &&
        plumbing.steps.some(({ code }) => code.startsWith('drill-'))),
  },
  {
    kind: 'free chlorine asked for where there may be chloramine',
    isAbsurd: ({ document, flush, sentences }) =>
      document.survey.disinfectant === 'chloramine' &&
      (flush ?? []).some(({ ends }) => ends.some(({ kind }) => kind === 'strip')) &&
      !sentences.some((sentence) => /total chlorine/i.test(sentence)),
  },
  {
    kind: 'water of an untested source to drink without a word of germs',
    isAbsurd: ({ document, papers }) => {
      const { source, safe } = document.survey;
      const known = safe === 'yes' || (safe === 'unknown' && source === 'mains');
      return !known && papers.some((paper) => !/germs/i.test(paper));
    },
  },
  {
    kind: 'US papers with metres, litres, millimetres or bar',
    isAbsurd: ({ usPapers }) =>
      usPapers.some((paper) => /\d(\.\d+)? ?(m|cm|mm|L|mL|bar|°C|m³)(?![\w/²³·])/.test(paper)),
  },
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

/** Of 300 houses, how often each rule fired before what it holds was mended; those that are older than that count are not here. */
export const firedBefore: Readonly<Record<string, number>> = {
  'a loose vessel or housing over 8.6 bar': 23,
  'a sound system over unsafe water without a lamp': 8,
  'a strong pump where a weaker one is as sound': 21,
  'a usual water that wears an element in a year': 7,
  'a sound system beyond the firm’s own limits': 28,
  'a branch that was refused and is plumbed all the same': 5,
  'a permeate pump that never earns its price': 0,
  'a permeate pump on less than 2 bar': 54,
  'a tank out of proportion to draw and day': 42,
  'a tankless unit called sound where people wait': 19,
  'a membrane called for where nothing asks for one': 130,
  'what disinfects the mains, said of another source': 87,
  'a hole of no size, or drilled where nothing may be drilled': 12,
  'free chlorine asked for where there may be chloramine': 35,
  'water of an untested source to drink without a word of germs': 84,
  'US papers with metres, litres, millimetres or bar': 288,
};
