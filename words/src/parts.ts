import type {
  BranchKind,
  DesignFamily,
  Exclusion,
  NodeKind,
  ScheduledTube,
  TubeEnd,
  TubeFunction,
} from '@katharos/core';

/** Ends of a product line besides the tap, as a place and in a sentence. */
const branchPlaces: Record<BranchKind, string> = {
  refrigerator: 'Refrigerator',
  'ice-maker': 'Ice maker',
  'second-tap': 'Second tap',
  machine: 'Machine',
};
export const branchNames: Record<BranchKind, string> = {
  refrigerator: 'The refrigerator',
  'ice-maker': 'The ice maker',
  'second-tap': 'The second tap',
  machine: 'The machine',
};

/** Names of what stands on the waterline. */
export const nodeNames: Record<NodeKind, string> = {
  street: 'Street',
  'feed-valve': 'Feed valve',
  existing: 'System there',
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
  ...branchPlaces,
  tap: 'Tap',
};

/** One line on what each component does, for when it is picked. */
export const nodeExplanations: Record<NodeKind, string> = {
  street: 'The cold supply as it arrives: its pressure drives everything that has no pump.',
  'feed-valve': 'Shut-off at the feed connection. Closed and proved off before anything is opened.',
  existing:
    'What was there before the lamp. It was not opened: its pressure is reckoned back from the flow that was measured, and at a closed tap is at least that.',
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
  'ice-maker': 'A branch with a shut-off of its own; its first ice after flushing is thrown away.',
  'second-tap': 'A second drinking tap on the same line.',
  machine: 'A branch with a shut-off of its own; the machine’s own drain must exist.',
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
  threaded: 'push-fit valve on a taped thread',
  barb: 'barb of the air gap',
  saddle: 'drain saddle, cut at 45°',
  open: 'open over an air break',
};

/** Where a tube's length comes from. */
export const routeWords: Record<ScheduledTube['known'], string> = {
  measured: 'measured',
  'by-position': 'from port to port',
  usual: 'usual length',
};

/** Places that stand on no waterline. */
const jointNames: Readonly<Record<string, string>> = {
  regulator: 'Regulator',
  'leak-stop': 'Leak stop',
  'pressure-switch': 'Pressure switch',
  'tank-tee': 'Tank tee',
  'feed-tee': 'Feed tee',
  'brine-tee': 'Drain tee',
  'product-tee': 'Product tee',
  'air-gap': 'Air gap',
  'unit-union': 'Union at the system there',
  'tap-union': 'Union in the tap’s tube',
  dispenser: 'Dispenser',
};

/** Where a tube ends, in words. */
export function placeName(id: string): string {
  const numbered = /^(prefilter|membrane)-(\d+)$/.exec(id);
  if (numbered) return `${numbered[1] === 'membrane' ? 'Membrane' : 'Pre-filter'} ${numbered[2]}`;
  const joint = /^(tee|valve)-(.+)$/.exec(id);
  if (joint) {
    const branch = nodeNames[joint[2] as NodeKind].toLowerCase();
    return joint[1] === 'tee' ? `Tee for the ${branch}` : `Valve of the ${branch}`;
  }
  return nodeNames[id as NodeKind] ?? jointNames[id] ?? id;
}

/** Why a make-up was not tried, after "was not tried:". */
export const exclusionWords: Record<Exclusion, string> = {
  'no-outlet': 'there is no outlet for it',
  'no-tank-room': 'there is no room for a tank',
  'not-in-catalogue': 'the catalogue does not hold its parts',
};
