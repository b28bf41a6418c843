import type { FlushData, FlushStep, FlushStepCode } from '@katharos/core';
import type { Reader } from './reader.ts';

/** A flush step in words: what it is called, what to do, what to watch for, and what proves it done. */
export interface FlushWords {
  title: string;
  instruction: string;
  caution: string | null;
  proof: string;
}

const writers: {
  [C in FlushStepCode]: (d: FlushData[C], reader: Reader, minutes: number) => FlushWords;
} = {
  'crack-feed-open': () => ({
    title: 'Crack the feed open',
    instruction:
      'Open the feed valve a quarter turn, wait until the housings have filled, then open it fully.',
    caution: 'Stay at the valve. Close it at the first drip.',
    proof: 'The hiss has stopped and nothing drips.',
  }),
  'leak-check': () => ({
    title: 'Leak check',
    instruction:
      'Dry every joint with a tissue, then run the tissue round each again: feed adapter, housings, fittings, drain saddle.',
    caution: 'Do not tighten a housing under pressure.',
    proof: 'The tissue stays dry.',
  }),
  'prefilter-flush': (d) => ({
    title: 'Flush the pre-filters',
    instruction: `Hold the tube that leads to the membrane in a bucket and run the ${d.cartridges} cartridges until clear. Black or grey water at first is carbon dust.`,
    caution: 'The membrane stays out of the circuit: carbon dust blocks it.',
    proof: 'The water in a white cup is clear.',
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
      'Feed closed, tap open. Brine seal at the feed end, push home until the two O-rings are felt to seat, cap hand tight and a quarter turn more, tube back on.',
    caution: 'Clean hands or gloves; touch the ends only. Prove the supply off by the open tap.',
    proof: 'The cap is home and the tube does not pull out.',
  }),
  'membrane-rinse': (d, reader) => ({
    title: 'Rinse the membrane',
    instruction: `Tank valve closed, tap open, feed open. Air first, then drops, then a thin stream: about ${reader.say('volume', d.litres)} in this time.`,
    caution: 'None of this water is drunk.',
    proof: 'Water runs from the tap and from the drain line.',
  }),
  'close-tap-open-tank': () => ({
    title: 'Tap closed, tank open',
    instruction: 'Close the tap and open the valve on the tank.',
    caution: null,
    proof: 'The tank’s line fills; the drain runs.',
  }),
  'tank-fill': (d, reader, minutes) => ({
    title: `Tank fill ${d.cycle} of ${d.cycles}`,
    instruction: `The tank takes ${reader.say('volume', d.litres)} in about ${reader.minutes(minutes)} at today’s water, and ${reader.say('volume', d.drainLitres)} go to drain. Nobody has to stand by.`,
    caution: 'Look once for leaks after the first quarter of an hour.',
    proof: 'The drain has stopped by itself.',
  }),
  'tank-drain': (d) => ({
    title: `Drain the tank ${d.cycle} of ${d.cycles}`,
    instruction:
      'Open the tap and let the tank run down to a trickle, then close it. The water may go to plants.',
    caution: 'None of this water is drunk: it carries the preservative.',
    proof: 'The stream has fallen to a trickle.',
  }),
  'run-open-tap': (d, reader) => ({
    title: 'Run at the open tap',
    instruction: `Let the unit run with the tap fully open: about ${reader.say('volume', d.litres)} of product in this time.`,
    caution: 'None of this water is drunk.',
    proof: 'The stream is steady and without air.',
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
  'rest-and-recheck': () => ({
    title: 'Last look',
    instruction:
      'Go round all joints with a dry tissue once more and clear the cabinet. Ask the household to look again tomorrow and through the first week.',
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
