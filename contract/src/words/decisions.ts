import type { Decision, Shortfall, SurveyKey } from '@katharos/core';
import { type Say, writeMinutes, writeNumber, writePercent } from './amounts.ts';

/** Sentences for decisions. The core gives a code and numbers; the words, in the reader's units, are made here. */

const topics: Record<Decision['topic'], string> = {
  booster: 'Booster pump',
  'shut-off': 'Shut-off',
  minerals: 'Remineralisation',
  regulator: 'Pressure regulator',
  scaling: 'Scale',
  disinfection: 'Ultraviolet',
};

export const decisionTitle = (decision: Decision): string => topics[decision.topic];

type Sentence = (n: (key: string) => number, say: Say) => string;

const sentences: Record<string, Sentence> = {
  'booster-built-in': (n, say) =>
    `A tankless unit makes water only while the tap is open and carries its own pump. From ${say('pressure', n('supplyBar'))} it would be far too slow without.`,
  'booster-not-needed': (n, say) =>
    `${say('pressure', n('supplyBar'))} makes ${say('dailyVolume', n('withoutLPerDay'))} in the worst case, and ${say('dailyVolume', n('neededLPerDay'))} are asked for. A pump would add ${say('dailyVolume', n('withLPerDay') - n('withoutLPerDay'))} that nobody drinks.`,
  'booster-customary': (n, say) =>
    `Custom boosts a supply below ${say('pressure', n('lowSupplyBar'))}; this one falls to ${say('pressure', n('supplyBar'))}. By the numbers it does without: ${say('dailyVolume', n('withoutLPerDay'))} in the worst case, where ${say('dailyVolume', n('neededLPerDay'))} are asked for. A pump would make it ${say('dailyVolume', n('withLPerDay'))} and fill the tank sooner.`,
  'booster-would-help': (n, say) =>
    `At ${say('pressure', n('supplyBar'))} the worst case gives ${say('dailyVolume', n('withoutLPerDay'))} where ${say('dailyVolume', n('neededLPerDay'))} are asked for. With a pump it would be ${say('dailyVolume', n('withLPerDay'))}.`,
  'booster-needs-outlet': (n, say) =>
    `At ${say('pressure', n('supplyBar'))} the worst case gives ${say('dailyVolume', n('withoutLPerDay'))} where ${say('dailyVolume', n('neededLPerDay'))} are asked for, and there is no outlet for a pump. A licensed electrician can add one.`,
  'booster-nothing-without': (n, say) =>
    `${say('pressure', n('supplyBar'))} does not overcome this water’s osmotic pressure of ${say('pressure', n('osmoticBar'))} with a tank behind the membrane. Without a pump it makes nothing; with it, ${say('dailyVolume', n('withLPerDay'))}.`,
  'booster-shuts-off-only-with': (n, say) =>
    `At ${say('pressure', n('supplyBar'))} production stalls before the shut-off valve can close, so the unit would run to drain day and night. The pump’s switch stops it.`,
  'booster-too-little-without': (n, say) =>
    `Without a pump the worst case gives ${say('dailyVolume', n('withoutLPerDay'))}, and ${say('dailyVolume', n('neededLPerDay'))} are asked for. With it: ${say('dailyVolume', n('withLPerDay'))} for ${n('powerW')} W while it runs.`,
  'booster-low-supply': (n, say) =>
    `The supply falls to ${say('pressure', n('supplyBar'))}, and custom boosts anything below ${say('pressure', n('lowSupplyBar'))}. By the numbers it would just do without: ${say('dailyVolume', n('withoutLPerDay'))} in the worst case, ${say('dailyVolume', n('withLPerDay'))} with, for ${n('powerW')} W while it runs.`,
  'booster-saves-water': (n, say) =>
    `It would run without (${say('dailyVolume', n('withoutLPerDay'))} in the worst case), but over five years the pump costs less than the drain water it saves.`,
  'booster-by-choice': (n, say) =>
    `It would run without (${say('dailyVolume', n('withoutLPerDay'))} in the worst case, where ${say('dailyVolume', n('neededLPerDay'))} are asked for). The pump is a choice: ${say('dailyVolume', n('withLPerDay'))} and a tank that fills sooner, for ${n('powerW')} W while it runs.`,
  'shut-off-by-the-tap': () => 'No tank to fill: the unit starts and stops with the tap.',
  'shut-off-never-closes': (n, say) =>
    `The valve would close at ${say('pressure', n('closesBar'))} in the tank, but production stalls at ${say('pressure', n('stallBar'))}. It never shuts off and runs to drain for ever.`,
  'shut-off-by-switch': (n, say) =>
    `The pump’s switch stops production at ${say('pressure', n('closesBar'))} in the tank, ${writeMinutes(n('worstHours') * 60)} after it was emptied in the worst case.`,
  'shut-off-closes': (n, say) =>
    `The valve closes at ${say('pressure', n('closesBar'))} in the tank, ${writeMinutes(n('worstHours') * 60)} after it was emptied in the worst case, with ${say('pressure', n('supplyBar'))} on the line.`,
  'minerals-unknown': () => 'Nothing can be said while the system cannot run.',
  'minerals-would-lift': (n) =>
    `The product’s pH of ${writeNumber(n('productPh'), 1)} lies below ${writeNumber(n('leastPh'), 1)}: flat to the taste. The catalogue or the layout holds no mineral cartridge for it.`,
  'minerals-not-needed': (n) =>
    `The product’s pH of ${writeNumber(n('productPh'), 1)} is at or above ${writeNumber(n('leastPh'), 1)}; carbon dioxide is low in this feed.`,
  'minerals-add-nothing': () =>
    'This water is saturated with calcite already; a bed would add nothing.',
  'minerals-before-tank': (n, say) =>
    `The product is acid (pH ${writeNumber(n('productPh'), 1)}), because carbon dioxide passes the membrane. Ahead of the tank the bed sees the slow production flow and works: pH ${writeNumber(n('phAfter'), 1)}, TDS from ${say('tds', n('tdsBefore'))} up to ${say('tds', n('tdsAfter'))}, hardness ${say('hardness', n('hardnessAfter'))}. Behind the tank it would mostly not.`,
  'minerals-after-tank': (n, say) =>
    `Behind the tank the bed sees the fast tap flow: pH ${writeNumber(n('phAfter'), 1)}, TDS ${say('tds', n('tdsAfter'))} while running; water that stands in it overnight comes out stronger.`,
  'minerals-in-line': (n, say) =>
    `The product is acid (pH ${writeNumber(n('productPh'), 1)}). A tankless unit pushes its whole flow through the bed at once, so it adds little: pH ${writeNumber(n('phAfter'), 1)}, TDS from ${say('tds', n('tdsBefore'))} up to ${say('tds', n('tdsAfter'))}. Water that stood in it overnight comes out stronger.`,
  'regulator-needed': (n, say) =>
    `The line can reach ${say('pressure', n('highestSupplyBar'))}. Above ${say('pressure', n('highSupplyBar'))} housings and fittings are at risk: fit a regulator.`,
  'regulator-two-schools': (n, say) =>
    `The line can reach ${say('pressure', n('highestSupplyBar'))}. One school regulates only above ${say('pressure', n('highSupplyBar'))}; the stricter sets ${say('pressure', n('strictSupplyBar'))} as the most for plastic housings. Yours to choose; a limiting valve guards against spikes either way.`,
  'regulator-not-needed': (n, say) =>
    `The highest pressure, ${say('pressure', n('highestSupplyBar'))}, is within what both schools accept (${say('pressure', n('strictSupplyBar'))}).`,
  'scaling-soften-or-accept': (n, say) =>
    `At ${writePercent(n('recovery'))} recovery the concentrate’s saturation index is ${writeNumber(n('lsi'), 1)} with ${say('hardness', n('hardnessMgL'))} of hardness. Soften the feed, or choose a larger restrictor, or accept an early membrane.`,
  'scaling-slow': (n) =>
    `The concentrate’s saturation index is ${writeNumber(n('lsi'), 1)}: some scale in time, slowed by the flow past the membrane.`,
  'scaling-none': (n) =>
    `The concentrate stays below saturation (index ${writeNumber(n('lsi'), 1)}).`,
  'lamp-not-asked': () =>
    'The supply is not said to be unsafe. A membrane is no disinfection barrier: if in doubt, have a laboratory test made.',
  'lamp-needed': () =>
    'The water is not safe as it comes. A membrane is no disinfection barrier: the lamp treats the product, and a laboratory test must show that it does.',
  'lamp-needs-outlet': () =>
    'The water is not safe as it comes and there is no outlet for a lamp. Do not hand this system over for drinking without licensed treatment and a laboratory test.',
};

