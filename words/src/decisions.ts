import type {
  Decision,
  DecisionCode,
  DecisionData,
  PretreatmentKey,
  Shortfall,
  SurveyKey,
} from '@katharos/core';
import type { Reader } from './reader.ts';
import { branchNames } from './parts.ts';

/** Sentences for decisions. The core gives a code and numbers; the words, in the reader's units, are made here. */

const topics: Record<Decision['topic'], string> = {
  membrane: 'Membrane',
  regulator: 'Pressure regulator',
  'leak-stop': 'Leak stop',
  pretreatment: 'Pre-treatment',
  carbon: 'Carbon',
  booster: 'Booster pump',
  restrictor: 'Flow restrictor',
  scaling: 'Scale',
  'shut-off': 'Shut-off',
  minerals: 'Remineralisation',
  'post-filter': 'Post filter',
  disinfection: 'Ultraviolet',
  refrigerator: 'Branches',
};

export const topicTitle = (topic: Decision['topic']): string => topics[topic];
export const decisionTitle = (decision: Decision): string => topics[decision.topic];

/** What of the feed is over a membrane's limit, in words. */
const waterFaults: Record<PretreatmentKey, string> = {
  ironMgL: 'iron',
  manganeseMgL: 'manganese',
  sulfideMgL: 'hydrogen sulfide',
  turbidityNtu: 'turbidity',
};

/** Months as people say them. */
const months = (count: number, reader: Reader): string =>
  count >= 60
    ? 'more than five years'
    : count >= 24
      ? `${reader.number(count / 12, count % 12 === 0 ? 0 : 1)} years`
      : `${reader.number(count, count < 3 ? 1 : 0)} months`;

/** Chlorine or chloramine as read, or as taken for the lack of a reading. */
const residual = (
  { residualMgL, assumed }: DecisionData<'carbon-by-litres'>,
  reader: Reader,
): string =>
  `${reader.say('concentration', residualMgL, 1)}${assumed ? ' (assumed; a strip would tell)' : ''}`;

/** What the line can reach, and whether somebody read it. */
const highestSentence = (
  { highestSupplyBar, assumed }: DecisionData<'regulator-needed'>,
  reader: Reader,
): string =>
  assumed
    ? `The line may reach ${reader.say('pressure', highestSupplyBar)}; that is a guess from today’s pressure, and a gauge left on overnight would tell.`
    : `The line can reach ${reader.say('pressure', highestSupplyBar)}.`;

/** How much stronger the water at the wall is, where that is more than custom allows. */
const polarisationSentence = (
  { polarisation, mostPolarisation }: DecisionData<'restrictor-balanced'>,
  reader: Reader,
): string =>
  polarisation > mostPolarisation
    ? `At the wall it is ${reader.number(polarisation, 2)} times as strong as in the channel; custom holds plain elements to ${reader.number(mostPolarisation, 1)}. `
    : '';

/** What a meter will show behind a bed, beside the mass. */
const meterSentence = (
  { tdsBefore, tdsAfter, meterAfter }: DecisionData<'minerals-before-tank'>,
  reader: Reader,
): string =>
  `A meter will show ${reader.say('tds', meterAfter)} behind it instead of ${reader.say('tds', tdsBefore)} (NaCl scale; the true mass is ${reader.say('tds', tdsAfter)}).`;

