/** What is done, by its kind. The words are the contract's. */
export const workCodes = [
  'ask-permission',
  'prove-existing',
  'lay-out',
  'close-supply',
  'isolate-existing',
  'relieve-pressure',
  'feed-valve-adapter',
  'feed-hose-adapter',
  'feed-three-way',
  'feed-saddle',
  'fit-regulator',
  'fit-leak-stop',
  'prove-spout',
  'call-mason',
  'drill-tap-hole',
  'mount-tap',
  'mount-on-bracket',
  'mount-air-gap-tap',
  'place-dispenser',
  'pass-cables',
  'drill-drain',
  'fit-saddle',
  'fit-standpipe',
  'drill-through',
  'drill-panel',
  'hang-unit',
  'stand-unit',
  'join-bank',
  'fit-restrictor',
  'check-precharge',
  'fit-tank-valve',
  'place-tank',
  'mount-pump',
  'mount-permeate-pump',
  'mount-lamp',
  'cut-product-line',
  'fit-branch',
  'run-tube',
  'power',
  'label-tubes',
  'tug-test',
  'clear-up',
] as const;
export type WorkCode = (typeof workCodes)[number];

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
  | 'clearance-lamp';

/** Parts that a step takes: a part's id in the system, or the role of a fitting. */
export interface StepPart {
  key: string;
  quantity: number;
}

/** One thing to do, with what it takes and what proves it done. */
export interface WorkStep {
  id: string;
  code: WorkCode;
  /** Steps that physics puts before it. */
  after: string[];
  tools: Tool[];
  parts: StepPart[];
  cautions: Caution[];
  data: Readonly<Record<string, number | string>>;
  /** What the step was made from: another mark means that it must be done again. */
  mark: string;
}

/** A step before its place among the others is known. */
export interface StepDraft {
  code: WorkCode;
  /** Absent: its code. */
  id?: string;
  /** Steps it stands on; those that this work does not have are left out. */
  after?: readonly string[];
  tools?: readonly Tool[];
  parts?: readonly (StepPart | string)[];
  cautions?: readonly Caution[];
  data?: WorkStep['data'];
}

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
        data,
        mark: JSON.stringify([
          code,
          Object.fromEntries(made),
          taken.map(({ key, quantity }) => `${quantity}x${key}`).join(' '),
        ]),
      };
    },
  );
}

/** All tools of an order of work, each once, in the order in which they are first needed. */
export const toolsOf = (steps: readonly WorkStep[]): Tool[] => [
  ...new Set(steps.flatMap(({ tools }) => tools)),
];
