import type { SystemDesign } from '../../system/design.ts';
import { isSealed } from '../flush/flushPlan.ts';
import { opensOf } from './changeOutPlan.ts';
import { mendings, putsPrefilter } from './mending.ts';
import {
  inUse,
  type ServiceCode,
  type ServiceData,
  type ServiceState,
  type ServiceStep,
} from './serviceStep.ts';

interface ServiceEffect {
  needs?: Partial<ServiceState>;
  leaves?: Partial<ServiceState>;
}

const shut: Partial<ServiceState> = { feed: 'closed', pressure: 'off', pump: 'unplugged' };
const open: Partial<ServiceState> = { ...shut, tap: 'open' };
/** Nothing that is spoilt by it stands where bleach goes. */
const bare: Partial<ServiceState> = { ...open, cartridges: 'out', membrane: 'out' };
/** Neither dust nor bleach can reach the membrane. */
const clean: Partial<ServiceState> = { prefilters: 'flushed', bleach: 'none', cartridges: 'in' };
const effects: { [C in ServiceCode]: (data: ServiceData[C]) => ServiceEffect } = {
  'close-feed': () => ({ needs: { feed: 'open' }, leaves: { feed: 'closed' } }),
  unplug: ({ pump, lamp }) => ({
    leaves: { ...(pump ? { pump: 'unplugged' } : {}), ...(lamp ? { lamp: 'unplugged' } : {}) },
  }),
  'close-tank': () => ({ needs: { feed: 'closed' }, leaves: { tank: 'closed' } }),
  'let-off': ({ tank }) => ({
    needs: { feed: 'closed', tank: tank ? 'open' : 'closed' },
    leaves: { tap: 'open', pressure: 'off', ...(tank ? { tankWater: 'out' } : {}) },
  }),
  mend: ({ fault }) => {
    const { opens, runs } = mendings[fault];
    const leaves: Partial<ServiceState> = runs ? { water: 'unflushed' } : {};
    if (opens === 'nothing') return { leaves };
    if (opens === 'tank') return { needs: { ...shut, tap: 'open', tankWater: 'out' } };
    if (opens === 'new-tank') {
      return {
        needs: { ...shut, tap: 'open', tankWater: 'out' },
        leaves: { ...leaves, joints: 'unproven' },
      };
    }
    return {
      needs: { ...open, bleach: 'none' },
      leaves: {
        ...leaves,
        joints: 'unproven',
        ...(putsPrefilter(fault) ? { prefilters: 'new' } : {}),
      },
    };
  },
  'take-out': () => ({
    needs: open,
    leaves: { cartridges: 'out', membrane: 'out', water: 'unflushed', joints: 'unproven' },
  }),
  'sanitise-dose': () => ({ needs: bare, leaves: { bleach: 'in' } }),
  'sanitise-fill': () => ({ needs: { ...bare, bleach: 'in' } }),
  'sanitise-contact': () => ({ needs: { ...bare, bleach: 'in' } }),
  'sanitise-rinse': () => ({ needs: { ...bare, bleach: 'in' }, leaves: { bleach: 'none' } }),
  'put-back': ({ what }) =>
    what === 'cartridges'
      ? {
          needs: { ...open, bleach: 'none' },
          leaves: { cartridges: 'in', prefilters: 'new' },
        }
      : { needs: { ...open, ...clean, membrane: 'out' }, leaves: { membrane: 'in' } },
  'tube-off': () => ({ needs: open, leaves: { bucketTube: 'off' } }),
  'bucket-flush': () => ({
    needs: { ...open, bucketTube: 'off', cartridges: 'in', bleach: 'none' },
    leaves: { prefilters: 'flushed' },
  }),
  'tube-on': () => ({
    needs: { ...open, bucketTube: 'off', prefilters: 'flushed' },
    leaves: { bucketTube: 'on' },
  }),
  change: ({ what, closing }) => {
    const opens = opensOf(what);
    if (what === 'germ-test') return { needs: { feed: 'open', joints: 'proven', water: 'clear' } };
    if (opens === 'nothing') return { needs: { feed: 'open' } };
    if (opens === 'tank') return { needs: { ...shut, tap: 'open', tankWater: 'out' } };
    const leaves: Partial<ServiceState> = { water: 'unflushed', joints: 'unproven' };
    if (what === 'membrane')
      return { needs: { ...open, ...clean }, leaves: { ...leaves, membrane: 'in' } };
    const isNew = (what === 'sediment' || what === 'carbon') && closing === 'housing';
    return {
      needs: { ...open, bleach: 'none', ...(what === 'lamp' ? { lamp: 'unplugged' } : {}) },
      leaves: { ...leaves, ...(isNew ? { prefilters: 'new' } : {}) },
    };
  },
  'close-tap': () => ({ needs: { tap: 'open' }, leaves: { tap: 'closed' } }),
  'open-feed': ({ tap }) => ({
    needs: { feed: 'closed', pump: 'unplugged', tap, bucketTube: 'on', membrane: 'in', ...clean },
    leaves: { feed: 'open', pressure: 'on' },
  }),
  'plug-in': ({ pump, lamp }) => ({
    // A pump that runs with its feed closed runs dry.
    needs: { feed: 'open' },
    leaves: { ...(pump ? { pump: 'plugged' } : {}), ...(lamp ? { lamp: 'plugged' } : {}) },
  }),
  'leak-check': () => ({
    needs: { feed: 'open', pressure: 'on', pump: 'plugged' },
    leaves: { joints: 'proven' },
  }),
  run: () => ({
    needs: { feed: 'open', tap: 'open', tank: 'closed', pump: 'plugged', joints: 'proven' },
    leaves: { water: 'clear' },
  }),
  'open-tank': () => ({
    needs: { feed: 'open', tap: 'closed', joints: 'proven', water: 'clear' },
    leaves: { tank: 'open', tankWater: 'in' },
  }),
  'drain-tank': () => ({ needs: { feed: 'open', tank: 'open', water: 'clear' } }),
  verify: () => ({ needs: { feed: 'open', joints: 'proven', water: 'clear' } }),
};

