import { dayIn, type Issue, type Issued, issuedOf } from './issue.ts';
import {
  assess,
  decideMembrane,
  scaleRiskOf,
  agedMembrane,
  hardnessClass,
  type Assessment,
  isAddedLamp,
  isPurposeIon,
  judge,
  isUltravioletLine,
  lampAt,
  litresPerGallon,
  newMembrane,
  type Part,
  type SurveyKey,
  type SystemDesign,
  type UltravioletLine,
  ultravioletLimits,
  yearOfWater,
} from '@katharos/core';
import {
  type FirmSettings,
  usualPrices,
  briefOf,
  isKnown,
  type JobBrief,
  optionsOf,
  type JobDocument,
  plumbingOf,
  lampFeedOf,
  supplyOf,
} from '@katharos/job';
import {
  branchNames,
  codesCaveat,
  decisionSentence,
  meterCaveat,
  purposeList,
  purposeNames,
  purposeNote,
  readerOf,
  type Reader,
  shortfallWords,
  supplySentences,
} from '@katharos/words';

/** A proposal for the customer: one content, set as a page in the browser and as a PDF on the server. */
export interface Proposal {
  number: number;
  firm: string;
  customer: string;
  address: string;
  title: string;
  /** In plain words, a paragraph each. */
  found: string[];
  proposed: string[];
  /** What it does, as label and figure. */
  figures: [label: string, value: string][];
  /** What was decided against the usual, with the reason. */
  decided: string[];
  prices: PriceLine[];
  totals: { net: string; tax: string; taxLabel: string; gross: string };
  /** Parts without a price in the catalogue. */
  unpriced: string[];
  caveats: string[];
  agreed: string | null;
  /** Where the customer signs. */
  signature: string;
  /** Null on a draft. */
  issued: Issued | null;
  paper: FirmSettings['paper'];
}

export interface PriceLine {
  name: string;
  quantity: string;
  price: string;
}

export interface ProposalSource {
  number: number;
  document: JobDocument;
  catalogue: readonly Part[];
  firm: { name: string; settings: FirmSettings };
  /** Absent on a draft. */
  issue?: Issue;
}

/** Makes the proposal of a job; nothing while no system is chosen, or the survey contradicts itself. */
export function proposalOf({
  number,
  document,
  catalogue,
  firm,
  issue,
}: ProposalSource): Proposal | undefined {
  const { system, customer } = document;
  if (!system) return undefined;
  const { settings } = firm;
  const brief = briefOf(document.survey, catalogue, {
    standards: settings.standards,
    overruled: optionsOf(document.size.overruled),
  });
  if (!brief.ok) return undefined;
  const reader = readerOf(settings);
  const priced = pricesOf(document, brief.value, settings, reader);
  const { design } = system;
  const lit = isUltravioletLine(design);
  return {
    number,
    firm: firm.name,
    customer: customer.name,
    address: customer.address,
    title: isAddedLamp(design)
      ? 'An ultraviolet lamp for the system you have'
      : lit
        ? 'A drinking line with ultraviolet light'
        : 'A reverse osmosis system for your kitchen',
    found: foundIn(brief.value, document, reader),
    ...(lit
      ? ultravioletWords(document, design, brief.value, reader)
      : membraneWords(design, brief.value, reader, settings)),
    decided: Object.values(document.size.overruled).map(({ reason, by }) => `${reason} (${by})`),
    ...priced,
    caveats: [lit ? lampCaveat : meterCaveat, codesCaveat],
    agreed: system.agreed
      ? `Agreed on ${dayIn(system.agreed.at, issue?.timeZone ?? 'UTC')}, noted by ${system.agreed.by}.`
      : null,
    signature: 'Place, date, signature',
    issued: issuedOf(issue, reader),
    paper: settings.paper,
  };
}

const lampCaveat =
  'A lamp treats germs only; it takes nothing dissolved out of the water. A laboratory test after installation is part of the work.';

/** Readings that a proposal tells its reader, in words of theirs. */
const toldReadings = {
  feedTds: 'the dissolved solids',
  hardness: 'the hardness',
  pressure: 'the pressure',
  temperature: 'the temperature',
  demand: 'what you use in a day',
  largestDraw: 'the largest draw',
} as const satisfies Partial<Record<SurveyKey, string>>;

