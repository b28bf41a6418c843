import { closesHot } from '../plumbing/order/houseSteps.ts';
import { stepsOfPlace } from '../plumbing/places/place.ts';
import type { WorkFacts } from '../plumbing/order/workFacts.ts';
import type { WorkCode, WorkStep } from '../plumbing/order/workStep.ts';
import { type InstalledSystem, isAddedLamp, isUltravioletLine } from '../system/ultravioletLine.ts';
import type { Tube } from '../hydraulics/tubeLoss.ts';
import { type FlushFacts, type FlushWays, isSealed, usualFlushWays } from './flush/flushPlan.ts';
import type { FlushStep, FlushStepCode } from './flush/flushStep.ts';

/** What a flush is told beside system and plumbing. */
export type FlushCircumstances = Pick<FlushFacts, 'regulatorBar' | 'disinfected' | 'sanitise'> & {
  ways: FlushWays;
};

/** Whether a mixer's hot side is closed with the cold while the feed is joined. */
export const hotSideOf = (system: InstalledSystem, feed: WorkFacts['feed']): boolean =>
  !isAddedLamp(system) && closesHot(system, feed);

const plainCircumstances: FlushCircumstances = {
  regulatorBar: null,
  disinfected: false,
  sanitise: false,
  ways: usualFlushWays,
};

/** What a flush needs to know of a plumbing. */
export function flushFactsOf(
  system: InstalledSystem,
  { feed, tubes }: Pick<WorkFacts, 'feed' | 'tubes'>,
  circumstances: FlushCircumstances = plainCircumstances,
): FlushFacts {
  const last = `prefilter-${system.prefilters.length}`;
  return {
    ...circumstances,
    hotSide: hotSideOf(system, feed),
    bucketTube: tubes.find(({ from }) => from === last)?.label ?? null,
    regulatorBar: isAddedLamp(system) ? null : circumstances.regulatorBar,
    feedTubes: tubes
      .filter((tube) => tube.function === 'feed')
      .map(({ boreMm, takenM }): Tube => ({ innerDiameterMm: boreMm, lengthM: takenM })),
  };
}

type Valve = 'open' | 'closed';

/** How valves, power and joints stand between two steps; what a system does not have stands as at hand-over. */
export interface SiteState {
  /** The house's cold stop valve, and a mixer's hot one. */
  house: Valve;
  hotSide: Valve;
  /** The unit's own feed valve. */
  feed: Valve;
  tap: Valve;
  tank: Valve;
  branches: Valve;
  power: 'plugged' | 'unplugged';
  lamp: 'plugged' | 'unplugged';
  /** The tube behind the pre-filters: on, or its end in a bucket. */
  bucketTube: 'on' | 'off';
  membrane: 'in' | 'out';
  cartridges: 'in' | 'out';
  prefilters: 'new' | 'flushed';
  /** Water that has run through membrane and product line. */
  product: 'none' | 'rinsed' | 'flushed';
  /** Tubes that are laid. */
  tubes: ReadonlySet<string>;
  /** Joints that were seen dry under the pressure that they will bear. */
  proven: ReadonlySet<'house-tee' | 'feed-side' | 'product-side' | 'tank'>;
}

/** A thing in the sequence that has not what it needs, or is left as it must not be. */
export interface SequenceFault {
  /** The step; null for the state at the end. */
  step: string | null;
  needs: string;
}

type Simple = Omit<SiteState, 'tubes' | 'proven'>;
type Condition = Partial<Simple>;

/** What a step needs, what it leaves, and which joints it proves. A proof can only be seen while what it needs is so. */
interface Effect {
  needs?: Condition;
  /** How it stands while it is done, where that is neither before nor after. */
  during?: Condition;
  leaves?: Condition | undefined;
  proves?: SiteState['proven'] extends ReadonlySet<infer J> ? readonly J[] : never;
  /** All tubes laid. */
  joined?: boolean;
}

const closedFeed: Condition = { feed: 'closed' };

