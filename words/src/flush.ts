import type {
  BranchKind,
  EndCriterion,
  Fines,
  FlushData,
  FlushHand,
  FlushStep,
  FlushStepCode,
  LeakState,
} from '@katharos/core';
import { disinfectionWords } from './disinfection.ts';
import { branchPlaces } from './parts.ts';
import type { Reader } from './reader.ts';

/** A flush step in words: what it is called, what to do, what to watch for, and what proves it done. */
export interface FlushWords {
  title: string;
  instruction: string;
  caution: string | null;
  proof: string;
}

const tubeWords = (label: number | null): string =>
  label === null ? 'The tube out of the last housing' : `Tube ${label}, out of the last housing`;

const leakWords: Record<LeakState, FlushWords> = {
  filling: {
    title: 'Leak check: filled',
    instruction:
      'Dry every joint that has water with a tissue, then run the tissue round each again: the feed line with all that stands in it, housings or cartridges.',
    caution: 'Do not tighten a housing under pressure.',
    proof: 'The tissue stays dry.',
  },
  pressurised: {
    title: 'Leak check: under pressure',
    instruction:
      'Close the tap: everything is now under the pressure that it will see. A dry tissue round every joint, from the feed valve to the tap and to wherever else water goes.',
    caution: 'Do not tighten anything under pressure: close the feed first.',
    proof: 'The tissue stays dry, and the tap is closed.',
  },
  'tank-full': {
    title: 'Leak check: tank full',
    instruction:
      'A dry tissue round the tank’s valve and all joints of the product line, and a look at the drain.',
    caution: null,
    proof: 'The tissue stays dry, and the drain has stopped.',
  },
};

/** How a branch is opened when all else is flushed. */
const branchOpening: Record<BranchKind, (litres: string, bins: number) => string> = {
  refrigerator: (litres) =>
    `Open its valve slowly. Run ${litres} through the refrigerator’s own outlet and throw them away.`,
  'ice-maker': (_litres, bins) =>
    `Open its valve slowly. The first ${bins} bins of ice are thrown away.`,
  'second-tap': (litres) =>
    `Open its valve slowly. Run ${litres} from the second tap, until it runs without air; then close it.`,
  machine: (litres) =>
    `Open its valve slowly, see that its own drain is there, and let it take and empty ${litres}.`,
};

const finesWords: Record<Fines, string> = {
  'post-carbon': 'The first of it is grey from the new post filter.',
  mineral: 'The mineral cartridge is new: the first of it is milky.',
};

/** What else is seen while the product line runs for the first time. */
const besides = ({ fines, airGap }: FlushData['membrane-rinse']): string =>
  [
    ...fines.map((one) => finesWords[one]),
    ...(airGap ? ['The tap’s vent gurgles and stays dry.'] : []),
  ]
    .map((sentence) => ` ${sentence}`)
    .join('');

