import { type InstalledSystem, isUltravioletLine } from '../ultraviolet/ultravioletLine.ts';
import { fullTankKg } from './bodies.ts';
import type { DrainHole } from './drainHole.ts';
import type { FeedChoice } from './feedConnection.ts';
import type { PlumbingSite } from './siteFacts.ts';
import type { TapHole } from './tapHole.ts';
import type { ScheduledTube } from './tubeSchedule.ts';

export type WorkCode =
  | 'ask-permission'
  | 'lay-out'
  | 'close-supply'
  | 'relieve-pressure'
  | 'feed-valve-adapter'
  | 'feed-hose-adapter'
  | 'feed-three-way'
  | 'feed-saddle'
  | 'fit-regulator'
  | 'fit-leak-stop'
  | 'prove-spout'
  | 'call-mason'
  | 'drill-tap-hole'
  | 'mount-tap'
  | 'mount-air-gap-tap'
  | 'drill-drain'
  | 'fit-saddle'
  | 'fit-standpipe'
  | 'hang-unit'
  | 'fit-restrictor'
  | 'check-precharge'
  | 'fit-tank-valve'
  | 'place-tank'
  | 'mount-pump'
  | 'mount-permeate-pump'
  | 'mount-lamp'
  | 'run-tube'
  | 'branch-valve'
  | 'power'
  | 'label-tubes'
  | 'tug-test'
  | 'clear-up';

export type Tool =
  | 'gauge'
  | 'bucket'
  | 'towel'
  | 'spanner'
  | 'basin-spanner'
  | 'drill'
  | 'bit-drain'
  | 'bit-pilot'
  | 'bit-plastic'
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
  | 'sewer-gas'
  | 'do-not-overtighten'
  | 'no-tape-on-gaskets'
  | 'restrictor-never-left-out'
  | 'heavy-tank'
  | 'dry-hands'
  | 'ground-fault'
  | 'switched-outlet'
  | 'electrician'
  | 'lamp-unpowered'
  | 'feed-closed'
  | 'no-metal-pipe'
  | 'frost'
  | 'clearance';

/** One thing to do, with what it takes and what proves it done. The words are the contract's. */
export interface WorkStep {
  id: string;
  code: WorkCode;
  /** Steps that physics puts before it. */
  after: string[];
  tools: Tool[];
  cautions: Caution[];
  data: Readonly<Record<string, number | string>>;
  /** What the step was made from: another mark means that it must be done again. */
  mark: string;
}

export interface WorkFacts {
  system: InstalledSystem;
  site: PlumbingSite;
  feed: FeedChoice;
  drain: DrainHole;
  tap: TapHole;
  tubes: readonly ScheduledTube[];
  regulatorBar: number | null;
  leakStop: boolean;
}

