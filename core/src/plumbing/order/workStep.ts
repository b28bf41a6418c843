import type { BranchKind } from '../../hydraulics/branchPressure.ts';
import type { DrainRemark, SaddlePlace } from '../connections/drainHole.ts';
import type { FeedRemark } from '../connections/feedConnection.ts';
import type { TapHoleRemark } from '../connections/tapHole.ts';
import type { Place } from '../places/place.ts';
import type { TubeEnd } from '../places/tubeEnd.ts';
import type { TubeSize } from '../places/tubeSize.ts';
import type { Passage } from '../places/passage.ts';

type None = Record<never, never>;
/** 1 for yes, 0 for no: what a step was made from is remembered with it, as numbers and names. */
type Flag = 0 | 1;
interface TapHole {
  holeMm: number;
}
interface FeedTee {
  /** '' where it was not seen. */
  thread: string;
  plastic: Flag;
}

/** What is done, by its kind, with what its words are made of. The words are not the core's. */
export interface WorkData {
  'ask-permission': { drilling: 'ask' | 'no' };
  'prove-existing': None;
  'lay-out': { elements: number; tankless?: 1; added?: never } | { added: 1 };
  'close-supply': { hotSide: Flag };
  'isolate-existing': { tank: Flag };
  'relieve-pressure': { product?: 1 };
  'feed-valve-adapter': FeedTee;
  'feed-hose-adapter': FeedTee;
  'feed-three-way': FeedTee;
  'feed-saddle': FeedTee;
  'fit-regulator': { bar: number };
  'fit-leak-stop': None;
  'prove-spout': None;
  'call-mason': TapHole;
  /** Turns, pilot and counter are 0 and '' where nobody said what the counter is made of, or it needs none. */
  'drill-tap-hole': TapHole & { rpm: number; minutes: number; pilotMm: number; counter: string };
  'mount-tap': TapHole;
  'take-out-tap': None;
  'mount-combined-tap': TapHole;
  'mount-on-bracket': TapHole;
  'mount-air-gap-tap': TapHole;
  'place-dispenser': { hotL: number; coldL: number };
  'pass-cables': None;
  'drill-drain': { holeMm: number; centreMm: number; place: SaddlePlace; level?: 1 };
  'fit-saddle': { insertMm: number; gap: Flag };
  'fit-standpipe': None;
  'drill-through': { passage: Passage; lines: number; holeMm: number; asked: Flag };
  'drill-panel': { holeMm: number };
  /** Where nothing may be drilled: an opening that is there. */
  'use-passage': { passage: Passage | 'panel'; lines: number; holeMm: number };
  'hang-unit': { housings: number; loose: Flag; withoutMembrane?: 1 };
  'stand-unit': { cartridges: number };
  'join-bank': { elements: number; arrangement: 'series' | 'parallel' };
  'fit-restrictor': { name: string };
  'check-precharge': { bar: number };
  'fit-tank-valve': None;
  'place-tank': { kg: number; nextDoor: Flag };
  'mount-pump': { name: string; tank: Flag; solenoid: Flag };
  'mount-permeate-pump': { name: string };
  'mount-lamp': None;
  'cut-product-line': { tank: Flag };
  'fit-branch': { kind: BranchKind };
  'run-tube': {
    run: string;
    from: Place;
    to: Place;
    cutM: number;
    size: TubeSize;
    label: number;
    near: TubeEnd;
    far: TubeEnd;
    /** 1: through floor or wall; 2: through the panel to the next cupboard. */
    through: 0 | 1 | 2;
  };
  power: { outlet: string };
  'label-tubes': { tubes: number };
  'tug-test': { tubes: number };
  'clear-up': None;
}
export type WorkCode = keyof WorkData;

export type Tool =
  | 'gauge'
  | 'tds-meter'
  | 'measuring-jug'
  | 'bucket'
  | 'towel'
  | 'spanner'
  | 'basin-spanner'
  | 'drill'
  | 'bit-drain'
  | 'bit-pilot'
  | 'bit-plastic'
  | 'bit-panel'
  | 'bit-through'
  | 'step-drill'
  | 'wood-bit'
  | 'diamond-core'
  | 'water-feed'
  | 'tube-cutter'
  | 'tape-measure'
  | 'thread-tape'
  | 'tyre-gauge'
  | 'hand-pump'
  | 'screwdriver'
  | 'spirit-level'
  | 'housing-wrench'
  | 'sealant'
  | 'safety-glasses'
  | 'marker'
  | 'lamp';