const workEffects: Record<WorkCode, Effect> = {
  'ask-permission': {},
  'prove-existing': {},
  'lay-out': {},
  'close-supply': { leaves: { house: 'closed' } },
  'isolate-existing': { leaves: { feed: 'closed' } },
  'relieve-pressure': {},
  'feed-valve-adapter': { needs: { house: 'closed' }, leaves: closedFeed },
  'feed-hose-adapter': { needs: { house: 'closed' }, leaves: closedFeed },
  'feed-three-way': { needs: { house: 'closed' }, leaves: closedFeed },
  'feed-saddle': { needs: { house: 'closed' }, leaves: closedFeed },
  'fit-regulator': { needs: closedFeed },
  'fit-leak-stop': {},
  'prove-spout': {},
  'call-mason': {},
  'drill-tap-hole': {},
  'mount-tap': { leaves: { tap: 'closed' } },
  // Both of the old tap's hoses come off.
  'take-out-tap': { needs: { house: 'closed', hotSide: 'closed' } },
  'mount-combined-tap': {
    needs: { house: 'closed', hotSide: 'closed' },
    leaves: { tap: 'closed' },
  },
  'mount-on-bracket': { leaves: { tap: 'closed' } },
  'mount-air-gap-tap': { leaves: { tap: 'closed' } },
  'place-dispenser': { leaves: { tap: 'closed' } },
  'pass-cables': { needs: { power: 'unplugged' } },
  'drill-drain': {},
  'fit-saddle': {},
  'fit-standpipe': {},
  'drill-through': {},
  'drill-panel': {},
  'hang-unit': { needs: { membrane: 'out' } },
  'stand-unit': { needs: { power: 'unplugged' } },
  'join-bank': {},
  'fit-restrictor': {},
  'check-precharge': {},
  'fit-tank-valve': { leaves: { tank: 'closed' } },
  'place-tank': {},
  'mount-pump': { needs: { power: 'unplugged' } },
  'mount-permeate-pump': {},
  'mount-lamp': { needs: { lamp: 'unplugged' } },
  'cut-product-line': { needs: closedFeed },
  'fit-branch': { leaves: { branches: 'closed' } },
  'run-tube': { needs: closedFeed },
  power: { needs: { power: 'unplugged', lamp: 'unplugged' } },
  'label-tubes': { joined: true },
  'tug-test': { joined: true },
  'clear-up': { needs: closedFeed, joined: true },
};

/** Water on the way to the tap: feed open, the membrane joined. */
const running: Condition = { house: 'open', feed: 'open', bucketTube: 'on', membrane: 'in' };
const making: Condition = { ...running, power: 'plugged' };