const writers: {
  [C in FlushStepCode]: (d: FlushData[C], reader: Reader, minutes: number) => FlushWords;
} = {
  'reopen-house': (d) => ({
    title: 'Water on in the house again',
    instruction: `Feed valve of the unit closed. Open the house’s cold stop valve${d.hotSide ? ', and the hot one that was closed with it' : ''}, first a quarter turn, then fully. Run a dry tissue round the new joint.`,
    caution: 'Stay at the stop valve. Close it at the first drip.',
    proof: 'The kitchen’s cold tap runs, and the new joint is dry under the house’s pressure.',
  }),
  'take-tube-off': (d) => ({
    title: 'Tube behind the pre-filters off',
    instruction: `${tubeWords(d.label)}: press its collet, draw it out of what follows, and hang its end into a bucket.`,
    caution: 'What the new cartridges shed must reach nothing that comes behind them.',
    proof: 'Its end hangs in the bucket; the membrane’s vessel is still empty.',
  }),
  'sanitise-dose': (d, reader) => disinfectionWords('sanitise-dose', d, reader),
  'sanitise-fill': (d, reader) => disinfectionWords('sanitise-fill', d, reader),
  'sanitise-contact': (d, reader) => disinfectionWords('sanitise-contact', d, reader),
  'sanitise-rinse': (d, reader) => disinfectionWords('sanitise-rinse', d, reader),
  'fit-cartridges': (d) => ({
    title: 'Cartridges in',
    instruction: `Put the ${d.cartridges} cartridges in, in the order of the water: each on its seat, O-ring clean and greased in its groove, housing hand tight and a snug turn.`,
    caution: 'Clean gloves. The feed is still closed.',
    proof: 'Every housing sits straight.',
  }),
  'night-rest': (d, reader, minutes) => ({
    title: 'Let the tank stand overnight',
    instruction: `Tap closed, everything else as it is, about ${reader.minutes(minutes)}: what is left in the membrane comes out and leaves with this tank.`,
    caution: 'None of this water is drunk.',
    proof: 'The night is over.',
  }),
  'crack-feed-open': () => ({
    title: 'Crack the feed open',
    instruction:
      'Open the feed valve a quarter turn, wait until the unit has filled, then open it fully.',
    caution: 'Stay at the valve. Close it at the first drip.',
    proof: 'The hiss has stopped and nothing drips.',
  }),
  'leak-check': (d) => leakWords[d.state],
  'prefilter-flush': (d) => ({
    title:
      d.first === d.cartridges && d.cartridges < 2
        ? 'Flush the pre-filter'
        : d.first === d.cartridges
          ? 'Flush the pre-filters'
          : `Flush cartridge ${d.first} of ${d.cartridges}`,
    instruction:
      d.first === d.cartridges
        ? `Run ${d.cartridges < 2 ? 'the cartridge' : `all ${d.cartridges} cartridges`} into the bucket until clear. Black or grey water at first is carbon dust.`
        : `Only the first ${d.first === 1 ? 'cartridge is' : `${d.first} cartridges are`} in, the housings behind empty: into the bucket until clear. Then close the feed, put the next one in, and open again.`,
    caution: 'Mind the bucket: it is full sooner than one thinks.',
    proof: 'The water in a white cup is clear.',
  }),
  'auto-flush': (d) => ({
    title: 'The unit’s own flush',
    instruction: `Plugged in, the unit rinses its ${d.cartridges} sealed cartridges and its membrane to the drain by itself. Wait until it has stopped.`,
    caution: 'None of this water is drunk.',
    proof: 'The drain has run and has stopped by itself.',
  }),
  'close-feed': () => ({
    title: 'Close the feed',
    instruction: 'Close the feed valve fully. Prove it: nothing runs into the bucket any more.',
    caution: null,
    proof: 'The tube over the bucket stays dry for a minute.',
  }),
  'put-tube-on': (d) => ({
    title: 'Tube back on',
    instruction: `${tubeWords(d.label)}: square and clean, in to the mark, past the first stop, clip on.`,
    caution: 'The feed is still closed.',
    proof: 'A tug does not move it.',
  }),
  'set-regulator': (d, reader) => ({
    title: 'Read the regulator',
    instruction: `Gauge behind the regulator, with water running and then at rest: ${reader.say('pressure', d.bar)}. Turn its screw until it is.`,
    caution: null,
    proof: 'The gauge shows it, running and at rest.',
  }),
  'open-feed': (d) => ({
    title: 'Open the feed to the membrane',
    instruction: `${d.tank ? 'Tank valve closed, tap open' : 'Tap open'}: open the feed valve a quarter turn, wait, then fully.`,
    caution: 'Stay at the valve. Close it at the first drip.',
    proof: 'Air leaves at the tap, and nothing drips at vessel and tubes.',
  }),
  'plug-in': (d) => ({
    title: d.tankless ? 'Plug the unit in' : 'Plug the pump in',
    instruction: d.tankless
      ? 'Dry hands. Plug in; with the tap open the pump starts and draws its air out.'
      : 'Dry hands. Plug in with water at its inlet and the tap open: it hums deeper once its air is out.',
    caution: 'Only on an outlet with ground-fault protection, with a drip loop in the cord.',
    proof: 'It runs evenly, and the stream at tap or drain grows.',
  }),
  'line-flush': (d, reader) => ({
    title: 'Run the line clear',
    instruction: `Lamp unplugged, tap open: run the ${d.cartridges} cartridges and the reactor until clear, about ${reader.say('volume', d.litres)}. Black or grey water at first is carbon dust.`,
    caution: 'None of this water is drunk: the lamp is not lit yet.',
    proof: 'The water in a white cup is clear.',
  }),
  'reopen-existing': (d) => ({
    title: 'Open the system again',
    instruction: d.tank
      ? 'Tap closed: open the valve on the tank a quarter turn, wait, then fully; then the feed valve.'
      : 'Tap closed: open the feed valve a quarter turn, wait, then fully; plug its pump in.',
    caution: 'Stay at the valve. Close it at the first drip. The lamp is still unplugged.',
    proof: 'Unions and reactor are dry.',
  }),
  'lamp-fill': (d, reader) => ({
    title: 'Fill the reactor',
    instruction: `Lamp unplugged, tap open, until the stream runs without air: about ${reader.say('volume', d.litres)}.`,
    caution: 'None of this water is drunk: the lamp is not lit yet.',
    proof: 'The stream is steady and no bubble is heard in the reactor.',
  }),
  'mesh-check': (d, reader) => ({
    title: 'Compare the flow',
    instruction: `Measure the flow by jug and stopwatch; before the lamp it was ${reader.say('flow', d.flowLPerH)}. Much less means that swarf lies on the mesh at the reactor’s inlet: shut off, take the tube off, rinse the mesh backwards, and fill again.`,
    caution: null,
    proof: 'The flow is near what it was.',
  }),
  'fit-membrane': (d) => ({
    title: d.elements > 1 ? 'Fit the membranes' : 'Fit the membrane',
    instruction:
      'Feed closed. Brine seal at the feed end, push home until the two O-rings are felt to seat, cap hand tight and a quarter turn more, its tube back on.',
    caution: 'Clean hands or gloves; touch the ends only.',
    proof: 'The cap is home and its tube does not pull out.',
  }),
  'membrane-rinse': (d, reader) => ({
    title: 'Rinse the membrane',
    instruction: `Tap open, tank valve closed. Air first, then drops, then a thin stream: about ${reader.say('volume', d.litres)} in this time.${besides(d)}`,
    caution: 'None of this water is drunk.',
    proof: 'Water runs from the tap and from the drain line.',
  }),
  'close-tap-open-tank': () => ({
    title: 'Open the tank',
    instruction: 'Tap closed: open the valve on the tank.',
    caution: null,
    proof: 'The tank’s line fills; the drain runs.',
  }),
  'tank-fill': (d, reader, minutes) => ({
    title: d.kept ? 'Fill the tank to keep' : `Tank fill ${d.cycle} of ${d.cycles}`,
    instruction: `The tank takes ${reader.say('volume', d.litres)} in about ${reader.minutes(minutes)} at today’s water, and ${reader.say('volume', d.drainLitres)} go to drain. Nobody has to stand by.`,
    caution: d.kept
      ? 'It is for drinking once the system is verified.'
      : 'Look once for leaks after the first quarter of an hour.',
    proof: 'The drain has stopped by itself.',
  }),
  'tank-drain': (d, reader, minutes) => ({
    title: `Drain the tank ${d.cycle} of ${d.cycles}`,
    instruction: `${d.feedClosed ? 'Close the feed: with it open the tank would not empty. ' : ''}Open the tap and let the tank run down to a trickle: ${reader.say('volume', d.litres)} in about ${reader.minutes(minutes)}, most of it at first and the last of it slowly${d.leftLitres > 0.05 ? `; about ${reader.say('volume', d.leftLitres)} stay in it` : ''}. Then close the tap${d.feedClosed ? ' and open the feed' : ''}. The water may go to plants.`,
    caution: 'None of this water is drunk: it carries the preservative.',
    proof: 'The stream has fallen to a trickle.',
  }),
  'run-open-tap': (d, reader) => ({
    title: 'Run at the open tap',
    instruction: `Let the unit run with the tap fully open: about ${reader.say('volume', d.litres)} of product in this time.${besides(d)} Then close the tap.`,
    caution: 'None of this water is drunk.',
    proof: 'The stream was steady and without air; the tap is closed.',
  }),
  'lamp-on': () => ({
    title: 'Power the lamp',
    instruction: 'With the reactor full of water, plug the lamp in and wait for its signal.',
    caution: 'Never look at a lit lamp, never touch its glass. Unplug before opening.',
    proof: 'The signal shows that it burns.',
  }),
  'dispenser-rinse': (d, reader) => ({
    title: 'Rinse the dispenser’s tanks',
    instruction: `Heater switched off: let both tanks fill, then run them out ${d.times} times, cold and hot outlet in turn, about ${reader.say('volume', d.litres)} in all; what stays in the hot one leaves by its drain plug.`,
    caution: 'None of this water is drunk, and the heater stays off: dry it burns out.',
    proof: 'Both outlets run clear and without air.',
  }),
  'heater-on': () => ({
    title: 'Switch the heater on',
    instruction:
      'When water runs full from the hot outlet: switch the heater on and wait for its signal; child lock set.',
    caution: 'Hot water scalds. Keep hands and children away from the first draw.',
    proof: 'The first cup is hot, and the lock holds.',
  }),
  'open-branch': (d, reader) => ({
    title: `Open the branch: ${reader.within(branchPlaces[d.kind])}`,
    instruction: branchOpening[d.kind](reader.say('volume', d.litres), d.bins),
    caution: 'What comes first is thrown away.',
    proof: 'Its valve is open, its joints are dry.',
  }),
  'rest-and-recheck': () => ({
    title: 'Last look',
    instruction:
      'Every valve that was closed is open, and what belongs on power is plugged in: go through them once. A dry tissue round all joints, the cabinet cleared. Ask the household to look again tomorrow and through the first week.',
    caution: null,
    proof: 'Dry everywhere; the household has the card.',
  }),
};

