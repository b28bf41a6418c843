import type { SystemDesign } from '../../system/design.ts';
import { opensOf } from './changeOutPlan.ts';
import { mendings } from './mending.ts';
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
    return { needs: { ...shut, tap: 'open' }, leaves: { ...leaves, joints: 'unproven' } };
  },
  change: ({ what }) => {
    const opens = opensOf(what);
    if (opens === 'nothing') return { needs: { feed: 'open' } };
    if (opens === 'tank') return { needs: { ...shut, tap: 'open', tankWater: 'out' } };
    return {
      needs: { ...shut, tap: 'open', ...(what === 'lamp' ? { lamp: 'unplugged' } : {}) },
      leaves: { water: 'unflushed', joints: 'unproven' },
    };
  },
  'close-tap': () => ({ needs: { tap: 'open' }, leaves: { tap: 'closed' } }),
  'open-feed': ({ tap }) => ({
    needs: { feed: 'closed', pump: 'unplugged', tap },
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
const without = ({ pump, lamp, tank }: SystemDesign): ReadonlySet<keyof ServiceState> =>
  new Set([
    ...(pump ? [] : (['pump'] as const)),
    ...(lamp ? [] : (['lamp'] as const)),
    // Without a valve of its own it is neither opened nor closed.
    ...(tank && !tank.internal ? [] : (['tank'] as const)),
    ...(tank ? [] : (['tankWater'] as const)),
  ]);

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
