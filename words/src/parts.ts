import {
  type BranchKind,
  type DesignFamily,
  type Exclusion,
  type NodeKind,
  type ScheduledTube,
  type Slot,
  type SlotKey,
  type TubeEnd,
  type TubeFunction,
  type Place,
  type PlaceKind,
  readPlace,
} from '@katharos/core';

/** Ends of a product line besides the tap, as a place and in a sentence. */
export const branchPlaces: Record<BranchKind, string> = {
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
  solenoid: 'Solenoid',
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
  solenoid:
    'Wired with the pump: shut while that rests, for a stopped pump lets the supply through to the drain.',
  pump: 'Lifts the pressure at the membrane. It does not speed up the tap.',
  shutoff: 'Closes the feed when the product line reaches its share of the supply pressure.',
  membrane: 'Lets water through and holds most salt back. Colder water, slower membrane.',
  'permeate-pump':
    'Lifts product into the tank with the power of the drain water, so that the membrane hardly feels the tank.',
  restrictor: 'Holds the pressure on the membrane and sets how much goes to drain. Never left out.',
  drain: 'The water that carries the salt away.',
  mineral:
    'A calcite bed that takes up the carbon dioxide and gives back hardness and pH. The TDS behind it is what a NaCl meter shows; the mass is half as much again of what was added.',
  tank: 'Holds product under air pressure. It pushes back on the membrane as it fills.',
  lamp: 'Ultraviolet light against germs; only for clear, iron-free, soft water, as product is.',
  'post-filter': 'A last carbon for taste, on the way from tank to tap.',
  refrigerator: 'A branch with a shut-off of its own, opened only after flushing.',
  'ice-maker': 'A branch with a shut-off of its own; its first ice after flushing is thrown away.',
  'second-tap': 'A second drinking tap on the same line.',
  machine: 'A branch with a shut-off of its own; the machine’s own drain must exist.',
  tap: 'The drinking tap.',
};

const slotNames: Record<SlotKey, string> = {
  kit: 'Kit',
  unit: 'Unit',
  prefilter: 'Pre-filter',
  solenoid: 'Solenoid valve',
  pump: 'Booster pump',
  shutoff: 'Shut-off',
  membrane: 'Membrane',
  restrictor: 'Restrictor',
  'permeate-pump': 'Permeate pump',
  mineral: 'Minerals',
  tank: 'Tank',
  'post-filter': 'Post filter',
  lamp: 'Ultraviolet',
  tap: 'Tap',
};

/** What a household calls a part by where it stands. */
export const slotName = ({ key, index, count }: Slot): string =>
  key === 'prefilter'
    ? `${slotNames[key]} ${index}`
    : count > 1
      ? `${slotNames[key]}s (${count})`
      : slotNames[key];

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

/** Places by their kind; those of a branch are named after it, those of a row by their number. */
const placeNames: Record<Exclude<PlaceKind, 'branch'>, string> = {
  'feed-valve': nodeNames['feed-valve'],
  regulator: 'Regulator',
  'leak-stop': 'Leak stop',
  prefilter: 'Pre-filter',
  solenoid: nodeNames.solenoid,
  pump: nodeNames.pump,
  shutoff: nodeNames.shutoff,
  membrane: nodeNames.membrane,
  'feed-tee': 'Feed tee',
  'brine-tee': 'Drain tee',
  'product-tee': 'Product tee',
  restrictor: nodeNames.restrictor,
  'permeate-pump': nodeNames['permeate-pump'],
  'pressure-switch': 'Pressure switch',
  'tank-tee': 'Tank tee',
  tank: nodeNames.tank,
  mineral: nodeNames.mineral,
  'post-filter': nodeNames['post-filter'],
  lamp: nodeNames.lamp,
  'air-gap': 'Air gap',
  drain: nodeNames.drain,
  tee: 'Tee for the',
  valve: 'Valve of the',
  tap: nodeNames.tap,
  dispenser: 'Dispenser',
  'unit-union': 'Union at the system there',
  'tap-union': 'Union in the tap’s tube',
};

/** Where a tube ends, in words. */
export function placeName(place: Place): string {
  const { kind, index, branch } = readPlace(place);
  if (kind === 'branch') return branchPlaces[branch!];
  if (branch) return `${placeNames[kind]} ${branchPlaces[branch].toLowerCase()}`;
  // The first element of a bank is plain: it is the only one of most.
  return kind === 'prefilter' || index > 1 ? `${placeNames[kind]} ${index}` : placeNames[kind];
}

/** Why a make-up was not tried, after "was not tried:". */
export const exclusionWords: Record<Exclusion, string> = {
  'no-outlet': 'there is no outlet for it',
  'no-tank-room': 'there is no room for a tank',
  'not-in-catalogue': 'the catalogue does not hold its parts',
};