/** Every decision code that has a sentence; a test holds the core to it. */
export const decisionCodes = Object.keys(sentences);

/** A decision's reason in the reader's units. */
export function decisionSentence(decision: Decision, say: Say): string {
  const sentence = sentences[decision.code];
  if (!sentence) throw new Error(`no sentence for the decision ${decision.code}`);
  return sentence((key) => Number(decision.data[key]), say);
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
  'cannot-run': 'cannot run at this pressure and strength',
  'pump-inlet-too-low': 'too little pressure at the pump’s inlet',
  'never-shuts-off': 'never shuts off and runs to drain',
  'too-little-water': 'too little water in the worst case',
  'tank-too-small': 'tank smaller than the largest draw',
  'product-too-salty': 'product TDS above the target',
  'too-much-drain': 'too much water to drain',
  'recovery-too-high': 'recovery too high for one element',
  'tap-too-slow': 'tap too slow',
  'keeps-waiting': 'keeps the household waiting too often in the worst case',
};

/** What not having a reading means, for the list of what is still missing. */
export const missingWords: Record<SurveyKey, string> = {
  feedTds: 'decides the osmotic pressure and what a good product reading is',
  pressure: 'decides whether a pump is needed and whether the shut-off can close',
  temperature: 'cold water halves what a membrane makes',
  demand: 'decides the size of element and tank',
  coldest: 'decides January',
  lowestPressure: 'decides whether the shut-off still closes at the evening peak',
  highestPressure: 'decides the regulator',
  hardness: 'decides scale and softening',
  alkalinity: 'decides the product’s pH and the need for minerals',
  pH: 'decides the product’s pH and scale',
  largestDraw: 'decides the tank',
  lineLength: 'decides the seconds a glass',
  rise: 'decides the seconds a glass',
};