export type Caution =
  | 'codes-first'
  | 'mixer-hot-side'
  | 'saddle-barred'
  | 'one-wall'
  | 'eyes'
  | 'stone-dust'
  | 'behind-the-wall'
  | 'fire-stop'
  | 'sewer-gas'
  | 'do-not-overtighten'
  | 'screws-evenly'
  | 'tap-nut'
  | 'by-hand'
  | 'thermal-expansion'
  | 'water-hammer'
  | 'hot-and-cold-never-mix'
  | 'no-tape-on-gaskets'
  | 'no-insert-in-drain'
  | 'restrictor-never-left-out'
  | 'heavy-tank'
  | 'dry-hands'
  | 'ground-fault'
  | 'switched-outlet'
  | 'electrician'
  | 'lamp-unpowered'
  | 'heater-off'
  | 'tap-without-gap'
  | 'machine-drain'
  | 'feed-closed'
  | 'no-metal-pipe'
  | 'frost'
  | 'clearance'
  | 'clearance-front'
  | 'clearance-lamp';

/** What feed, drain and tap ask for beside their figures, in the step that it belongs to. */
export type StepRemark = DrainRemark | FeedRemark | TapHoleRemark;

/** Parts that a step takes: a part's id in the system, or the role of a fitting. */
export interface StepPart {
  key: string;
  quantity: number;
}

/** One thing to do of a kind. */
export interface WorkStepOf<C extends WorkCode> {
  id: string;
  code: C;
  /** Steps that physics puts before it. */
  after: string[];
  tools: Tool[];
  parts: StepPart[];
  cautions: Caution[];
  /** Told with the step; no part of its mark, for what was done stays done. */
  remarks: StepRemark[];
  data: Readonly<WorkData[C]>;
  /** What the step was made from: another mark means that it must be done again. */
  mark: string;
}

/** One thing to do, with what it takes and what proves it done. */
export type WorkStep = { [C in WorkCode]: WorkStepOf<C> }[WorkCode];

/** A step before its place among the others is known. */
interface CommonDraft {
  /** Absent: its code. */
  id?: string;
  /** Steps it stands on; those that this work does not have are left out. */
  after?: readonly string[];
  tools?: readonly Tool[];
  parts?: readonly (StepPart | string)[];
  cautions?: readonly Caution[];
  remarks?: readonly StepRemark[];
}

/** A draft of a kind; what its words are made of may be left out where there is nothing. */
export type StepDraftOf<C extends WorkCode> = CommonDraft & { code: C } & (None extends WorkData[C]
    ? { data?: Readonly<WorkData[C]> }
    : { data: Readonly<WorkData[C]> });
export type StepDraft = { [C in WorkCode]: StepDraftOf<C> }[WorkCode];

/** Equal parts of a step as one line. */
function gathered(parts: readonly (StepPart | string)[]): StepPart[] {
  const lines = new Map<string, number>();
  for (const part of parts) {
    const { key, quantity } = typeof part === 'string' ? { key: part, quantity: 1 } : part;
    if (quantity > 0) lines.set(key, (lines.get(key) ?? 0) + quantity);
  }
  return [...lines].map(([key, quantity]) => ({ key, quantity }));
}

/** Numbers a tube carries on its label, not what it is made from: they move when another tube is put in. */
const notMade = new Set(['label']);

/** The steps of a work, each knowing which of those before it it stands on. */
export function workSteps(drafts: readonly StepDraft[]): WorkStep[] {
  const ids = new Set(drafts.map(({ id, code }) => id ?? code));
  return drafts.map(
    ({
      code,
      id = code,
      after = [],
      tools = [],
      parts = [],
      cautions = [],
      remarks = [],
      data = {},
    }): WorkStep => {
      const taken = gathered(parts);
      const made = Object.entries(data).filter(([key]) => !notMade.has(key));
      return {
        id,
        code,
        after: after.filter((other) => ids.has(other)),
        tools: [...tools],
        parts: taken,
        cautions: [...cautions],
        remarks: [...remarks],
        data,
        mark: JSON.stringify([
          code,
          Object.fromEntries(made),
          taken.map(({ key, quantity }) => `${quantity}x${key}`).join(' '),
        ]),
        // Code and data came together in the draft.
      } as WorkStep;
    },
  );
}

/** All tools of an order of work, each once, in the order in which they are first needed. */
export const toolsOf = (steps: readonly WorkStep[]): Tool[] => [
  ...new Set(steps.flatMap(({ tools }) => tools)),
];
