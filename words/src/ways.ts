import { type FittingChange, familyOf, type WayToFit } from '@katharos/core';
import { familyNames } from './parts.ts';
import type { Reader } from './reader.ts';

const changeWords: Record<FittingChange, string> = {
  outlet: 'an outlet that is always on (a licensed electrician may set one)',
  'tank-room': 'room for a tank, here or in the next cupboard',
  'more-pressure':
    'more pressure ahead of the house (the supplier, a well’s switch set higher, or a pressure set)',
  'half-the-demand': 'half the demand, drawn in smaller portions',
  'more-salt': 'a higher limit for product TDS than your firm sets',
  'more-drain': 'more water to drain than your firm allows',
};

/** What would fit if something about the house were changed. */
export function waySentence({ changes, best }: WayToFit, reader: Reader): string {
  const { design, worst } = best;
  const makes = worst
    ? `, ${reader.say('dailyVolume', worst.productionLPerDay, 0)} in the worst case`
    : '';
  return `With ${reader.list(changes.map((change) => changeWords[change]))}: ${reader.within(familyNames[familyOf(design)])}, ${design.membrane.name}${makes}.`;
}

/** Where no change of the house helps. */
export const noWaySentence =
  'No change of outlet, room, pressure or demand makes a system of this catalogue fit. Ask a maker for a system made for such water, or treat the whole supply first.';
