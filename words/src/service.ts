import type {
  Closing,
  ServiceCode,
  ServiceData,
  Serviced,
  ServicedKind,
  ServiceStep,
} from '@katharos/core';
import { shortCause } from './diagnosis.ts';
import { disinfectionWords, takenOut } from './disinfection.ts';
import { faultWords } from './notRight.ts';
import type { Reader } from './reader.ts';

/** A step at a system that is in use: what it is called, what to do, and what proves it done. */
export interface ServiceWords {
  title: string;
  instruction: string;
  /** What can hurt a person or spoil a part; absent where nothing does. */
  caution?: string;
  proof: string;
}

type Writers = { [C in ServiceCode]: (data: ServiceData[C], reader: Reader) => ServiceWords };

/** What is serviced, as it stands in a list. */
export const servicedNames: Record<ServicedKind, string> = {
  sediment: 'Sediment filter',
  carbon: 'Carbon filter',
  membrane: 'Membrane',
  'post-filter': 'Post filter',
  mineral: 'Mineral bed',
  lamp: 'Lamp',
  regulator: 'Regulator',
  'leak-stop': 'Leak stop',
  'tank-air': 'Air of the tank',
  sanitising: 'Disinfection',
  'germ-test': 'Germ test',
};

/** What it is called among what is serviced: by its place in the row, where there are several of a kind. */
export function servicedName(
  one: Pick<Serviced, 'id' | 'kind'>,
  among: readonly Pick<Serviced, 'kind'>[],
): string {
  const name = servicedNames[one.kind];
  const alike = among.filter(({ kind }) => kind === one.kind);
  return alike.length > 1 ? `${name}, place ${one.id.replace(/\D/g, '')}` : name;
}

const servicedActs: Record<ServicedKind, string> = {
  sediment: 'New sediment filter',
  carbon: 'New carbon filter',
  membrane: 'New membrane',
  'post-filter': 'New post filter',
  mineral: 'New mineral bed',
  lamp: 'New lamp, sleeve wiped',
  regulator: 'Read what the regulator holds',
  'leak-stop': 'Look at the leak stop',
  'tank-air': 'Set the tank’s air',
  sanitising: 'Disinfect up to the tap',
  'germ-test': 'Take the sample for germs',
};

/** How what holds it is opened and closed. */
const openings: Record<Closing, string> = {
  housing:
    'Wrench on the housing; rinse it, look at the O-ring, grease it or take a new one; hand tight and a snug turn.',
  'quarter-turn': 'A quarter turn out, a quarter turn in until it clicks.',
  inline:
    'Both tubes off, the new one in with its arrow along the flow, both tubes home to their marks.',
  vessel: 'Open the vessel, draw the element with pliers, look at both small rings.',
  reactor: 'Plug out and cool; cotton gloves, no finger on the glass.',
  none: '',
};