const sentences: { [C in DecisionCode]: (d: DecisionData<C>, reader: Reader) => string } = {
  'booster-built-in': (d, reader) =>
    `A tankless unit makes water only while the tap is open and carries its own pump. From ${reader.say('pressure', d.supplyBar)} it would be far too slow without.`,
  'booster-not-needed': (d, reader) =>
    `${reader.say('pressure', d.supplyBar)} makes ${reader.say('dailyVolume', d.withoutLPerDay)} in the worst case, and ${reader.say('dailyVolume', d.neededLPerDay)} are asked for. A pump would add ${reader.say('dailyVolume', d.withLPerDay - d.withoutLPerDay)} that nobody drinks.`,
  'booster-permeate-pump': (d, reader) =>
    `${reader.say('pressure', d.supplyBar)} makes ${reader.say('dailyVolume', d.withoutLPerDay)} in the worst case, and ${reader.say('dailyVolume', d.neededLPerDay)} are asked for. A permeate pump, driven by the drain water and without power, keeps the tank’s pressure off the membrane: ${reader.number(d.drainPerProduct, 1)} parts to drain for one of product instead of ${reader.number(d.plainDrainPerProduct, 1)}. It clicks while it works and wears out in five to eight years.`,
  'booster-customary': (d, reader) =>
    `Custom boosts a supply below ${reader.say('pressure', d.lowSupplyBar)}; this one falls to ${reader.say('pressure', d.supplyBar)}. By the numbers it does without: ${reader.say('dailyVolume', d.withoutLPerDay)} in the worst case, where ${reader.say('dailyVolume', d.neededLPerDay)} are asked for. A pump would make it ${reader.say('dailyVolume', d.withLPerDay)} and fill the tank sooner.`,
  'booster-would-help': (d, reader) =>
    `At ${reader.say('pressure', d.supplyBar)} the worst case gives ${reader.say('dailyVolume', d.withoutLPerDay)} where ${reader.say('dailyVolume', d.neededLPerDay)} are asked for. With a pump it would be ${reader.say('dailyVolume', d.withLPerDay)}.`,
  'booster-needs-outlet': (d, reader) =>
    `The supply falls to ${reader.say('pressure', d.supplyBar)}; below ${reader.say('pressure', d.lowSupplyBar)} a pump is customary, and it needs an outlet that is always on. There is none. Without power the worst case gives ${reader.say('dailyVolume', d.withoutLPerDay)} where ${reader.say('dailyVolume', d.neededLPerDay)} are asked for${d.withLPerDay > d.withoutLPerDay ? `; that gives up ${reader.say('dailyVolume', d.withLPerDay - d.withoutLPerDay)} which a pump would make` : ''}. A licensed electrician may set an outlet.`,
  'booster-nothing-without': (d, reader) =>
    `${reader.say('pressure', d.supplyBar)} does not overcome this water’s osmotic pressure of ${reader.say('pressure', d.osmoticBar)} with a tank behind the membrane. Without a pump it makes nothing; with it, ${reader.say('dailyVolume', d.withLPerDay)}.`,
  'booster-shuts-off-only-with': (d, reader) =>
    `At ${reader.say('pressure', d.supplyBar)} production stalls before the shut-off valve can close, so the unit would run to drain day and night. With a pump the tank fills, and what closes the feed can close.`,
  'booster-too-little-without': (d, reader) =>
    `Without a pump the worst case gives ${reader.say('dailyVolume', d.withoutLPerDay)}, and ${reader.say('dailyVolume', d.neededLPerDay)} are asked for. With it: ${reader.say('dailyVolume', d.withLPerDay)} for ${d.powerW} W while it runs.`,
  'booster-low-supply': (d, reader) =>
    `The supply falls to ${reader.say('pressure', d.supplyBar)}, and custom boosts anything below ${reader.say('pressure', d.lowSupplyBar)}. By the numbers it would just do without: ${reader.say('dailyVolume', d.withoutLPerDay)} in the worst case, ${reader.say('dailyVolume', d.withLPerDay)} with, for ${d.powerW} W while it runs.`,
  'booster-saves-water': (d, reader) =>
    `It would run without (${reader.say('dailyVolume', d.withoutLPerDay)} in the worst case), but over five years the pump costs less than the drain water it saves.`,
  'booster-by-choice': (d, reader) =>
    `It would run without (${reader.say('dailyVolume', d.withoutLPerDay)} in the worst case, where ${reader.say('dailyVolume', d.neededLPerDay)} are asked for). The pump is a choice: ${reader.say('dailyVolume', d.withLPerDay)} and a tank that fills sooner, for ${d.powerW} W while it runs.`,
  'shut-off-by-the-tap': () => 'No tank to fill: the unit starts and stops with the tap.',
  'shut-off-never-closes': (d, reader) =>
    `The valve would close at ${reader.say('pressure', d.closesBar)} in the tank, but production stalls at ${reader.say('pressure', d.stallBar)}. It never shuts off and runs to drain for ever.`,
  'shut-off-nothing-closes': (d, reader) =>
    `The pump’s switch stops the pump at ${reader.say('pressure', d.closesBar)} in the tank, but not the water: the supply goes on through the stopped pump and out of the restrictor, ${reader.say('dailyVolume', d.idleDrainLPerDay, 0)} to drain with nobody drawing. Put a solenoid valve, wired with the pump, or a hydraulic shut-off into the feed.`,
  'shut-off-by-switch': (d, reader) =>
    `The pump’s switch stops production at ${reader.say('pressure', d.closesBar)} in the tank, ${reader.minutes(d.worstHours * 60)} after it was emptied in the worst case; the solenoid wired with the pump shuts the feed, for a stopped pump lets the supply through.`,
  'shut-off-by-valve': (d, reader) =>
    `The pump’s switch stops the pump at ${reader.say('pressure', d.closesBar)} in the tank, ${reader.minutes(d.worstHours * 60)} after it was emptied in the worst case; the hydraulic valve, which then feels the supply alone, shuts the feed.`,
  'shut-off-closes': (d, reader) =>
    `The valve closes at ${reader.say('pressure', d.closesBar)} in the tank, ${reader.minutes(d.worstHours * 60)} after it was emptied in the worst case, with ${reader.say('pressure', d.supplyBar)} on the line.`,
  'minerals-unknown': () => 'Nothing can be said while the system cannot run.',
  'minerals-not-asked': (d, reader) =>
    `Nobody asked for minerals, so none are proposed. The product’s pH will be about ${reader.number(d.productPh, 1)}, as carbon dioxide passes the membrane; that is no fault. A bed can be added for taste or for a higher pH.`,
  'minerals-would-overshoot': (d, reader) =>
    `Minerals were asked for, but water that stands in a calcite bed overnight would come out at pH ${reader.number(d.standingPh, 1)} here, above 9. None are proposed.`,
  'minerals-would-lift': (d, reader) =>
    `Minerals were asked for; the product’s pH is ${reader.number(d.productPh, 1)}. The catalogue or the layout holds no mineral cartridge for it.`,
  'minerals-not-needed': (d, reader) =>
    `The product’s pH of ${reader.number(d.productPh, 1)} is at or above the ${reader.number(d.leastPh, 1)} that was asked for; carbon dioxide is low in this feed.`,
  'minerals-add-nothing': () =>
    'This water is saturated with calcite already; a bed would add nothing.',
  'minerals-before-tank': (d, reader) =>
    `The product is acid (pH ${reader.number(d.productPh, 1)}), because carbon dioxide passes the membrane. Ahead of the tank the bed sees the slow production flow and works: pH ${reader.number(d.phAfter, 1)}, hardness ${reader.say('hardness', d.hardnessAfter)}. ${meterSentence(d, reader)} Behind the tank it would mostly not.`,
  'minerals-too-alkaline': (d, reader) =>
    `The bed brings the product from pH ${reader.number(d.productPh, 1)} to ${reader.number(d.phAfter, 1)}. ${meterSentence(d, reader)} Above pH 9 it may taste of soap: a smaller bed, or one behind the tank, gives less.`,
  'minerals-after-tank': (d, reader) =>
    `Behind the tank the bed sees the fast tap flow: pH ${reader.number(d.phAfter, 1)} while running, up to ${reader.number(d.standingPh, 1)} in water that stood in it overnight. ${meterSentence(d, reader)}`,
  'minerals-in-line': (d, reader) =>
    `The product is acid (pH ${reader.number(d.productPh, 1)}). A tankless unit pushes its whole flow through the bed at once, so it adds little: pH ${reader.number(d.phAfter, 1)}, up to ${reader.number(d.standingPh, 1)} in water that stood in it overnight. ${meterSentence(d, reader)}`,
  'membrane-needed': (d, reader) =>
    d.tdsMgL >= d.fromTdsMgL
      ? `Dissolved solids of ${reader.say('tds', d.tdsMgL)} ask for a membrane.`
      : 'Hardness, or what the system is bought for, asks for a membrane.',
  'membrane-not-needed-carbon': (d, reader) =>
    `${needlessSentence(d, reader)} Carbon alone does taste and chlorine, wastes no water and costs far less.`,
  'membrane-not-needed-carbon-and-lamp': (d, reader) =>
    `${needlessSentence(d, reader)} Carbon and a lamp do what is asked, and waste no water.`,
  'membrane-not-needed-lamp': (d, reader) =>
    `${needlessSentence(d, reader)} A lamp after clear water does what is asked, and wastes no water.`,
  'membrane-not-needed-nothing': (d, reader) =>
    `${needlessSentence(d, reader)} Nothing that was read or asked calls for a system.`,
  'regulator-needed': (d, reader) =>
    `${highestSentence(d, reader)} Above ${reader.say('pressure', d.highSupplyBar)} housings and fittings are at risk, and most housings end at ${reader.say('pressure', d.housingMostBar)}: fit a regulator.`,
  'regulator-two-schools': (d, reader) =>
    `${highestSentence(d, reader)} One school regulates only above ${reader.say('pressure', d.highSupplyBar)}; the stricter sets ${reader.say('pressure', d.strictSupplyBar)} as the most for plastic housings. Yours to choose; a limiting valve guards against spikes either way.`,
  'regulator-not-needed': (d, reader) =>
    `${highestSentence(d, reader)} That is within the ${reader.say('pressure', d.strictSupplyBar)} that both schools accept.`,
  'scaling-soften-or-accept': (d, reader) =>
    `${d.risk === 'high' ? 'High' : 'Raised'} risk of scale on the membrane. In the warmest water (${reader.say('temperature', d.temperatureC, 0)}) the saturation index at its wall is ${reader.number(d.wallLsi, 1)}, with ${reader.say('hardness', d.hardnessMgL)} of hardness. ${bandSentence(d, reader)} A larger restrictor lowers the recovery and the risk. ${remedySentences(d, reader)}`,
  'scaling-inhibited': (d, reader) =>
    `A scale inhibitor ahead of the unit keeps the hardness (${reader.say('hardness', d.hardnessMgL)}) in solution. Refill it on time.`,
  'scaling-slow': (d, reader) =>
    `Low risk of scale. In the warmest water (${reader.say('temperature', d.temperatureC, 0)}) the saturation index at the membrane’s wall is ${reader.number(d.wallLsi, 1)}: the usual ${months(d.calendarMonths, reader)} stay usual.`,
  'scaling-none': (d, reader) =>
    `No scale to expect: even in the warmest water (${reader.say('temperature', d.temperatureC, 0)}) the membrane’s wall stays below saturation (index ${reader.number(d.wallLsi, 1)}).`,
  'pretreatment-needed': (d) =>
    `The feed is over the limit of a membrane in ${d.over.map((key) => waterFaults[key]).join(' and ')}. No cartridge of the unit takes that out for long: treat the whole supply first (oxidation and filtration, or what the firm uses), or expect to change sediment and membrane early.`,
  'pretreatment-test-first': (d, reader) =>
    `Test it first: ${reader.list(d.unread.map((key) => waterFaults[key]))} ${d.unread.length === 1 ? 'was' : 'were'} not read, and this is no mains supply that somebody watches. A laboratory’s report says whether the whole supply is to be treated before a membrane is put on it.`,
  'pretreatment-not-needed': () =>
    'What was read of iron, manganese, hydrogen sulfide and turbidity lies within what a membrane bears.',
  'pretreatment-not-read': () =>
    'Iron, manganese, hydrogen sulfide and turbidity were not read. Mains are usually free of them.',
  'carbon-for-taste': (d, reader) =>
    `No disinfectant to take out. The carbon ahead of the membrane works for taste and is changed by the calendar, at ${d.calendarMonths} months; about ${reader.say('volume', d.feedLPerDay, 0)} of feed pass it a day.`,
  'carbon-catalytic': (d, reader) =>
    `Chloramine, ${residual(d, reader)}: catalytic carbon first. By its capacity it lasts ${months(d.months, reader)} for the ${reader.say('volume', d.feedLPerDay, 0)} of feed that this household runs through it a day, drain water included; the calendar says ${d.calendarMonths} months. The earlier of the two counts.`,
  'carbon-too-weak-for-chloramine': (d, reader) =>
    `Chloramine, ${residual(d, reader)}, and only carbon block ahead of the membrane: it would let it through after ${months(d.months, reader)}. Choose catalytic carbon.`,
  'carbon-by-litres': (d, reader) =>
    `Chlorine, ${residual(d, reader)}. For the ${reader.say('volume', d.feedLPerDay, 0)} of feed a day, drain water included, the carbon is spent after ${months(d.months, reader)}, before the calendar’s ${d.calendarMonths} months: change it then, or test for chlorine behind it.`,
  'carbon-by-calendar': (d, reader) =>
    `Chlorine, ${residual(d, reader)}. For the ${reader.say('volume', d.feedLPerDay, 0)} of feed a day, drain water included, the carbon would last ${months(d.months, reader)}; the calendar changes it at ${d.calendarMonths} months, before it clogs or grows germs.`,
  'restrictor-unknown': () => 'Nothing can be said while the system cannot run.',
  'restrictor-balanced': (d, reader) =>
    `In the warmest water at the highest pressure an element turns ${reader.percent(d.recovery)} of its feed into product, where its class bears ${reader.percent(d.mostRecovery)}; today ${reader.number(d.drainPerProduct, 1)} parts go to drain for one of product, a whole fill reckoned. ${polarisationSentence(d, reader)}A tighter one saves water and scales sooner, a wider one the other way.`,
  'restrictor-too-tight': (d, reader) =>
    `In the warmest water at the highest pressure an element turns ${reader.percent(d.recovery)} of its feed into product, more than the ${reader.percent(d.mostRecovery)} that its class bears: salt piles up at the membrane’s wall. ${polarisationSentence(d, reader)}Take a wider one.`,
  'restrictor-too-wide': (d, reader) =>
    `${reader.number(d.drainPerProduct, 1)} parts go to drain for one of product. A tighter one would save water.`,
  'leak-stop-fitted': () =>
    'Fitted: it costs little beside a wet floor. It stands dry and flat under the unit, the feed runs through it, and its pad is replaced after every wetting.',
  'leak-stop-left-out': () =>
    'Left out by choice. A burst fitting then runs until somebody sees it.',
  'post-filter-after-tank': () =>
    'Water that has stood in a tank tastes of rubber and air; a last carbon on the way to the tap takes that out. Changed once a year.',
  'post-filter-in-line': () =>
    'A last carbon in the product line for taste. It costs some of the tap’s flow.',
  'post-filter-missing': () =>
    'Water from a bladder tank without a last carbon tastes of the tank after standing.',
  'post-filter-left-out': () =>
    'No tank whose taste would have to be taken out; the line to the tap stays quicker without.',
  'refrigerator-without-tank': (d, reader) =>
    `${branchNames[d.kind]} opens its valve on ${reader.say('pressure', d.neededBar)}, and a tankless unit has no pressure standing by. Ask for a unit with a small tank, or leave the branch out.`,
  'refrigerator-enough': (d, reader) =>
    `${branchNames[d.kind]} wants ${reader.say('pressure', d.neededBar)} while it draws; ${reader.say('pressure', d.drawnBar)} reach it with the tank half drawn in the worst case. A filter of its own comes out: it would only cost pressure.`,
  'refrigerator-only-when-full': (d, reader) =>
    `${branchNames[d.kind]} wants ${reader.say('pressure', d.neededBar)}; ${reader.say('pressure', d.fullBar)} reach it from a full tank, but only ${reader.say('pressure', d.drawnBar)} from one half drawn. It will fill slowly, or stop, after a meal. Take a filter of its own out, lay a wider line, or put a delivery pump behind the tank; a booster ahead of the membrane would not help.`,
  'refrigerator-too-weak': (d, reader) =>
    `${branchNames[d.kind]} wants ${reader.say('pressure', d.neededBar)} and would never see more than ${reader.say('pressure', d.fullBar)}. It needs a delivery pump behind the tank; a booster ahead of the membrane does not push a tank’s water.`,
  'lamp-test-first': () =>
    'Test it first: a well, a lake or rain is not safe because nobody tested it. A laboratory’s test for germs decides whether a lamp is needed; until then this water is not to be drunk, with or without a membrane.',
  'lamp-behind-hard-bed': (d, reader) =>
    `The mineral bed ahead of the tank makes the product hard again: ${reader.say('hardness', d.hardnessMgL)} would reach the lamp and coat its sleeve. Put the bed behind the lamp, in the line to the tap, or leave it out.`,
  'lamp-by-choice': (d, reader) =>
    `The supply is not said to be unsafe; the lamp is a choice. At the end of its life it still gives ${reader.number(d.doseMjCm2, 0)} mJ/cm² at the highest flow of ${reader.say('tapFlow', d.flowLPerH / 60, 1)}.`,
  'lamp-left-out': () =>
    'The water is not safe as it comes, and there is no lamp in this system. A membrane is no disinfection barrier: do not hand it over for drinking without licensed treatment and a laboratory test.',
  'lamp-feed-not-clear': (d, reader) =>
    `The water is not safe as it comes, and what would reach the lamp is not clear enough for it: hardness ${reader.say('hardness', d.hardnessMgL)}, or iron or manganese over 0.05 mg/L. They coat its sleeve. Treat the feed first.`,
  'lamp-dose-too-low': (d, reader) =>
    `The water is not safe as it comes. At the highest flow of ${reader.say('tapFlow', d.flowLPerH / 60, 1)} this lamp gives ${reader.number(d.doseMjCm2, 0)} mJ/cm² at the end of its life, where ${reader.number(d.neededMjCm2, 0)} mJ/cm² are wanted. Hold the flow back or take a larger lamp.`,
  'lamp-not-asked': () =>
    'The supply is not said to be unsafe. A membrane is no disinfection barrier: if in doubt, have a laboratory test made.',
  'lamp-needed': (d, reader) =>
    `The water is not safe as it comes. A membrane is no disinfection barrier: the lamp treats the product with ${reader.number(d.doseMjCm2, 0)} mJ/cm² at the end of its life and the highest flow of ${reader.say('tapFlow', d.flowLPerH / 60, 1)} (${reader.number(d.neededMjCm2, 0)} mJ/cm² wanted), and a laboratory test must show that it does.`,
  'lamp-needs-outlet': () =>
    'The water is not safe as it comes and there is no outlet for a lamp. Do not hand this system over for drinking without licensed treatment and a laboratory test.',
};

