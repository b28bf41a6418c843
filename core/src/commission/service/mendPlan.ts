import { flushTimes } from '../../base/practice.ts';
import type { SystemDesign } from '../../system/design.ts';
import type { FaultCode } from '../diagnosis/fault.ts';
import { mendings, putsMembrane, putsPrefilter } from './mending.ts';
import { type Act, type ServiceFacts, servicePlan } from './servicePlan.ts';
import type { ServiceStep } from './serviceStep.ts';

/** Minutes that something has to run, tap open and tank closed: a default of practice. */
export const runMinutes = {
  carbon: flushTimes.prefilter,
  membrane: flushTimes.openTap,
  line: flushTimes.simpleStep,
} as const;

/** What mending a fault opens, and what has to run afterwards. */
export function mendingAct(fault: FaultCode): Act {
  const { opens, runs } = mendings[fault];
  return {
    opens,
    runsMin: runs ? runMinutes[runs] : 0,
    drains: runs === 'membrane' || opens === 'new-tank',
    puts: putsPrefilter(fault) ? 'prefilter' : putsMembrane(fault) ? 'membrane' : undefined,
    step: { code: 'mend', data: { fault } },
  };
}

/** The steps that mend one fault or two at once, in one opening, and the verification at the end. */
export function mendPlan(
  design: SystemDesign,
  faults: readonly FaultCode[],
  facts?: ServiceFacts,
): ServiceStep[] {
  const steps = servicePlan(design, faults.map(mendingAct), facts);
  return steps.some(({ code }) => code === 'verify')
    ? steps
    : [...steps, { id: 'verify', code: 'verify', data: {} }];
}