const flushEffects: {
  [C in FlushStepCode]: (data: Extract<FlushStep, { code: C }>['data']) => Effect;
} = {
  'reopen-house': () => ({
    needs: closedFeed,
    leaves: { house: 'open', hotSide: 'open' },
    proves: ['house-tee'],
    joined: true,
  }),
  'take-tube-off': () => ({
    needs: { ...closedFeed, membrane: 'out' },
    leaves: { bucketTube: 'off' },
  }),
  'sanitise-dose': () => ({
    needs: { ...closedFeed, house: 'open', membrane: 'out', bucketTube: 'off' },
    leaves: { cartridges: 'out' },
  }),
  'sanitise-fill': () => ({
    needs: { ...closedFeed, house: 'open', membrane: 'out', cartridges: 'out', bucketTube: 'off' },
    during: { feed: 'open' },
    leaves: closedFeed,
  }),
  'sanitise-contact': () => ({ needs: { ...closedFeed, membrane: 'out', cartridges: 'out' } }),
  'sanitise-rinse': () => ({
    needs: { ...closedFeed, membrane: 'out', cartridges: 'out', bucketTube: 'off' },
    during: { feed: 'open' },
    leaves: closedFeed,
  }),
  'fit-cartridges': () => ({
    needs: { ...closedFeed, cartridges: 'out' },
    leaves: { cartridges: 'in' },
  }),
  'crack-feed-open': () => ({
    needs: { house: 'open', feed: 'closed', power: 'unplugged', cartridges: 'in' },
    leaves: { feed: 'open' },
  }),
  'leak-check': ({ state }) =>
    state === 'filling'
      ? { needs: { house: 'open', feed: 'open' } }
      : state === 'pressurised'
        ? { needs: running, leaves: { tap: 'closed' }, proves: ['feed-side', 'product-side'] }
        : { needs: { ...making, tank: 'open', tap: 'closed' }, proves: ['tank'] },
  'prefilter-flush': () => ({
    needs: { house: 'open', feed: 'open', bucketTube: 'off', membrane: 'out', power: 'unplugged' },
    leaves: { prefilters: 'flushed' },
  }),
  'auto-flush': () => ({
    needs: { house: 'open', feed: 'open', power: 'plugged' },
    leaves: { prefilters: 'flushed' },
  }),
  'close-feed': () => ({ needs: { feed: 'open', bucketTube: 'off' }, leaves: closedFeed }),
  'fit-membrane': () => ({
    needs: { ...closedFeed, prefilters: 'flushed', membrane: 'out', power: 'unplugged' },
    leaves: { membrane: 'in' },
  }),
  'put-tube-on': () => ({
    needs: { ...closedFeed, bucketTube: 'off', membrane: 'in' },
    leaves: { bucketTube: 'on' },
  }),
  'set-regulator': () => ({ needs: { house: 'open', feed: 'open' } }),
  'open-feed': () => ({
    needs: { house: 'open', feed: 'closed', bucketTube: 'on', membrane: 'in', power: 'unplugged' },
    leaves: { feed: 'open', tap: 'open' },
  }),
  'plug-in': () => ({ needs: running, leaves: { power: 'plugged' } }),
  'line-flush': () => ({
    needs: { house: 'open', feed: 'open', lamp: 'unplugged' },
    during: { tap: 'open' },
    leaves: { prefilters: 'flushed', product: 'flushed', tap: 'closed' },
  }),
  'reopen-existing': () => ({
    needs: closedFeed,
    leaves: { feed: 'open', tank: 'open' },
    joined: true,
  }),
  'lamp-fill': () => ({
    needs: { feed: 'open', lamp: 'unplugged' },
    during: { tap: 'open' },
    leaves: { product: 'flushed' },
  }),
  'mesh-check': () => ({ needs: { feed: 'open' } }),
  'membrane-rinse': () => ({
    needs: { ...making, tank: 'closed', prefilters: 'flushed' },
    during: { tap: 'open' },
    leaves: { product: 'rinsed', tap: 'open' },
  }),
  'close-tap-open-tank': () => ({
    needs: { ...making, tap: 'closed', tank: 'closed' },
    leaves: { tank: 'open' },
  }),
  'tank-fill': ({ kept }) => ({
    needs: { ...making, tap: 'closed', tank: 'open', product: kept ? 'flushed' : 'rinsed' },
  }),
  'night-rest': () => ({ needs: { tank: 'open', tap: 'closed' } }),
  'tank-drain': ({ cycle, cycles, feedClosed }) => ({
    needs: { tank: 'open', tap: 'closed' },
    during: { tap: 'open', feed: feedClosed ? 'closed' : 'open' },
    leaves: { tap: 'closed', ...(cycle === cycles ? { product: 'flushed' as const } : {}) },
  }),
  'run-open-tap': () => ({
    needs: { ...making, prefilters: 'flushed' },
    during: { tap: 'open' },
    leaves: { product: 'flushed', tap: 'closed' },
  }),
  'lamp-on': () => ({ needs: { feed: 'open', lamp: 'unplugged' }, leaves: { lamp: 'plugged' } }),
  'dispenser-rinse': () => ({ needs: making, during: { tap: 'open' } }),
  'heater-on': () => ({ needs: making }),
  // That all are open is counted, see below.
  'open-branch': () => ({ needs: { ...making, product: 'flushed', branches: 'closed' } }),
  'rest-and-recheck': () => ({ needs: handedOver }),
};

