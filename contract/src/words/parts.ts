import type { DesignFamily, Exclusion, NodeKind, TubeEnd, TubeFunction } from '@katharos/core';

/** Names of what stands on the waterline. */
export const nodeNames: Record<NodeKind, string> = {
  street: 'Street',
  'feed-valve': 'Feed valve',
  sediment: 'Sediment',
  carbon: 'Carbon',
  pump: 'Booster pump',
  shutoff: 'Shut-off',
  membrane: 'Membrane',
  'permeate-pump': 'Permeate pump',
  restrictor: 'Restrictor',
  drain: 'Drain',
  mineral: 'Minerals',
  tank: 'Tank',
  lamp: 'Ultraviolet',
  'post-filter': 'Post filter',
  refrigerator: 'Refrigerator',
  tap: 'Tap',
};

/** One line on what each component does, for when it is picked. */
export const nodeExplanations: Record<NodeKind, string> = {
  street: 'The cold supply as it arrives: its pressure drives everything that has no pump.',
  'feed-valve': 'Shut-off at the feed connection. Closed and proved off before anything is opened.',
  sediment: 'Holds back silt and rust, so that the carbon and the membrane do not.',
  carbon: 'Takes out chlorine or chloramine, which would destroy the membrane.',
  pump: 'Lifts the pressure at the membrane. It does not speed up the tap.',
  shutoff: 'Closes the feed when the product line reaches its share of the supply pressure.',
  membrane: 'Lets water through and holds most salt back. Colder water, slower membrane.',
  'permeate-pump':
    'Lifts product into the tank with the power of the drain water, so that the membrane hardly feels the tank.',
  restrictor: 'Holds the pressure on the membrane and sets how much goes to drain. Never left out.',
  drain: 'The water that carries the salt away.',
  mineral: 'A calcite bed that takes up the carbon dioxide and gives back hardness and pH.',
  tank: 'Holds product under air pressure. It pushes back on the membrane as it fills.',
  lamp: 'Ultraviolet light against germs; only for clear, iron-free, soft water, as product is.',
  'post-filter': 'A last carbon for taste, on the way from tank to tap.',
  refrigerator: 'A branch with a shut-off of its own, opened only after flushing.',
  tap: 'The drinking tap.',
};

export const familyNames: Record<DesignFamily['key'], string> = {
  tank: 'Tank, no power',
  'permeate-pump': 'Tank with permeate pump, no power',
  'pumped-tank': 'Tank with booster pump',
  'direct-flow': 'Tankless',
};

export const tubeFunctionNames: Record<TubeFunction, string> = {
  feed: 'Feed',
  unit: 'Within the unit',
  tank: 'Tank',
  product: 'Product',
  drain: 'Drain',
};

export const tubeEndNames: Record<TubeEnd, string> = {
  'push-fit': 'push-fit',
  compression: 'compression nut, sleeve and insert',
  saddle: 'drain saddle, cut at 45°',
};

/** Where a tube ends, in words. */
export function placeName(id: string): string {
  const numbered = /^prefilter-(\d+)$/.exec(id);
  if (numbered) return `Pre-filter ${numbered[1]}`;
  return nodeNames[id as NodeKind] ?? id;
}

/** Why a make-up was not tried, after "was not tried:". */
export const exclusionWords: Record<Exclusion, string> = {
  'no-outlet': 'there is no outlet for it',
  'no-tank-room': 'there is no room for a tank',
  'not-in-catalogue': 'the catalogue does not hold its parts',
};