/** A step in words and in the reader's units. */
export function flushWords(step: FlushStep, reader: Reader): FlushWords {
  // Each code is paired with its own data in the table; see `decisionSentence`.
  const write = writers[step.code] as (
    data: FlushStep['data'],
    reader: Reader,
    minutes: number,
  ) => FlushWords;
  return write(step.data, reader, step.minutes ?? 0);
}

/** What a step is called where only its kind is known. */
export const flushStepNames: Record<FlushStepCode, string> = {
  'reopen-house': 'Water on in the house',
  'take-tube-off': 'Tube behind the pre-filters off',
  'sanitise-dose': 'Bleach in',
  'sanitise-fill': 'Fill up to the tap',
  'sanitise-contact': 'Bleach stands',
  'sanitise-rinse': 'Rinse the bleach out',
  'fit-cartridges': 'Cartridges in',
  'crack-feed-open': 'Crack the feed open',
  'leak-check': 'Leak check',
  'prefilter-flush': 'Flush the pre-filters',
  'auto-flush': 'The unit’s own flush',
  'close-feed': 'Close the feed',
  'put-tube-on': 'Tube back on',
  'set-regulator': 'Read the regulator',
  'open-feed': 'Open the feed to the membrane',
  'plug-in': 'Plug in',
  'line-flush': 'Run the line clear',
  'reopen-existing': 'Open the system again',
  'lamp-fill': 'Fill the reactor',
  'mesh-check': 'Compare the flow',
  'fit-membrane': 'Fit the membrane',
  'membrane-rinse': 'Rinse the membrane',
  'close-tap-open-tank': 'Open the tank',
  'tank-fill': 'Tank fills',
  'tank-drain': 'Drain the tank',
  'night-rest': 'Tank stands overnight',
  'run-open-tap': 'Run at the open tap',
  'open-branch': 'Open a branch',
  'lamp-on': 'Power the lamp',
  'dispenser-rinse': 'Rinse the dispenser’s tanks',
  'heater-on': 'Switch the heater on',
  'rest-and-recheck': 'Last look',
};

/** Whose turn a step is. */
export const flushHandNames: Record<FlushHand, string> = {
  installer: 'installer, now',
  household: 'household',
  'return-visit': 'installer, on the next visit',
};

/** What is looked for, as one taps it off. */
export function endWords(end: EndCriterion, reader: Reader): string {
  switch (end.kind) {
    case 'clear-cup':
      return 'Clear in a white cup';
    case 'strip':
      return `${end.of === 'total' ? 'Total' : 'Free'} chlorine strip under ${reader.say('concentration', end.underMgL)}`;
    case 'tds-steady':
      return `TDS steady for ${reader.minutes(end.overMin)}`;
    case 'litres':
      return `${reader.say('volume', end.litres)} run`;
    case 'drain-stopped':
      return 'Drain has stopped by itself';
    case 'trickle':
      return 'Down to a trickle';
    case 'dry':
      return 'Tissue stays dry';
  }
}