/** What a system does not have, no step waits for. */
const without = (design: SystemDesign): ReadonlySet<keyof ServiceState> => {
  const { pump, lamp, tank } = design;
  return new Set([
    // Sealed ones are run clear by the unit itself, or at the open tap.
    ...(isSealed(design) ? (['prefilters', 'bucketTube'] as const) : []),
    ...(pump ? [] : (['pump'] as const)),
    ...(lamp ? [] : (['lamp'] as const)),
    // Without a valve of its own it is neither opened nor closed.
    ...(tank && !tank.internal ? [] : (['tank'] as const)),
    ...(tank ? [] : (['tankWater'] as const)),
  ]);
};

/** A step that has not what it needs, or how the system must not be left. */
export interface ServiceFault {
  /** The step; null for how it is left. */
  step: string | null;
  needs: string;
}

/** Every state of a system in use through the steps, the first before them, and every fault on the way. */
export function serviceStates(
  design: SystemDesign,
  steps: readonly ServiceStep[],
): { states: ServiceState[]; faults: ServiceFault[] } {
  const missing = without(design);
  const faults: ServiceFault[] = [];
  const states: ServiceState[] = [inUse];
  const hold = (step: string | null, wanted: Partial<ServiceState>) => {
    const now = states.at(-1)!;
    for (const key of Object.keys(wanted) as (keyof ServiceState)[])
      if (!missing.has(key) && now[key] !== wanted[key])
        faults.push({ step, needs: `${key} ${wanted[key]}` });
  };
  for (const step of steps) {
    // Code and data of a step belong together; indexed by the code the compiler no longer sees it.
    const effect = (effects[step.code] as (data: ServiceStep['data']) => ServiceEffect)(step.data);
    hold(step.id, effect.needs ?? {});
    states.push({ ...states.at(-1)!, ...effect.leaves });
  }
  // The tank fills by itself once its valve is open.
  const { tankWater: _fills, ...left } = inUse;
  hold(null, left);
  return { states, faults };
}
