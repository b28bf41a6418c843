import type { Disinfection } from '@katharos/core';
import type { Reader } from './reader.ts';

/** One procedure in words, for an installation, a visit and a germ finding. */
export interface DisinfectionWords {
  title: string;
  instruction: string;
  caution: string;
  proof: string;
}
export type DisinfectionCode =
  | 'sanitise-dose'
  | 'sanitise-fill'
  | 'sanitise-contact'
  | 'sanitise-rinse';

/** Everything that bleach spoils, as far as this system has it. */
export const takenOut = (d: Disinfection, reader: Reader): string =>
  reader.list([
    d.cartridges > 1 ? `all ${d.cartridges} cartridges` : 'the cartridge',
    ...(d.elements > 1 ? ['the membranes'] : d.elements === 1 ? ['the membrane'] : []),
    ...(d.postFilter ? ['the post filter'] : []),
    ...(d.mineral ? ['the mineral cartridge'] : []),
  ]);

const gloves =
  'Gloves and glasses on, window open. Bleach alone, never with an acid or another cleaner: it gives off chlorine gas.';

const writers: Record<DisinfectionCode, (d: Disinfection, reader: Reader) => DisinfectionWords> = {
  'sanitise-dose': (d, reader) => ({
    title: 'Put bleach into the empty housings',
    instruction: `Feed closed, pressure off. Take out ${takenOut(d, reader)}${d.postFilter || d.mineral ? '; join the tubes of inline parts with a short piece' : ''}. Pour ${reader.bleach(d.bleachMl)} of plain household bleach (5 % chlorine, no scent, no thickener) into the first housing, for ${reader.say('volume', d.wettedL)} to be filled. Screw the housings${d.elements > 0 ? ' and the empty vessel' : ''} on.`,
    caution: `${gloves} Bleach destroys a membrane, and carbon uses it up. The label’s own dose comes first.`,
    proof: 'Every housing is on and empty but for the bleach. The feed is still closed.',
  }),
  'sanitise-fill': (d, reader) => ({
    title: 'Fill everything up to the tap',
    instruction: `${d.tank ? 'Tank valve and tap open' : 'Tap open'}${d.pump ? ', pump plugged in so that its valve opens' : ''}: open the feed a quarter turn until the tap smells of chlorine, then close the tap. ${d.tank ? 'Let the tank fill, then close' : 'Close'} the feed${d.pump ? ' and unplug the pump' : ''}. About ${reader.say('volume', d.wettedL)} stand at ${reader.say('concentration', d.doseMgL, 0)}.${d.lamp ? ' Lamp plugged in as soon as its reactor is full.' : ''}`,
    caution: `${gloves} Spilt water bleaches clothes and floors.`,
    proof: 'The tap smelt of chlorine. Tap and feed are closed.',
  }),
  'sanitise-contact': (d, reader) => ({
    title: 'Let it stand',
    instruction: `${reader.minutes(d.contactMin)} with feed and tap closed.`,
    caution: 'Nobody draws water here meanwhile. Tell the household.',
    proof: 'The time is over.',
  }),
  'sanitise-rinse': (d, reader) => ({
    title: 'Rinse until a strip shows none',
    instruction: `Open the tap and let everything run out${d.tank ? ', the tank too' : ''}. Open the feed${d.pump ? ', pump plugged in' : ''}, fill, and run out again until a chlorine strip at the tap shows no more than the supply has itself: about ${reader.say('volume', d.rinseL)}. Then close the feed${d.pump ? ', unplug the pump' : ''}${d.tank ? ', close the tank valve' : ''} and let the pressure off.`,
    caution: 'Carbon and membrane are spoilt by what is left: rinse on while the strip shows any.',
    proof: 'The strip at the tap shows none. The feed is closed.',
  }),
};

export const disinfectionWords = (
  code: DisinfectionCode,
  d: Disinfection,
  reader: Reader,
): DisinfectionWords => writers[code](d, reader);