const servicedHow: Record<ServicedKind, string> = {
  sediment: 'Brown all through, or its drop doubled: note it.',
  carbon: 'Gaskets at both ends; wrapper off.',
  membrane:
    'Brine seal’s lip towards the feed, pushed home until it seats. It begins a new baseline: verify afterwards.',
  'post-filter': '',
  mineral: '',
  lamp: 'Sleeve wiped with vinegar where it is dull; the counter set back.',
  regulator:
    'Gauge behind it, everything closed for five minutes: it must not climb. Screw back to what is on the sheet, or a new one.',
  'leak-stop':
    'Pad dry and flat: leave it. A pad that was ever wet is swollen and holds the valve shut: a new one, and find what dripped.',
  'tank-air': 'Tank empty and open: gauge on its air valve, pumped to what is computed.',
  sanitising: '',
  'germ-test':
    'After everything else, the line rinsed; after a disinfection at least a day later. Tap flamed or wiped with alcohol, five minutes of running, sterile bottle with thiosulfate, cool, at the laboratory within 24 hours.',
};

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
  change: ({ what, closing, place }) => ({
    title: place === null ? servicedActs[what] : `${servicedActs[what]}, place ${place}`,
    instruction: [openings[closing], servicedHow[what]].filter(Boolean).join(' '),
    proof:
      closing === 'none'
        ? ''
        : 'It sits on its ring and the right way round; snug, and not tighter.',
  }),
  'take-out': (d, reader) => ({
    title: 'Take out what bleach spoils',
    instruction: `Take out ${takenOut(d, reader)}. Lay the membrane in a clean bag, wet. Screw the empty housings and the vessel on again.`,
    proof: 'Housings and vessel are empty.',
  }),
  'sanitise-dose': (d, reader) => disinfectionWords('sanitise-dose', d, reader),
  'sanitise-fill': (d, reader) => disinfectionWords('sanitise-fill', d, reader),
  'sanitise-contact': (d, reader) => disinfectionWords('sanitise-contact', d, reader),
  'sanitise-rinse': (d, reader) => disinfectionWords('sanitise-rinse', d, reader),
  'put-back': ({ what, postFilter, mineral }) =>
    what === 'cartridges'
      ? {
          title: 'Cartridges back in',
          instruction:
            'New or clean cartridges in the order of the water, each on its seat, O-ring clean and greased. Housings hand tight and a snug turn.',
          proof: 'Every housing sits straight.',
        }
      : {
          title: 'Membrane back in',
          instruction: `Brine seal at the feed end, pushed home until it seats, cap hand tight and a quarter turn more.${postFilter ? ' Post filter back in its line.' : ''}${mineral ? ' Mineral cartridge back in its line.' : ''}`,
          proof: 'The cap is home and no tube pulls out.',
        },
  'tube-off': () => ({
    title: 'Tube after the pre-filters off',
    instruction: 'Press its collet, draw it out of what follows, and hang its end into a bucket.',
    proof: 'Its end hangs in the bucket: carbon dust reaches nothing that follows.',
  }),
  'bucket-flush': ({ minutes, cartridges }, reader) => ({
    title: `Flush the ${reader.plural(cartridges, { one: 'pre-filter', other: 'pre-filters' })} into the bucket`,
    instruction: `Open the feed a quarter turn, wait until it is full, then fully: about ${reader.minutes(minutes)} until clear. Then close the feed. Black or grey water at first is carbon dust: it must not run through the membrane.`,
    proof: 'Water in a white cup is clear. The feed is closed and nothing runs.',
  }),
  'tube-on': () => ({
    title: 'Tube back on',
    instruction: 'Square and clean, in to the mark, clip on.',
    proof: 'A tug does not move it.',
  }),
  'close-tap': () => ({ title: 'Close the tap', instruction: '', proof: 'Nothing runs.' }),
  'open-feed': ({ tap, tank }) => ({
    title: 'Open the feed slowly',
    instruction:
      tap === 'open'
        ? `A quarter turn, wait until it hisses no more, then fully. The tap stays open${tank ? ', the tank closed' : ''}.`
        : 'A quarter turn, wait until it hisses no more, then fully.',
    proof: 'Nothing drips while it fills.',
  }),
  'plug-in': (data) => ({
    title: `Plug the ${plugs(data)} in`,
    instruction: data.pump ? 'Feed open first: a pump must not run dry.' : 'With dry hands.',
    proof: data.pump ? 'It hums, and water comes.' : 'Its light is on.',
  }),
  'leak-check': () => ({
    title: 'Look for leaks under pressure',
    instruction: 'A dry tissue round everything that was opened; tap closed for a minute of it.',
    proof: 'The tissue is dry. Look again next day.',
  }),
  run: ({ minutes, tank }, reader) => ({
    title: `Let it run ${reader.minutes(minutes)}`,
    instruction: `Tap open${tank ? ', tank closed' : ''}; new carbon runs black at first.`,
    proof: 'The water is clear in a white cup.',
  }),
  'open-tank': () => ({
    title: 'Open the tank’s valve',
    instruction: 'Handle along the tube.',
    proof: 'The tank takes water.',
  }),
  'drain-tank': ({ cycle, cycles }) => ({
    title: cycles > 1 ? `Drain tank ${cycle} of ${cycles}` : 'Drain the first tank',
    instruction:
      cycles > 1
        ? 'Let it fill, then run it out at the tap. Nobody drinks it: it carries the new membrane’s preservative.'
        : 'Let it fill, then run it out at the tap. Nobody drinks it.',
    proof: 'It was full, and is empty.',
  }),
  verify: () => ({
    title: 'Verify',
    instruction:
      'Take the readings again: feed and product TDS, temperature, pressure, both flows. Leak check, and the drain stops.',
    proof: 'The verdict is good.',
  }),
};

export const serviceWords = ({ code, data }: ServiceStep, reader: Reader): ServiceWords =>
  (writers[code] as (of: typeof data, reader: Reader) => ServiceWords)(data, reader);
