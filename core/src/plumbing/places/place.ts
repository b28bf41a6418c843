import { type BranchKind, branchKinds } from '../../hydraulics/branchPressure.ts';
import type { TubeEnd } from './tubeEnd.ts';

/** Places that there are several of. */
export type NumberedPlace = 'prefilter' | 'membrane';

/** What a tube begins or ends at. A bank's first element is plain 'membrane'; the others, and all pre-filters, carry their number. */
export type Place =
  | Exclude<PlaceKind, 'prefilter' | 'tee' | 'valve' | 'branch'>
  | `${NumberedPlace}-${number}`
  | `${'tee' | 'valve'}-${BranchKind}`
  | BranchKind;

/** What is known of a kind of place, once for all that lay, cut, fit, word or draw a tube there. */
export interface PlaceKindFacts {
  /** How a tube ends there; two depend on the tap's stem and on how the house is drained. */
  end: TubeEnd | 'tap-stem' | 'drain-way';
  /** Size of its ports: the system's own, that of the widest tube where it joins several, or whatever its one tube has. */
  port: 'own' | 'widest' | 'tube';
  /**
   * Where it stands: at the stop valve or the waste, in the unit, as a body by itself, in a line that is there, or at the counter and
   * beyond, where no position in the cabinet tells.
   */
  stands: 'stop-valve' | 'waste' | 'unit' | 'body' | 'old-line' | 'beyond';
  /** Whether it stays at sink and counter when the unit stands elsewhere; a drain stays unless it is a stand-pipe's. */
  atSink: boolean | 'drain-way';
  /** The step of the work that puts it up. */
  step: string;
}

const inUnit = { end: 'push-fit', stands: 'unit', atSink: false } as const;
const housed = { ...inUnit, port: 'own', step: 'hang-unit' } as const;
const bankTee = { ...inUnit, port: 'widest', step: 'join-bank' } as const;
const union = {
  end: 'push-fit',
  port: 'tube',
  stands: 'old-line',
  atSink: false,
  step: 'cut-product-line',
} as const;
const body = (name: string) =>
  ({
    end: 'push-fit',
    port: 'own',
    stands: 'body',
    atSink: false,
    step: `mount-${name}`,
  }) as const;

/** Every kind of place. */
export const placeKinds = {
  'feed-valve': {
    end: 'compression',
    port: 'tube',
    stands: 'stop-valve',
    atSink: true,
    step: 'feed',
  },
  regulator: {
    end: 'push-fit',
    port: 'widest',
    stands: 'stop-valve',
    atSink: true,
    step: 'fit-regulator',
  },
  'leak-stop': { ...body('leak-stop'), port: 'widest', step: 'fit-leak-stop' },
  prefilter: housed,
  solenoid: { ...housed, step: 'mount-pump' },
  pump: body('pump'),
  shutoff: housed,
  membrane: housed,
  'feed-tee': bankTee,
  'brine-tee': bankTee,
  'product-tee': bankTee,
  restrictor: { ...housed, step: 'fit-restrictor' },
  'permeate-pump': body('permeate-pump'),
  'pressure-switch': { ...housed, step: 'mount-pump' },
  'tank-tee': { ...housed, port: 'widest' },
  tank: { end: 'threaded', port: 'tube', stands: 'body', atSink: false, step: 'tank' },
  mineral: housed,
  'post-filter': housed,
  lamp: body('lamp'),
  'air-gap': { end: 'barb', port: 'tube', stands: 'beyond', atSink: true, step: 'tap' },
  drain: { end: 'drain-way', port: 'tube', stands: 'waste', atSink: 'drain-way', step: 'drain' },
  tee: { end: 'push-fit', port: 'widest', stands: 'beyond', atSink: false, step: 'branch' },
  valve: { end: 'push-fit', port: 'widest', stands: 'beyond', atSink: false, step: 'branch' },
  branch: { end: 'compression', port: 'tube', stands: 'beyond', atSink: false, step: 'branch' },
  tap: { end: 'tap-stem', port: 'tube', stands: 'beyond', atSink: true, step: 'tap' },
  dispenser: { end: 'push-fit', port: 'tube', stands: 'beyond', atSink: true, step: 'dispenser' },
  'unit-union': union,
  'tap-union': union,
} as const satisfies Record<string, PlaceKindFacts>;

export type PlaceKind = keyof typeof placeKinds;

/** A place taken apart: its kind, its number in a row from 1 on, and the branch that it belongs to. */
export interface PlaceRead {
  kind: PlaceKind;
  index: number;
  branch: BranchKind | null;
}

const kinds = new Set<string>(Object.keys(placeKinds));
const branches = new Set<string>(branchKinds);

/** Takes a place apart; throws on what is none, which only a programmer can cause. */
export function readPlace(place: Place): PlaceRead {
  if (branches.has(place)) return { kind: 'branch', index: 1, branch: place as BranchKind };
  if (kinds.has(place)) return { kind: place as PlaceKind, index: 1, branch: null };
  const dash = place.indexOf('-');
  const [first, rest] = [place.slice(0, dash), place.slice(dash + 1)];
  if ((first === 'tee' || first === 'valve') && branches.has(rest))
    return { kind: first, index: 1, branch: rest as BranchKind };
  const index = Number(rest);
  if ((first === 'prefilter' || first === 'membrane') && Number.isInteger(index) && index > 0)
    return { kind: first, index, branch: null };
  throw new Error(`'${place}' is no place of a tube`);
}

/** What is known of a place by its kind. */
export const placeFacts = (place: Place): PlaceKindFacts => placeKinds[readPlace(place).kind];

/** The steps of the work that put a place up: its own, where it has one, and the unit's, which brings what it holds. */
export const stepsOfPlace = (place: Place): string[] =>
  placeFacts(place).stands === 'unit' ? [stepOfPlace(place), 'hang-unit'] : [stepOfPlace(place)];

function stepOfPlace(place: Place): string {
  const { kind, index, branch } = readPlace(place);
  if (branch) return `branch:${branch}`;
  // Elements behind the first are joined to it in a step of their own.
  return kind === 'membrane' && index > 1 ? 'join-bank' : placeKinds[kind].step;
}