/** That water this soft and this thin is made no better by a membrane. */
const needlessSentence = (
  { tdsMgL, hardnessMgL, fromTdsMgL }: DecisionData<'membrane-needed'>,
  reader: Reader,
): string =>
  `You need no membrane: dissolved solids are ${reader.say('tds', tdsMgL)}, under the ${reader.say('tds', fromTdsMgL)} where one begins to be worth it, hardness is ${reader.say('hardness', hardnessMgL)}, and nothing that you want out asks for one.`;

/** How long elements last in such water: a band, never a date. */
const bandSentence = (
  { fromMonths, toMonths }: Pick<DecisionData<'scaling-slow'>, 'fromMonths' | 'toMonths'>,
  reader: Reader,
): string =>
  `In such water membranes last ${reader.number(Math.max(Math.round(fromMonths / 3) * 3, 3), 0)} to ${months(Math.round(Math.min(toMonths, 48) / 3) * 3, reader)}; one system differs from the next by a factor of two.`;

/** What would lower the risk, with its price and when it has paid for itself. */
const remedySentences = (
  { remedies, costOfEarly }: Pick<DecisionData<'scaling-slow'>, 'remedies' | 'costOfEarly'>,
  reader: Reader,
): string =>
  [
    ...(costOfEarly > 0.5
      ? [`Early membranes cost about ${reader.money(costOfEarly)} in five years.`]
      : []),
    ...remedies.map(
      ({ name, price, perYear, paybackYears }) =>
        `${name}: ${reader.money(price)} and ${reader.money(perYear)} a year; ${paybackYears <= 10 ? `paid for in ${reader.number(paybackYears, 1)} years` : 'it does not pay for itself here'}.`,
    ),
  ].join(' ');