/** The order of work for exactly this system on this site. */
export function workOrder(facts: WorkFacts): WorkStep[] {
  const { system, site, feed, drain, tap, tubes, regulatorBar, leakStop } = facts;
  const lit = isUltravioletLine(system);
  const steps: WorkStep[] = [];
  const has = (id: string) => steps.some((step) => step.id === id);
  const add = (
    code: WorkCode,
    after: string[],
    tools: Tool[],
    cautions: Caution[],
    data: WorkStep['data'] = {},
    id: string = code,
  ): void => {
    const known = after.filter(has);
    steps.push({
      id,
      code,
      after: known,
      tools,
      cautions,
      data,
      mark: JSON.stringify([code, data]),
    });
  };

  if (site.drilling === 'ask' || site.drilling === 'no')
    add('ask-permission', [], [], ['codes-first'], { drilling: site.drilling });
  add(
    'lay-out',
    [],
    ['tape-measure', 'marker', 'lamp'],
    site.frost === true ? ['codes-first', 'frost'] : ['codes-first'],
  );
  add('close-supply', [], ['spanner'], feed.way === 'hose-adapter' ? ['mixer-hot-side'] : []);
  add('relieve-pressure', ['close-supply'], ['bucket', 'towel'], []);
  addFeed();
  if (regulatorBar !== null)
    add('fit-regulator', ['feed'], ['spanner', 'gauge'], ['no-tape-on-gaskets'], {
      bar: regulatorBar,
    });
  if (leakStop) add('fit-leak-stop', ['feed'], ['screwdriver'], []);
  addTap();
  if (!lit) addDrain();
  add(
    'hang-unit',
    ['lay-out'],
    ['drill', 'screwdriver', 'spirit-level'],
    ['behind-the-wall', 'clearance'],
    {
      housings: system.prefilters.length,
    },
  );
  if (lit) {
    add('mount-lamp', ['hang-unit'], ['drill', 'screwdriver'], ['lamp-unpowered']);
  } else {
    addUnit();
  }
  for (const tube of tubes) addTube(tube);
  if (!lit && system.branch)
    add('branch-valve', ['tube:refrigerator'], ['tube-cutter'], ['feed-closed']);
  addPower();
  const all = tubes.map(({ id }) => `tube:${id}`);
  add('label-tubes', all, ['marker'], [], { tubes: tubes.length });
  add('tug-test', all, [], [], { tubes: tubes.length });
  add('clear-up', ['tug-test'], ['towel'], ['feed-closed']);
  return steps;

  function addFeed(): void {
    const thread = feed.thread ?? '';
    const ways = {
      'valve-adapter': [
        'feed-valve-adapter',
        ['spanner'],
        ['no-tape-on-gaskets', 'do-not-overtighten'],
      ],
      'hose-adapter': [
        'feed-hose-adapter',
        ['basin-spanner'],
        ['no-tape-on-gaskets', 'do-not-overtighten'],
      ],
      'three-way': ['feed-three-way', ['spanner', 'thread-tape'], ['codes-first']],
      saddle: ['feed-saddle', ['screwdriver', 'spanner'], ['saddle-barred', 'codes-first']],
    } as const;
    const [code, tools, cautions] = ways[feed.way];
    const plastic = feed.remarks.includes('drill-plastic-first');
    add(
      code,
      ['relieve-pressure'],
      plastic ? [...tools, 'drill', 'bit-plastic'] : [...tools],
      [...cautions],
      { thread, plastic: plastic ? 1 : 0 },
      'feed',
    );
  }

  function addTap(): void {
    const gap = drain.way === 'air-gap-tap';
    add('prove-spout', [], ['tape-measure'], []);
    if (tap.remarks.includes('stop-for-a-mason')) {
      add('call-mason', ['prove-spout'], [], ['stone-dust'], { holeMm: tap.holeMm }, 'tap-hole');
    } else if (tap.tool !== 'none') {
      const tools: Tool[] = ['drill', 'safety-glasses', 'marker'];
      if (tap.tool === 'step-drill') tools.push('bit-pilot', 'step-drill');
      if (tap.tool === 'wood-bit') tools.push('bit-pilot', 'wood-bit', 'sealant');
      if (tap.tool === 'diamond-core') tools.push('diamond-core', 'water-feed');
      const cautions: Caution[] = tap.tool === 'diamond-core' ? ['eyes', 'stone-dust'] : ['eyes'];
      const { holeMm, rpm, minutes, pilotMm, counter } = tap;
      add(
        'drill-tap-hole',
        ['prove-spout', 'ask-permission'],
        tools,
        cautions,
        { holeMm, rpm: rpm ?? 0, minutes, pilotMm: pilotMm ?? 0, counter: counter ?? '' },
        'tap-hole',
      );
    }
    add(
      gap ? 'mount-air-gap-tap' : 'mount-tap',
      ['tap-hole', 'prove-spout'],
      ['basin-spanner'],
      ['do-not-overtighten'],
      { holeMm: tap.holeMm },
      'tap',
    );
  }

  function addDrain(): void {
    if (drain.way === 'standpipe') {
      add('fit-standpipe', ['lay-out'], ['tape-measure'], ['codes-first'], {}, 'drain');
      return;
    }
    const { holeMm, insertMm, centreMm, place, deviation } = drain;
    const cautions: Caution[] = ['one-wall', 'eyes'];
    if (deviation) cautions.push('sewer-gas');
    const bits: Tool[] = ['drill', 'bit-drain', 'safety-glasses', 'tape-measure'];
    add('drill-drain', ['lay-out', 'ask-permission'], bits, cautions, { holeMm, centreMm, place });
    add(
      'fit-saddle',
      ['drill-drain'],
      ['screwdriver'],
      ['do-not-overtighten'],
      { insertMm, gap: drain.way === 'air-gap-tap' ? 1 : 0 },
      'drain',
    );
  }

  function addUnit(): void {
    if (isUltravioletLine(system)) return;
    add('fit-restrictor', ['hang-unit'], [], ['restrictor-never-left-out'], {
      name: system.restrictor.name,
    });
    if (system.tank) {
      const { volumeL, prechargeBar } = system.tank;
      add('check-precharge', [], ['tyre-gauge', 'hand-pump'], [], { bar: prechargeBar });
      add(
        'fit-tank-valve',
        ['check-precharge'],
        ['thread-tape', 'spanner'],
        ['do-not-overtighten'],
      );
      add(
        'place-tank',
        ['fit-tank-valve', 'lay-out'],
        ['screwdriver'],
        ['heavy-tank'],
        { kg: fullTankKg(volumeL) },
        'tank',
      );
    }
    if (system.pump)
      add('mount-pump', ['hang-unit'], ['screwdriver'], ['dry-hands'], { name: system.pump.name });
    if (system.permeatePump)
      add('mount-permeate-pump', ['hang-unit'], ['screwdriver'], [], {
        name: system.permeatePump.name,
      });
    if (system.lamp) add('mount-lamp', ['hang-unit'], ['drill', 'screwdriver'], ['lamp-unpowered']);
  }

  function addTube(tube: ScheduledTube): void {
    const product = tube.function === 'product' || tube.function === 'tank';
    add(
      'run-tube',
      [endStep(tube.from), endStep(tube.to)],
      ['tube-cutter', 'tape-measure'],
      product ? ['no-metal-pipe'] : [],
      {
        run: tube.id,
        from: tube.from,
        to: tube.to,
        cutM: Number(tube.cutM.toFixed(3)),
        size: tube.size,
        label: tube.label,
      },
      `tube:${tube.to === 'refrigerator' ? 'refrigerator' : tube.id}`,
    );
  }

  function addPower(): void {
    const powered = lit || system.pump !== null || system.lamp !== null;
    if (!powered) return;
    const cautions: Caution[] = ['dry-hands', 'ground-fault'];
    if (site.outlet === 'switched') cautions.push('switched-outlet');
    if (site.outlet === 'none' || site.outlet === null) cautions.push('electrician');
    add('power', ['hang-unit', 'mount-pump', 'mount-lamp'], [], cautions, {
      outlet: site.outlet ?? 'unseen',
    });
  }
}