/** How everything stands when the installer goes. */
const handedOver: Condition = {
  house: 'open',
  hotSide: 'open',
  feed: 'open',
  tap: 'closed',
  tank: 'open',
  branches: 'open',
  power: 'plugged',
  lamp: 'plugged',
  bucketTube: 'on',
  membrane: 'in',
  cartridges: 'in',
  product: 'flushed',
};

/** A house before anything is done. What the system does not have stands as it will at the end. */
function before(system: InstalledSystem): SiteState {
  const design = isUltravioletLine(system) ? null : system;
  return {
    house: 'open',
    hotSide: 'open',
    feed: 'open',
    tap: 'closed',
    tank: 'open',
    branches: 'open',
    power: design?.pump ? 'unplugged' : 'plugged',
    lamp: system.lamp ? 'unplugged' : 'plugged',
    bucketTube: 'on',
    membrane: !design || isSealed(design) ? 'in' : 'out',
    cartridges: 'in',
    // Sealed ones are flushed with the membrane, by the unit or at the open tap.
    prefilters: system.prefilters.length > 0 && !(design && isSealed(design)) ? 'new' : 'flushed',
    product: 'none',
    tubes: new Set(),
    proven: new Set(),
  };
}

/** What a system does not have, no step waits for. */
function missing(system: InstalledSystem): ReadonlySet<keyof Simple> {
  const design = isUltravioletLine(system) ? null : system;
  const not: [keyof Simple, boolean][] = [
    ['power', !design?.pump],
    ['lamp', !system.lamp],
    ['tank', !design?.tank || design.tank.internal === true],
    ['branches', !design || design.branches.length === 0],
    ['membrane', !design || isSealed(design)],
    ['prefilters', system.prefilters.length === 0],
    ['house', isAddedLamp(system)],
  ];
  return new Set(not.filter(([, is]) => is).map(([key]) => key));
}

/**
 * Every state of a site through the work and the flush, and every fault: a step without what it needs, a tube laid before its ends are
 * up, and whatever at the end is still closed, unplugged, taken off or unproven.
 */
export function sequence(
  system: InstalledSystem,
  work: readonly WorkStep[],
  flush: readonly FlushStep[],
): { states: SiteState[]; faults: SequenceFault[] } {
  const laid = work.filter((step) => step.code === 'run-tube').map(({ id }) => id);
  const isAdded = isAddedLamp(system);
  const without = missing(system);
  const faults: SequenceFault[] = [];
  const states: SiteState[] = [before(system)];
  const done = new Set<string>();
  const ids = new Set(work.map(({ id }) => id));
  const take = (id: string, { needs = {}, leaves, proves = [], joined }: Effect) => {
    const state = states.at(-1)!;
    for (const [key, wanted] of Object.entries(needs) as [keyof Simple, string][])
      if (!without.has(key) && state[key] !== wanted)
        faults.push({ step: id, needs: `${key} ${wanted}` });
    if (joined && laid.some((tube) => !state.tubes.has(tube)))
      faults.push({ step: id, needs: 'all tubes joined' });
    states.push({
      ...state,
      ...leaves,
      tubes: laid.includes(id) ? new Set([...state.tubes, id]) : state.tubes,
      proven: proves.length > 0 ? new Set([...state.proven, ...proves]) : state.proven,
    });
    done.add(id);
  };
  for (const step of work) {
    if (step.code === 'run-tube')
      for (const place of [step.data.from, step.data.to])
        if (stepsOfPlace(place).some((up) => ids.has(up) && !done.has(up)))
          faults.push({ step: step.id, needs: `${place} up` });
    const hot = step.code === 'close-supply' && step.data.hotSide === 1;
    const effect = workEffects[step.code];
    take(step.id, hot ? { ...effect, leaves: { ...effect.leaves, hotSide: 'closed' } } : effect);
  }
  let shut = isUltravioletLine(system) ? 0 : system.branches.length;
  for (const step of flush) {
    // Code and data of a step belong together; indexed by the code the compiler no longer sees it.
    const effect = flushEffects[step.code] as (data: FlushStep['data']) => Effect;
    const last = step.code === 'open-branch' && (shut -= 1) === 0;
    const { leaves, ...rest } = effect(step.data);
    take(step.id, { ...rest, leaves: last ? { ...leaves, branches: 'open' } : leaves });
  }
  const end = states.at(-1)!;
  for (const [key, wanted] of Object.entries(handedOver) as [keyof Simple, string][])
    if (end[key] !== wanted) faults.push({ step: null, needs: `${key} ${wanted}` });
  const design = isUltravioletLine(system) ? null : system;
  for (const joint of [
    ...(isAdded ? [] : (['house-tee'] as const)),
    'feed-side' as const,
    'product-side' as const,
    ...(design?.tank && flush.some(({ code }) => code === 'tank-fill') ? (['tank'] as const) : []),
  ])
    if (!end.proven.has(joint)) faults.push({ step: null, needs: `${joint} proven` });
  if (end.prefilters !== 'flushed') faults.push({ step: null, needs: 'prefilters flushed' });
  return { states, faults };
}