/** What was found at the tap, for someone who has never heard of dissolved solids. */
function foundIn(brief: JobBrief, document: JobDocument, reader: Reader): string[] {
  const { today, worst } = brief.task.waters;
  const { values } = brief.survey;
  const hard = hardnessClass(today.hardnessMgL).replace('-', ' ');
  const sentences = [
    `Your water carries ${reader.say('tds', values.feedTds)} of dissolved solids and is ${hard} (${reader.say('hardness', values.hardness)}). It arrives with ${reader.say('pressure', values.pressure)} at ${reader.say('temperature', values.temperature)}; in the coldest weeks we reckon with ${reader.say('temperature', worst.temperatureC)} and ${reader.say('pressure', worst.pressureBar)}.`,
    `You use about ${reader.say('volume', brief.requirements.demandLPerDay, 0)} of drinking water a day, the largest draw being ${reader.say('volume', brief.requirements.largestDrawL)}.`,
  ];
  sentences.push(...supplySentences(supplyOf(document.survey)));
  if (brief.facts.disinfectant)
    sentences.push(
      document.survey.disinfectant === 'unknown'
        ? 'It may carry chlorine or chloramine, which have to be taken out before the membrane. We test for both.'
        : `It is treated with ${brief.facts.disinfectant.kind}, which has to be taken out before the membrane.`,
    );
  const { purposes = [] } = document.survey;
  if (purposes.length > 0)
    sentences.push(
      `You want it for: ${purposeList(purposes, reader)}.`,
      ...purposes
        .filter((purpose) => isPurposeIon(purpose) || purpose === 'germs')
        .map((purpose) => `${purposeNames[purpose]}: ${purposeNote(purpose, reader)}`),
    );
  const usual = (Object.keys(toldReadings) as (keyof typeof toldReadings)[]).filter(
    (key) => !isKnown(document.survey, key),
  );
  if (usual.length > 0)
    sentences.push(
      `Not measured at your tap yet, but taken as is usual: ${reader.list(usual.map((key) => toldReadings[key]))}. What we propose may change with it.`,
    );
  return sentences;
}

function ultravioletWords(
  { survey }: JobDocument,
  design: UltravioletLine,
  { task }: JobBrief,
  reader: Reader,
): Pick<Proposal, 'proposed' | 'figures'> {
  if (!isAddedLamp(design))
    return {
      proposed: [
        'Two cartridges clear the water, and a lamp treats it on its way to a tap of its own. It keeps all its minerals and makes no waste water.',
      ],
      figures: [],
    };
  const { today } = task.waters;
  const feed = lampFeedOf(survey, today.hardnessMgL);
  const { existing } = feed;
  return {
    proposed: [
      'The system that is there stays as it is. A lamp goes into its product line, on the way to the tap you know; it needs a socket that stays on.',
    ],
    figures: existing
      ? [
          ['Flow at your tap, measured', reader.say('flow', existing.flowLPerMin * 60)],
          ['Dissolved solids in its product, measured', reader.say('tds', existing.tdsMgL)],
          [
            'Light for that flow',
            `${reader.number(lampAt(design, existing.flowLPerMin, today, feed).doseMjCm2, 0)} mJ/cm², ${ultravioletLimits.doseMjCm2} are wanted`,
          ],
        ]
      : [],
  };
}

function membraneWords(
  design: SystemDesign,
  brief: JobBrief,
  reader: Reader,
  { units }: FirmSettings,
): Pick<Proposal, 'proposed' | 'figures'> {
  const { waters } = brief.task;
  const [today, worst] = [
    assess(design, waters.today, newMembrane),
    assess(design, waters.worst, agedMembrane),
  ];
  const proposed = [
    ...needless(brief, reader),
    ...shortOf(design, brief, reader),
    `A membrane holds back nearly everything that is dissolved in the water. ${design.prefilters.length} cartridges ahead of it protect it from silt${brief.facts.disinfectant ? ` and from ${brief.facts.disinfectant.kind}` : ''}.`,
    design.tank
      ? `A pressure tank of ${reader.say('volume', design.tank.volumeL, 0)} under the sink keeps water ready for a tap of its own.`
      : 'It makes water while the tap is open and needs no tank.',
  ];
  if (design.pump)
    proposed.push('A small pump lifts the pressure; it needs a socket that stays on.');
  if (design.permeatePump)
    proposed.push(
      'A pump driven by the drain water, without electricity, saves a good part of the drain water.',
    );
  if (design.mineral)
    proposed.push(
      'A mineral cartridge gives some hardness back, so that the water does not taste flat.',
    );
  if (design.lamp) proposed.push('An ultraviolet lamp treats what leaves the membrane.');
  for (const { kind } of design.branches)
    proposed.push(`${branchNames[kind]} is fed by a branch of its own.`);
  if (brief.settings.regulatorBar !== null)
    proposed.push(
      `A regulator holds the pressure at ${reader.say('pressure', brief.settings.regulatorBar)} and so protects housings and fittings at night.`,
    );
  if (brief.settings.leakStop)
    proposed.push('A leak stop closes the water if the floor under the unit gets wet.');
  if (design.kit) proposed.push(`Warranty of the kit: ${design.kit.warranty}`);
  if (today.ok) proposed.push(...scaleSentences(design, today.value, brief, reader));
  if (!today.ok) return { proposed, figures: [] };
  return {
    proposed,
    figures: figuresOf(today.value, worst.ok ? worst.value : null, brief, reader, units),
  };
}

