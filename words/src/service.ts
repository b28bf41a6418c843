import type { ServiceCode, ServiceData, ServiceStep } from '@katharos/core';
import { shortCause } from './diagnosis.ts';
import { faultWords } from './notRight.ts';
import type { Reader } from './reader.ts';

/** A step at a system that is in use: what it is called, what to do, and what proves it done. */
export interface ServiceWords {
  title: string;
  instruction: string;
  proof: string;
}

type Writers = { [C in ServiceCode]: (data: ServiceData[C], reader: Reader) => ServiceWords };

const plugs = ({ pump, lamp }: ServiceData['unplug']) =>
  pump && lamp ? 'pump and lamp' : lamp ? 'lamp' : 'pump';

const writers: Writers = {
  'close-feed': () => ({
    title: 'Close the feed, and prove it',
    instruction: 'Close the unit’s feed valve fully, then open the drinking tap.',
    proof:
      'The drain stands still within minutes. A valve that does not close: the house’s stop valve.',
  }),
  unplug: (data) => ({
    title: `Unplug the ${plugs(data)}`,
    instruction: 'Out of its outlet, with dry hands.',
    proof: 'The plug lies where no water can reach it.',
  }),
  'close-tank': () => ({
    title: 'Close the tank’s valve',
    instruction: 'Handle across the tube.',
    proof: 'The tap runs dry within a minute.',
  }),
  'let-off': ({ tank }) => ({
    title: tank ? 'Let the tank run out' : 'Let the pressure off',
    instruction: tank
      ? 'Tap open until it only drips. Towel and tray under the unit.'
      : 'Tap open until nothing comes. Towel and tray under the unit.',
    proof: 'Nothing comes, and nothing goes on coming after a minute.',
  }),
  mend: ({ fault }, reader) => ({
    title: `Mend it: ${reader.within(shortCause([fault], reader))}`,
    instruction: faultWords[fault].mend,
    proof: 'It is as it should be, and every tube is home to its mark.',
  }),
  'close-tap': () => ({ title: 'Close the tap', instruction: '', proof: 'Nothing runs.' }),
  'open-feed': ({ tap }) => ({
    title: 'Open the feed slowly',
    instruction:
      tap === 'open'
        ? 'A quarter turn, wait until it hisses no more, then fully. The tap stays open, the tank closed.'
        : 'A quarter turn, wait until it hisses no more, then fully.',
    proof: 'Nothing drips while it fills.',
  }),
  'plug-in': (data) => ({
    title: `Plug the ${plugs(data)} in`,
    instruction: 'Feed open first: a pump must not run dry.',
    proof: data.pump ? 'It hums, and water comes.' : 'Its light is on.',
  }),
  'leak-check': () => ({
    title: 'Look for leaks under pressure',
    instruction: 'A dry tissue round everything that was opened; tap closed for a minute of it.',
    proof: 'The tissue is dry. Look again next day.',
  }),
  run: ({ minutes }, reader) => ({
    title: `Let it run ${reader.minutes(minutes)}`,
    instruction: 'Tap open, tank closed; new carbon runs black at first.',
    proof: 'The water is clear in a white cup.',
  }),
  'open-tank': () => ({
    title: 'Open the tank’s valve',
    instruction: 'Handle along the tube.',
    proof: 'The tank takes water.',
  }),
  'drain-tank': () => ({
    title: 'Throw the first tank away',
    instruction: 'Let it fill, then run it out at the tap.',
    proof: 'It was full, and is out.',
  }),
  verify: () => ({
    title: 'Verify anew',
    instruction: 'Every reading once more, what was not right first.',
    proof: '',
  }),
};

export const serviceWords = ({ code, data }: ServiceStep, reader: Reader): ServiceWords =>
  (writers[code] as (of: typeof data, reader: Reader) => ServiceWords)(data, reader);
