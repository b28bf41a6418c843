import type { WorkCode } from '../../plumbing/order/workStep.ts';
import type { FlushStep, FlushStepCode } from '../flush/flushStep.ts';
import { type Condition, handedOver, type SiteState } from './siteState.ts';

/** What a step needs, what it leaves, and which joints it proves. A proof can only be seen while what it needs is so. */
export interface Effect {
  needs?: Condition;
  /** How it stands while it is done, where that is neither before nor after. */
  during?: Condition;
  leaves?: Condition | undefined;
  proves?: SiteState['proven'] extends ReadonlySet<infer J> ? readonly J[] : never;
  /** All tubes laid. */
  joined?: boolean;
}

const closedFeed: Condition = { feed: 'closed' };

export const workEffects: Record<WorkCode, Effect> = {
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
  'use-passage': {},
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

export const flushEffects: {
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
    needs: { ...closedFeed, house: 'open', membrane: 'out', bucketTube: 'on', power: 'unplugged' },
    leaves: { cartridges: 'out' },
  }),
  'sanitise-fill': () => ({
    needs: { ...closedFeed, house: 'open', membrane: 'out', cartridges: 'out', bucketTube: 'on' },
    // A pump's solenoid and the lamp are on while it fills, and only then.
    during: { feed: 'open', tap: 'open', tank: 'open', power: 'plugged', lamp: 'plugged' },
    leaves: closedFeed,
  }),
  'sanitise-contact': () => ({ needs: { ...closedFeed, membrane: 'out', cartridges: 'out' } }),
  'sanitise-rinse': () => ({
    needs: { ...closedFeed, membrane: 'out', cartridges: 'out', bucketTube: 'on' },
    during: { feed: 'open', tap: 'open', tank: 'open', power: 'plugged', lamp: 'plugged' },
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
