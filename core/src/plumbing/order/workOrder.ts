import { isAddedLamp, isUltravioletLine } from '../../system/ultravioletLine.ts';
import { addedLampSteps } from './addedLampSteps.ts';
import { drainSteps, supplySteps } from './houseSteps.ts';
import { tapSteps } from './tapSteps.ts';
import { tubeSteps } from './tubeSteps.ts';
import { unitSteps } from './unitSteps.ts';
import type { WorkFacts } from './workFacts.ts';
import { type Caution, type StepDraft, workSteps, type WorkStep } from './workStep.ts';

/**
 * The order of work for exactly this system on this site: every part of it is put in by one step, every tube laid by one, and each
 * step knows what it stands on. Errors: none.
 */
export function workOrder(facts: WorkFacts): WorkStep[] {
  const { system } = facts;
  return workSteps([
    ...(isAddedLamp(system)
      ? addedLampSteps(facts, system)
      : [
          ...supplySteps(facts),
          ...tapSteps(facts),
          ...(isUltravioletLine(system) ? [] : drainSteps(facts)),
          ...unitSteps(facts),
        ]),
    ...tubeSteps(facts),
    ...powerSteps(facts),
    { code: 'clear-up', after: ['tug-test', 'power'], tools: ['towel'], cautions: ['feed-closed'] },
  ]);
}

/** Whether anything in a system takes power. */
export const needsPower = (system: WorkFacts['system']): boolean =>
  system.lamp !== null ||
  (!isUltravioletLine(system) && system.pump !== null) ||
  system.tap.powered === true ||
  (system.tap.dispenser?.heaterW ?? 0) > 0;

function powerSteps({ system, site }: WorkFacts): StepDraft[] {
  if (!needsPower(system)) return [];
  const cautions: Caution[] = ['dry-hands', 'ground-fault'];
  if (site.outlet === 'switched') cautions.push('switched-outlet');
  if (site.outlet === 'none' || site.outlet === null) cautions.push('electrician');
  if (system.tap.dispenser) cautions.push('heater-off');
  return [
    {
      code: 'power',
      after: ['hang-unit', 'mount-pump', 'mount-lamp', 'dispenser', 'pass-cables'],
      cautions,
      data: { outlet: site.outlet ?? 'unseen' },
    },
  ];
}