/** The step that puts up what a tube ends at. */
function endStep(node: string): string {
  if (node === 'feed-valve') return 'feed';
  if (node === 'drain' || node === 'tap' || node === 'tank') return node;
  if (node === 'pump' || node === 'permeate-pump' || node === 'lamp') return `mount-${node}`;
  return 'hang-unit';
}

/**
 * Steps in the order that a person wants, as far as physics allows: each comes after what it stands on; what is not named keeps its
 * place behind the step before it.
 */
export function orderedWork(steps: readonly WorkStep[], wanted: readonly string[]): WorkStep[] {
  const rank = new Map<string, number>();
  steps.forEach((step, i) => {
    const named = wanted.indexOf(step.id);
    // Between two named steps a step that was never moved stands behind its neighbour of the usual order.
    const before = steps[i - 1];
    rank.set(step.id, named >= 0 ? named : (before ? rank.get(before.id)! : -1) + 1e-3);
  });
  const left = [...steps];
  const done = new Set<string>();
  const ordered: WorkStep[] = [];
  while (left.length > 0) {
    const ready = left.filter((step) => step.after.every((id) => done.has(id)));
    const next = ready.reduce((first, step) =>
      rank.get(step.id)! < rank.get(first.id)! ? step : first,
    );
    ordered.push(next);
    done.add(next.id);
    left.splice(left.indexOf(next), 1);
  }
  return ordered;
}

/** Whether a step may stand at a place of the order: nothing that it stands on comes later, nothing that stands on it earlier. */
export function mayMove(ordered: readonly WorkStep[], id: string, to: number): boolean {
  const without = ordered.filter((step) => step.id !== id);
  const step = ordered.find((one) => one.id === id);
  if (!step) return false;
  const place = (other: string) => without.findIndex((one) => one.id === other);
  return (
    step.after.every((other) => place(other) < to) &&
    without.every((other, i) => !other.after.includes(id) || i >= to)
  );
}

/** All tools of an order of work, each once, in the order in which they are first needed. */
export const toolsOf = (steps: readonly WorkStep[]): Tool[] => [
  ...new Set(steps.flatMap(({ tools }) => tools)),
];
