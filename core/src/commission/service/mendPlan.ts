import { flushTimes } from '../../base/practice.ts';
import type { SystemDesign } from '../../system/design.ts';
import type { FaultCode } from '../diagnosis/fault.ts';
import { mendings } from './mending.ts';
import type { ServiceCode, ServiceData, ServiceStep } from './serviceStep.ts';

/** Minutes that something has to run, tap open and tank closed: a default of practice. */
const runMinutes = {
  carbon: flushTimes.prefilter,
  membrane: flushTimes.openTap,
  line: flushTimes.simpleStep,
} as const;

/**
 * The steps that mend one fault or two at once, from a system in use back to a system in use, and the verification at the end. What opens
 * nothing is done as it stands; everything else in one opening.
 */
export function mendPlan(design: SystemDesign, faults: readonly FaultCode[]): ServiceStep[] {
  const steps: ServiceStep[] = [];
  const add = <C extends ServiceCode>(code: C, data: ServiceData[C]) =>
    steps.push({
      id: `${code}-${steps.filter((step) => step.code === code).length + 1}`,
      code,
      data,
    } as ServiceStep);
  const opened = faults.filter((fault) => mendings[fault].opens !== 'nothing');
  for (const fault of faults) if (!opened.includes(fault)) add('mend', { fault });
  if (opened.length > 0) openAndMend();
  add('verify', {});
  return steps;

  function openAndMend(): void {
    const opens = new Set(opened.map((fault) => mendings[fault].opens));
    const ofTank = opens.has('tank') || opens.has('new-tank');
    const wet = opens.has('unit') || opens.has('new-tank');
    const pump = design.pump !== null;
    const tank = design.tank !== null;
    const ownValve = tank && design.tank?.internal !== true;
    add('close-feed', {});
    if (pump) add('unplug', { pump, lamp: false });
    // A tank whose own air or bladder is at stake is emptied; any other keeps its water.
    if (ownValve && !ofTank) add('close-tank', {});
    add('let-off', { tank: tank && (ofTank || !ownValve) });
    for (const fault of opened) add('mend', { fault });
    const runs = opened.flatMap((fault) => mendings[fault].runs ?? []);
    if (!wet) {
      add('close-tap', {});
      add('open-feed', { tap: 'closed' });
      if (pump) add('plug-in', { pump, lamp: false });
      return;
    }
    if (ownValve && ofTank) add('close-tank', {});
    add('open-feed', { tap: 'open' });
    if (pump) add('plug-in', { pump, lamp: false });
    add('leak-check', {});
    if (runs.length > 0) add('run', { minutes: Math.max(...runs.map((what) => runMinutes[what])) });
    add('close-tap', {});
    if (ownValve) add('open-tank', {});
    if (tank && (opens.has('new-tank') || runs.includes('membrane'))) add('drain-tank', {});
  }
}