/** Where the chosen pump works on its curve; nothing where there is none. */
function pumpSentence(decision: Decision, reader: Reader): string {
  if (decision.topic !== 'booster' || Number.isNaN(decision.data.pumpFlowLPerH)) return '';
  const { tankless, cutoutBar, pumpFlowLPerH, pumpBoostBar, membraneBar } = decision.data;
  const stops = tankless ? '' : `; its switch stops it at ${reader.say('pressure', cutoutBar)}`;
  return `On its curve it works at ${reader.say('flow', pumpFlowLPerH)}, where it can add ${reader.say('pressure', pumpBoostBar)}: ${reader.say('pressure', membraneBar)} at the membrane${stops}.`;
}

/** A decision's reason in the reader's units. */
export function decisionSentence(decision: Decision, reader: Reader): string {
  // The table pairs each code with its own data, which the compiler cannot follow through a look-up by a code that is not yet known.
  const write = sentences[decision.code] as (data: Decision['data'], reader: Reader) => string;
  return [write(decision.data, reader), pumpSentence(decision, reader)].filter(Boolean).join(' ');
}

const choices: Record<Decision['choice'], string> = { yes: 'Yes', no: 'No', consider: 'Consider' };

/** The choice in a word; a shut-off that closes is no matter of wanting. */
export const decisionChoice = (decision: Decision): string =>
  decision.topic === 'shut-off'
    ? decision.choice === 'yes'
      ? 'Closes'
      : 'Never closes'
    : choices[decision.choice];

