import type { SystemDesign } from '../../system/design.ts';
import type { ServiceCode, ServiceData, ServiceStep } from './serviceStep.ts';

/** Something that is done at a system in use: what it opens, and what has to run afterwards. */
export interface Act {
  opens: 'nothing' | 'unit' | 'tank' | 'new-tank';
  /** Minutes that have to run, tap open and tank closed; 0 where nothing was put into the water's way. */
  runsMin: number;
  /** The first tank afterwards is thrown away. */
  drains: boolean;
  /** Its cord is pulled. */
  lamp?: true;
  step: ServiceAct;
}
type ServiceAct = { [C in 'mend' | 'change']: { code: C; data: ServiceData[C] } }[
  | 'mend'
  | 'change'];

/**
 * The steps of everything that is to be done, from a system in use back to a system in use. What opens nothing is done as it stands;
 * everything else in one opening.
 */
export function servicePlan(design: SystemDesign, acts: readonly Act[]): ServiceStep[] {
  const steps: ServiceStep[] = [];
  // By what is done and not by its place: a tick stays with its step when something is added before it.
  const add = <C extends ServiceCode>(code: C, data: ServiceData[C], of = '') =>
    steps.push({ id: of ? `${code}:${of}` : code, code, data } as ServiceStep);
  const act = ({ step }: Act) =>
    add(step.code, step.data, step.code === 'mend' ? step.data.fault : step.data.id);
  const opened = acts.filter(({ opens }) => opens !== 'nothing');
  for (const one of acts) if (one.opens === 'nothing') act(one);
  if (opened.length > 0) openAndDo();
  return steps;

  function openAndDo(): void {
    const opens = new Set(opened.map((act) => act.opens));
    const ofTank = opens.has('tank') || opens.has('new-tank');
    const wet = opens.has('unit') || opens.has('new-tank');
    const pump = design.pump !== null;
    const lamp = design.lamp !== null && opened.some((act) => act.lamp);
    const tank = design.tank !== null;
    const ownValve = tank && design.tank?.internal !== true;
    add('close-feed', {});
    if (pump || lamp) add('unplug', { pump, lamp });
    // A tank whose own air or bladder is at stake is emptied; any other keeps its water.
    if (ownValve && !ofTank) add('close-tank', {});
    add('let-off', { tank: tank && (ofTank || !ownValve) });
    opened.forEach(act);
    if (!wet) {
      add('close-tap', {});
      add('open-feed', { tap: 'closed', tank: ownValve });
      if (pump || lamp) add('plug-in', { pump, lamp });
      return;
    }
    if (ownValve && ofTank) add('close-tank', {});
    add('open-feed', { tap: 'open', tank: ownValve });
    if (pump || lamp) add('plug-in', { pump, lamp });
    add('leak-check', {});
    const minutes = Math.max(...opened.map(({ runsMin }) => runsMin));
    if (minutes > 0) add('run', { minutes, tank: ownValve });
    add('close-tap', {});
    if (ownValve) add('open-tank', {});
    if (tank && opened.some(({ drains }) => drains)) add('drain-tank', {});
  }
}
