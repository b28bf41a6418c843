import {
  type InstalledSystem,
  isAddedLamp,
  isUltravioletLine,
} from '../../system/ultravioletLine.ts';
import { isSealed } from '../flush/flushPlan.ts';

export type Valve = 'open' | 'closed';

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

/** The state of what valves, plugs and hands have changed. */
export type Simple = Omit<SiteState, 'tubes' | 'proven'>;
export type Condition = Partial<Simple>;

/** How everything stands when the installer goes. */
export const handedOver: Condition = {
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
export function before(system: InstalledSystem): SiteState {
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
export function missing(system: InstalledSystem): ReadonlySet<keyof Simple> {
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
