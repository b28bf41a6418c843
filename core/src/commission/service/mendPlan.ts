import { flushTimes } from '../../base/practice.ts';
import type { SystemDesign } from '../../system/design.ts';
import type { FaultCode } from '../diagnosis/fault.ts';
import { mendings } from './mending.ts';
import { type Act, servicePlan } from './servicePlan.ts';
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
    step: { code: 'mend', data: { fault } },
  };
}

/** The steps that mend one fault or two at once, in one opening, and the verification at the end. */
export const mendPlan = (design: SystemDesign, faults: readonly FaultCode[]): ServiceStep[] => [
  ...servicePlan(design, faults.map(mendingAct)),
  { id: 'verify', code: 'verify', data: {} },
];