/** That nothing asks for a membrane, where that is so: it is said before one is sold. */
function needless({ task, facts }: JobBrief, reader: Reader): string[] {
  const decision = decideMembrane(task.waters.today, facts);
  return decision.code === 'membrane-needed' ? [] : [decisionSentence(decision, reader)];
}

/** What a chosen system falls short of: nobody buys it without being told. */
function shortOf(design: SystemDesign, brief: JobBrief, reader: Reader): string[] {
  const { shortfalls } = judge(design, brief.task.waters, brief.requirements);
  return shortfalls.length > 0
    ? [
        `This system does not meet everything that is asked of it: ${reader.list(shortfalls.map((shortfall) => shortfallWords[shortfall]))}.`,
      ]
    : [];
}

/** The risk of scale as a risk, with what lowers it; nothing where it is low. */
function scaleSentences(
  design: SystemDesign,
  today: Assessment,
  { requirements, settings }: JobBrief,
  reader: Reader,
): string[] {
  if (settings.softener || settings.inhibitor) return [];
  const { risk, fromMonths, toMonths } = scaleRiskOf(design, today, requirements.demandLPerDay);
  if (risk !== 'raised' && risk !== 'high') return [];
  const [from, to] = [
    Math.max(Math.round(fromMonths / 3) * 3, 3),
    Math.min(Math.round(toMonths / 3) * 3, 48),
  ];
  return [
    `Your water is hard, and scale is a ${risk} risk for the membrane: in such water membranes last ${reader.number(from, 0)} to ${reader.number(to, 0)} months, and one system differs from the next by a factor of two. A softener or a scale inhibitor ahead of the unit lowers the risk; we measure the membrane at every visit.`,
  ];
}

function figuresOf(
  today: Assessment,
  worst: Assessment | null,
  brief: JobBrief,
  reader: Reader,
  units: FirmSettings['units'],
): [string, string][] {
  const { demandLPerDay } = brief.requirements;
  const { drainM3: yearM3 } = yearOfWater(demandLPerDay, [], today.drainLPerProductL);
  const drain =
    units === 'us'
      ? `${reader.number((yearM3 * 1000) / litresPerGallon, 0)} gal`
      : `${reader.number(yearM3, 1)} m³`;
  return [
    ['Water it can make, today', reader.say('dailyVolume', today.productionLPerDay, 0)],
    [
      'Water it can make, coldest weeks, worn membrane',
      worst ? reader.say('dailyVolume', worst.productionLPerDay, 0) : '–',
    ],
    [
      'Dissolved solids left',
      `${reader.say('tds', today.productTdsMgL)} of ${reader.say('tds', today.water.tdsMgL)}`,
    ],
    ['Held back', reader.percent(today.rejection, 0)],
    ['A glass', `${reader.number(today.secondsPerGlass, 0)} seconds`],
    ...(today.fill
      ? [
          [
            'To refill an empty tank',
            today.fill.shutsOff ? reader.minutes(today.fill.fillTimeMin) : 'never',
          ] satisfies [string, string],
        ]
      : []),
    ['Water to drain in a year', drain],
  ];
}

function pricesOf(
  document: JobDocument,
  brief: JobBrief,
  settings: FirmSettings,
  reader: Reader,
): Pick<Proposal, 'prices' | 'totals' | 'unpriced'> {
  const { parts: lines } = plumbingOf(document, document.system!.design, brief);
  const { money } = reader;
  const { installationPrice, taxShare } = { ...usualPrices, ...definedPrices(settings) };
  const net = lines.reduce((sum, line) => sum + (line.price ?? 0), installationPrice);
  return {
    prices: [
      ...lines.map(({ name, quantity, inKit, unit, price }) => ({
        name,
        quantity: reader.pieces(quantity, unit),
        price: price === null ? 'on request' : inKit >= quantity ? 'in the kit' : money(price, 2),
      })),
      {
        name: 'Installation, flushing, verification and handing over',
        quantity: '1',
        price: money(installationPrice, 2),
      },
    ],
    totals: {
      net: money(net, 2),
      taxLabel: `Tax, ${reader.percent(taxShare, taxShare * 100 === Math.round(taxShare * 100) ? 0 : 1)}`,
      tax: money(net * taxShare, 2),
      gross: money(net * (1 + taxShare), 2),
    },
    unpriced: lines.filter(({ price }) => price === null).map(({ name }) => name),
  };
}

const definedPrices = ({ installationPrice, taxShare }: FirmSettings) => ({
  ...(installationPrice === undefined ? {} : { installationPrice }),
  ...(taxShare === undefined ? {} : { taxShare }),
});