export const shortfallWords: Record<Shortfall, string> = {
  'needs-outlet': 'needs an outlet that is always on, and there is none',
  'needs-tank-room': 'needs room for a tank, and there is none',
  'cannot-run': 'cannot run at this pressure and strength',
  'pump-inlet-too-low': 'too little feed pressure for its pump',
  'unit-misfit': 'the unit does not take these parts',
  'pressure-too-high': 'more pressure than housing, vessel or element bears',
  'never-shuts-off': 'never shuts off and runs to drain',
  'too-little-water': 'too little water in the worst case',
  'tank-too-small': 'tank smaller than the largest draw',
  'tank-too-large': 'tank far larger than this household draws',
  'product-too-salty': 'does not surely meet the firm’s limits for rejection and product TDS',
  'too-much-drain': 'too much water to drain',
  'recovery-too-high': 'recovery too high for its elements in warm water',
  'tap-too-slow': 'tap too slow',
  'not-made-safe':
    'the supply is not safe and nothing treats it: a lamp on an outlet that is always on, or another source',
  'keeps-waiting': 'keeps the household waiting too often in the worst case',
};

/** What not having a reading means, for the list of what is still missing. */
export const missingWords: Record<SurveyKey, string> = {
  feedTds: 'decides the osmotic pressure and what a good product reading is',
  pressure: 'decides whether a pump is needed and whether the shut-off can close',
  temperature: 'cold water halves what a membrane makes',
  demand: 'decides the size of element and tank',
  coldest: 'decides January',
  warmest: 'decides recovery and scale in summer',
  lowestPressure: 'decides whether the shut-off still closes at the evening peak',
  highestPressure: 'decides the regulator',
  hardness: 'decides scale and softening',
  alkalinity: 'decides the product’s pH and the need for minerals',
  pH: 'decides the product’s pH and scale',
  largestDraw: 'decides the tank',
  lineLength: 'decides the seconds a glass',
  rise: 'decides the seconds a glass',
};
