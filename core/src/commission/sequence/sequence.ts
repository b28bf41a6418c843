import { stepsOfPlace } from '../../plumbing/places/place.ts';
import type { WorkStep } from '../../plumbing/order/workStep.ts';
import {
  type InstalledSystem,
  isAddedLamp,
  isUltravioletLine,
} from '../../system/ultravioletLine.ts';
import type { FlushStep } from '../flush/flushStep.ts';
import { type Effect, flushEffects, workEffects } from './effects.ts';
import { before, handedOver, missing, type Simple, type SiteState } from './siteState.ts';

/** A thing in the sequence that has not what it needs, or is left as it must not be. */
export interface SequenceFault {
  /** The step; null for the state at the end. */
  step: string | null;
  needs: string;
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