/** How far water has come: nothing beyond is wet yet. */
export type WaterReach = 'house' | 'feed-side' | 'product' | 'tank';

/** How valves, plugs and water stand while a step of the flush is done. */
export interface FlushState extends Simple {
  reach: WaterReach;
}

/** A site as the work leaves it and the flush finds it. */
export const workDone = (
  system: InstalledSystem,
  { hotSide }: Pick<FlushFacts, 'hotSide'>,
): SiteState => {
  const without = missing(system);
  const closed = (key: keyof Simple): Valve => (without.has(key) ? 'open' : 'closed');
  return {
    ...before(system),
    house: closed('house'),
    hotSide: hotSide ? 'closed' : 'open',
    feed: 'closed',
    tank: closed('tank'),
    branches: closed('branches'),
  };
};

/**
 * How everything stands while each step is done, step by step: which valves are open, what is plugged in, and how far water has come.
 */
export function flushStates(
  system: InstalledSystem,
  flush: readonly FlushStep[],
  facts: Pick<FlushFacts, 'hotSide'>,
): FlushState[] {
  let state: Simple = workDone(system, facts);
  const reaches: WaterReach[] = ['house', 'feed-side', 'product', 'tank'];
  // Water that stood in a system that is there stays in it.
  let reach: WaterReach = isAddedLamp(system) ? 'feed-side' : 'house';
  let shut = isUltravioletLine(system) ? 0 : system.branches.length;
  return flush.map((step) => {
    const effect = flushEffects[step.code] as (data: FlushStep['data']) => Effect;
    const { during, leaves = {} } = effect(step.data);
    const now: Simple = { ...state, ...leaves, ...during };
    const furthest = reaches.indexOf(reachOf(system, now));
    if (furthest > reaches.indexOf(reach)) reach = reaches[furthest]!;
    state = { ...state, ...leaves };
    if (step.code === 'open-branch' && (shut -= 1) === 0) state = { ...state, branches: 'open' };
    return { ...now, branches: state.branches, reach };
  });
}

/** Where water gets to as everything stands. */
function reachOf(
  system: InstalledSystem,
  { house, feed, bucketTube, membrane, tank }: Simple,
): WaterReach {
  if (house === 'closed' || feed === 'closed') return 'house';
  if (bucketTube === 'off' || membrane === 'out') return 'feed-side';
  const hasTank = !isUltravioletLine(system) && system.tank !== null;
  return hasTank && tank === 'open' ? 'tank' : 'product';
}
